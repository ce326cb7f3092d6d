// Where a browser for the tests is found. The headless shell is the same Chromium without windows:
// half the work.
import { existsSync } from 'node:fs';

const BROWSERS = [
  process.env.CHROMIUM,
  '/usr/bin/chromium-headless-shell',
  '/usr/bin/chromium',
  '/usr/bin/chromium-browser',
  '/usr/bin/google-chrome',
];

/** The path of the first that is there; undefined where none is. */
export const browserPath = () => BROWSERS.find((path) => path && existsSync(path));
