import { mkdtempSync, rmSync } from 'node:fs';
import { spawnSync } from 'node:child_process';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { BROWSER_ARGS, browserPath } from '../../scripts/browsers.mjs';
import { startedServer } from '../started-server';

/**
 * How evenly the pictures of practice move: the time from one picture to the next while they do.
 * Prints; judges nothing.
 */

/** Sixty in a second. */
const FRAME_MS = 1000 / 60;
/** A picture that is later than this by the clock of the screen was left out. */
const LATE_MS = FRAME_MS * 1.5;

/** Times from picture to picture while something is done, ms. */
const framesWhile = async (page: Page, doing: () => Promise<void>): Promise<number[]> => {
  await page.evaluate(() => {
    const kept = globalThis as never as { frames: number[]; isOn: boolean };
    kept.frames = [];
    kept.isOn = true;
    requestAnimationFrame(function next(at) {
      kept.frames.push(at);
      if (kept.isOn) requestAnimationFrame(next);
    });
  });
  await doing();
  const at = await page.evaluate(() => {
    const kept = globalThis as never as { frames: number[]; isOn: boolean };
    kept.isOn = false;
    return kept.frames;
  });
  return at.slice(1).map((ms, i) => ms - at[i]!);
};

const told = (name: string, ms: number[]): string => {
  const sorted = [...ms].sort((a, b) => a - b);
  const mean = ms.reduce((a, b) => a + b, 0) / ms.length;
  const late = ms.filter((m) => m > LATE_MS).length;
  return `  ${name.padEnd(34)} ${(1000 / mean).toFixed(1).padStart(5)} a second, ${sorted.at(-1)!.toFixed(0).padStart(3)} ms at most, ${late} of ${ms.length} late`;
};

void (async () => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-frames-'));
  const file = join(dir, 'shop.sqlite');
  spawnSync('node', ['dist/server/fill-demo.cjs', file]);
  const { url, stop } = await startedServer(file);
  const path = browserPath();
  const browser = await chromium.launch({
    ...(path ? { executablePath: path } : {}),
    args: BROWSER_ARGS,
  });
  const open = async (at: string): Promise<Page> => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.addInitScript(() =>
      localStorage.setItem('rimstone-prefs', JSON.stringify({ who: 'Juna Birk', theme: 'day' })),
    );
    await page.goto(url + at);
    await page.getByRole('heading', { level: 1 }).waitFor();
    await page.waitForTimeout(1500);
    return page;
  };
  const pressing = (page: Page, keys: readonly string[], waitMs: number) => async () => {
    for (const key of keys) {
      await page.keyboard.press(key);
      await page.waitForTimeout(waitMs);
    }
  };
  const times = (count: number, ...keys: string[]) =>
    Array.from({ length: count }, () => keys).flat();
  try {
    console.log('pictures while they move, on this machine');
    const still = await open('/practice?kind=true&wheel=4');
    console.log(told('nothing moves', await framesWhile(still, () => still.waitForTimeout(2000))));
    console.log(
      told('the rim at its needle', await framesWhile(still, pressing(still, times(20, '.'), 120))),
    );
    const levers = await open('/practice?kind=levers&wheel=5');
    await levers.getByRole('textbox', { name: 'Start at' }).fill('180°');
    await levers.getByRole('textbox', { name: 'Start at' }).press('Enter');
    await levers.getByRole('button', { name: 'Start here' }).click();
    console.log(
      told(
        'bead and dial, bites',
        await framesWhile(levers, pressing(levers, times(6, '.', 'p', ','), 120)),
      ),
    );
    const ring = await open('/practice?kind=ring&wheel=5');
    console.log(
      told('a ring’s gaps', await framesWhile(ring, pressing(ring, times(8, 'f', 't', '.'), 100))),
    );
    const stand = await open('/practice?kind=balance&wheel=21');
    await stand.getByRole('button', { name: 'From the left' }).click();
    console.log(
      told('a wheel on the stand', await framesWhile(stand, () => stand.waitForTimeout(3000))),
    );
  } finally {
    await browser.close();
    stop();
    rmSync(dir, { recursive: true, force: true });
  }
})();
