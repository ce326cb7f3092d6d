// What must hold when things go wrong, with all cases: kills, damaged files and backups, a full
// disk, requests of every kind. An hour and more on two cores.
import { ensureBuilt, ensureInstalled, run } from './install.mjs';

const LONG = { RIMSTONE_LONG: '1' };
const FILES = [
  'tests/faults',
  'tests/server/backup',
  'tests/server/careful-start',
  'tests/server/work-pool',
];

ensureInstalled();
ensureBuilt();
const inProgram = run('npx', ['jest', ...FILES], LONG);
const killed = run('npx', ['playwright', 'test', 'kills', 'offline', 'trouble', 'start'], LONG);
process.exitCode = inProgram || killed;
