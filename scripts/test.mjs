// Everything that must hold: linter, types, unit and API tests, and the app in a real browser.
// Installs what it needs. The last line counts what passed and failed.

import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { ensureBuilt, ensureInstalled, run } from './install.mjs';

const BROWSERS = [process.env.CHROMIUM, '/usr/bin/chromium', '/usr/bin/chromium-browser', '/usr/bin/google-chrome'];

const ensureBrowser = () => {
  if (BROWSERS.some((path) => path && existsSync(path))) return true;
  console.log('Installing Chromium ...');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    return run(command, rest, { DEBIAN_FRONTEND: 'noninteractive' });
  };
  return apt('update', '-qq') === 0 && apt('install', '-y', '-qq', '--no-install-recommends', 'chromium') === 0;
};

const read = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

ensureInstalled();
const out = mkdtempSync(join(tmpdir(), 'rimstone-test-'));
let passed = 0;
let failed = 0;
const step = (name, code) => {
  if (code === 0) passed++;
  else failed++;
  console.log(`${name}: ${code === 0 ? 'ok' : 'failed'}`);
};

step('linter', run('npx', ['eslint', '.', '--max-warnings', '0']));
step('types', run('npx', ['tsc', '--noEmit']));

const jestFile = join(out, 'jest.json');
const jestCode = run('npx', ['jest', '--ci', '--json', `--outputFile=${jestFile}`, '--silent']);
const jest = read(jestFile);
passed += jest?.numPassedTests ?? 0;
failed += jest ? jest.numFailedTests + jest.numRuntimeErrorTestSuites : 1;
if (jest && jestCode !== 0 && jest.numFailedTests + jest.numRuntimeErrorTestSuites === 0) failed++;

ensureBuilt();
if (ensureBrowser()) {
  const e2eFile = join(out, 'e2e.json');
  const code = run('npx', ['playwright', 'test'], { E2E_REPORT: e2eFile });
  const stats = read(e2eFile)?.stats;
  passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  failed += stats?.unexpected ?? 0;
  if (code !== 0 && !(stats?.unexpected > 0)) failed++;
} else {
  console.log('There is no Chromium, and it could not be installed. Set CHROMIUM to its path.');
  failed++;
}
rmSync(out, { recursive: true, force: true });
console.log(`${passed} passed, ${failed} failed`);
process.exitCode = failed === 0 && passed > 0 ? 0 : 1;
