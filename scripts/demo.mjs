// Starts the demo shop: installs, builds and fills its database where that has not been done yet.
import { join } from 'node:path';
import { mkdirSync } from 'node:fs';
import { PROJECT, ensureBuilt, ensureInstalled, run } from './install.mjs';

const file = process.env.RIMSTONE_DB ?? join(PROJECT, 'data', 'demo.sqlite');

ensureInstalled();
ensureBuilt();
try {
  mkdirSync(join(file, '..'), { recursive: true });
} catch (error) {
  console.error(
    `The folder of ${file} cannot be made: ${error.message}. Set RIMSTONE_DB to a file that can be written.`,
  );
  process.exit(1);
}
if (run('node', ['dist/server/fill-demo.cjs', file]) !== 0) process.exit(1);
process.env.RIMSTONE_DB = file;
await import('../dist/server/main.cjs');
