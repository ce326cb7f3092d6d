// Everything that must hold: linter, types, unit and API tests, and the app in a real browser.
// Installs what it needs. The last line counts what passed and failed.

import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { browserPath } from './browsers.mjs';
import { ensureBuilt, installBeside, run, runBeside, treeState } from './install.mjs';

const ensureBrowser = () => {
  if (browserPath()) return true;
  console.log('Installing Chromium ...');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' });
  };
  if (apt('update', '-qq') !== 0) return false;
  return ['chromium-headless-shell', 'chromium'].some(
    (name) => apt('install', '-y', '-qq', '--no-install-recommends', name) === 0,
  );
};

/** Runs a check while others run. */
const check = async (name, command, args) => ({ name, ok: await runBeside(command, args) });

/** Tests that need neither the database driver nor the built program. */
const PURE_TESTS = ['src/core', 'src/web'];

/** Runs test files by Jest and counts them; what goes on beside it goes on. */
const jest = async (name, args) => {
  const file = join(out, `${name}.json`);
  const ok = await runBeside('npx', [
    'jest',
    '--ci',
    '--silent',
    '--json',
    `--outputFile=${file}`,
    ...args,
  ]);
  const found = read(file);
  const bad = found ? found.numFailedTests + found.numRuntimeErrorTestSuites : 1;
  passed += found?.numPassedTests ?? 0;
  failed += bad;
  if (!ok && bad === 0) failed++;
  return ok;
};

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

const started = Date.now();
const treeBefore = treeState();
let passed = 0;
let failed = 0;
const parts = [];
let since = started;
/** Says how a part of the run ended, and how long it took. */
const part = (name, ok) => {
  const minutes = ((Date.now() - since) / 60_000).toFixed(1);
  since = Date.now();
  parts.push(`${name} ${minutes} min`);
  console.log(`${name}: ${ok ? 'ok' : 'failed'}, ${minutes} min`);
};
/** A part that counts as one test. */
const step = (name, ok) => {
  if (ok) passed++;
  else failed++;
  part(name, ok);
};

const installed = installBeside();
ensureBuilt();
const hasBrowser = ensureBrowser();

const out = mkdtempSync(join(tmpdir(), 'rimstone-test-'));

// Checks that know nothing of each other, side by side, while the database driver is compiled;
// then the tests that do not need it.
const checks = await Promise.all([
  check('linter', 'npx', ['eslint', '.', '--max-warnings', '0']),
  check('formatter', 'npx', ['prettier', '--check', '.', '--log-level', 'warn']),
  check('types', 'npx', ['tsc', '--noEmit']),
]);
for (const { ok } of checks) {
  if (ok) passed++;
  else failed++;
}
part(
  checks.map(({ name, ok }) => (ok ? name : `${name} (failed)`)).join(', '),
  checks.every(({ ok }) => ok),
);
const isPureOk = await jest('core', PURE_TESTS);
part('tests of core and screens', isPureOk);
if (!(await installed)) {
  console.log('The packages could not be installed: a compiler is needed for the database driver.');
  process.exit(1);
}
step('set-up leaves the tree as it was', treeState() === treeBefore);
if (treeState() !== treeBefore) console.log(`Set-up changed or made:\n${treeState()}`);

const isServerOk = await jest('server', [
  '--testPathIgnorePatterns',
  ...PURE_TESTS.map((path) => `/${path}/`),
]);
part('tests of server and API', isServerOk);

if (hasBrowser) {
  const e2eFile = join(out, 'e2e.json');
  const demo = join(out, 'demo.sqlite');
  const isFilled = run('node', ['dist/server/fill-demo.cjs', demo]) === 0;
  const code = run('npx', ['playwright', 'test'], {
    E2E_REPORT: e2eFile,
    ...(isFilled && { E2E_DEMO: demo }),
  });
  const stats = read(e2eFile)?.stats;
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  failed += stats?.unexpected ?? 0;
  if (code !== 0 && !(stats?.unexpected > 0)) failed++;
  part('browser tests', code === 0);
} else {
  console.log('There is no Chromium, and it could not be installed. Set CHROMIUM to its path.');
  failed++;
}
rmSync(out, { recursive: true, force: true });
console.log(`${parts.join(', ')}; ${((Date.now() - started) / 60_000).toFixed(1)} min in all`);
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
