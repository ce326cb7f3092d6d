// The tests of chance and those beside an oracle, with all their cases, and the browser tests that
// the short run leaves out: three quarters of an hour on two cores.
import { PROJECT, ensureBuilt, ensureInstalled, run } from './install.mjs';
import { execFileSync } from 'node:child_process';

ensureInstalled();
const files = execFileSync('git', ['grep', '-l', 'howMany(', '--', '*.test.ts'], {
  cwd: PROJECT,
  encoding: 'utf8',
});
const long = { RIMSTONE_LONG: '1' };
const units = run('npx', ['jest', ...files.trim().split('\n')], long);
ensureBuilt();
const browser = run('npx', ['playwright', 'test', '--grep', '@long'], long);
process.exitCode = units || browser;
