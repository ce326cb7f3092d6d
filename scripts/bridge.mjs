// Carries lines of real instruments to the running program.
import { ensureBuilt, ensureInstalled } from './install.mjs';

ensureInstalled();
ensureBuilt();
await import('../dist/server/bridge.cjs');
