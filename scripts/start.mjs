// Serves the built app on the shop's own data.
import { ensureBuilt, ensureInstalled } from './install.mjs';

ensureInstalled();
ensureBuilt();
await import('../dist/server/main.cjs');
