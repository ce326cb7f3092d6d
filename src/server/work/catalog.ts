import { WORKINGS } from '../../core/workings';
import { jsonSchemaOf } from '../json-schema';

/** A working as the catalog has it; `input` is its JSON Schema. */
export interface CatalogRow {
  name: string;
  says: string;
  input: object;
  example: unknown;
}

/** Every working with the schema of its input; takes longer than a request should. */
export const catalog = (): CatalogRow[] =>
  WORKINGS.map(({ name, says, schema, example }) => ({
    name,
    says,
    input: { $schema: 'https://json-schema.org/draft/2019-09/schema', ...jsonSchemaOf(schema) },
    example,
  }));
