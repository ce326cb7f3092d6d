// Mutation testing of a folder of the core by its own tests: `npm run mutate -- src/core/torque`. Takes minutes.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { ensureInstalled, PROJECT, run } from './install.mjs';

const path = (process.argv[2] ?? '').replace(/\/+$/, '');
if (!path.startsWith('src/core/') || !existsSync(join(PROJECT, path))) {
  console.error('Name a file or folder of the core, such as: npm run mutate -- src/core/torque');
  process.exit(2);
}
ensureInstalled();
const files = path.endsWith('.ts') ? path : `${path}/**/*.ts`;
process.exit(
  run('npx', ['stryker', 'run', '--mutate', `${files},!src/core/**/*.test.ts,!src/core/**/index.ts`], {
    MUTATE: path.split('/').slice(0, 3).join('/'),
  }),
);
