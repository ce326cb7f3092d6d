// Writes the published schemas into docs/, after what they are made of has changed.
import { join } from 'node:path';
import { PROJECT, ensureBuilt, ensureInstalled } from './install.mjs';

ensureInstalled();
ensureBuilt();
process.argv[2] = join(PROJECT, 'docs');
await import(join(PROJECT, 'dist', 'server', 'docs.cjs'));
