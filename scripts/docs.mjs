// Writes the published schemas into dist/docs, for readers without a running server.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { PROJECT, ensureBuilt, ensureInstalled } from './install.mjs';

ensureInstalled();
ensureBuilt();
const folder = join(PROJECT, 'dist', 'docs');
mkdirSync(folder, { recursive: true });
process.argv[2] = folder;
await import(join(PROJECT, 'dist', 'server', 'docs.cjs'));
