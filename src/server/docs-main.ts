import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileSchema } from './exchange/file-schema';
import { openApi } from './openapi/document';

/** `docs FOLDER`: the published formats, made from the schemas that check them. */
const folder = process.argv[2] ?? '.';
const DOCUMENTS: Record<string, () => object> = {
  'openapi.json': openApi,
  'shop-file.schema.json': fileSchema,
};
for (const [name, made] of Object.entries(DOCUMENTS))
  writeFileSync(join(folder, name), `${JSON.stringify(made(), null, 1)}\n`);
