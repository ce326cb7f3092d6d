import { defineConfig } from '@playwright/test';
import { BROWSER_ARGS, browserPath } from './scripts/browsers.mjs';

const executablePath = browserPath();

/** End-to-end tests on the built app, each worker with a shop of its own. */
export default defineConfig({
  testDir: 'tests/e2e',
  // They wait for physics and for each other more than they compute: one more than a small machine has cores.
  workers: 3,
  // Wide limits: they catch what hangs, not what is slow on a busy machine.
  timeout: 480_000,
  expect: { timeout: 90_000 },
  retries: process.env.CI ? 1 : 0,
  fullyParallel: true,
  // What other tests nearly cover, or the core alone, is tried in the long run.
  ...(!process.env.RIMSTONE_LONG && { grepInvert: /@long/ }),
  reporter: process.env.E2E_REPORT
    ? [['line'], ['json', { outputFile: process.env.E2E_REPORT }]]
    : 'list',
  use: {
    // Only where the screens are tried without the server: a worker between page and server hides what a test stops.
    serviceWorkers: 'block',
    viewport: { width: 1280, height: 800 },
    screenshot: 'only-on-failure',
    launchOptions: { args: BROWSER_ARGS, ...(executablePath ? { executablePath } : {}) },
  },
});
