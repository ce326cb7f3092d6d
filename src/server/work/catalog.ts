import parseJoi from 'joi-to-json';
import { WORKINGS } from '../../core/workings';

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
    input: parseJoi(schema, 'json-draft-2019-09') as object,
    example,
  }));
