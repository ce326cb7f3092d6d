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

/**
 * How it is started: without windows' own pages, which cost each test more than the app does. The
 * last list of features counts, so it repeats what a test must do without besides.
 */
export const BROWSER_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-background-networking',
  '--disable-component-update',
  '--no-first-run',
  '--disable-features=WebUIOmniboxPopup,WebUIOmniboxAimPopup,MediaRouter,OptimizationHints,LensOverlay,HttpsUpgrades,PaintHolding',
];
