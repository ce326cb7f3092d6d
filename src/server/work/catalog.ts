import { WORKINGS } from '../../core/workings';
import { jsonSchemaOf } from '../json-schema';
import type { CatalogRow } from './task-types';

/** Every working with the schema of its input; takes longer than a request should. */
export const catalog = (): CatalogRow[] =>
  WORKINGS.map(({ name, title, schema, example }) => ({
    name,
    says: title,
    input: { $schema: 'https://json-schema.org/draft/2019-09/schema', ...jsonSchemaOf(schema) },
    example,
  }));
