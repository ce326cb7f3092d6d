// Writes the shop into one file, or puts such a file in its place.
import { join } from 'node:path';
import { PROJECT, ensureBuilt, ensureInstalled } from './install.mjs';

const [command] = process.argv.splice(2, 1);
ensureInstalled();
ensureBuilt();
await import(join(PROJECT, 'dist', 'server', `${command}.cjs`));
