import { chromium, type Page } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { BROWSER_ARGS, browserPath } from '../../scripts/browsers.mjs';
import { startedServer } from '../started-server';

/**
 * Twenty instruments that speak twenty times a second for a minute, two browsers that watch them
 * all, and a hand that taps.
 */
const DEVICES = 20;
const PER_SECOND = 20;
const SECONDS = Number(process.env.BENCH_SECONDS ?? 60);
/** Lines are sent as the bridge would, gathered for a tenth of a second. */
const SENDS_PER_SECOND = 10;

const names = Array.from({ length: DEVICES }, (_, i) => `bench ${i + 1}`);
const CHROMIUM = browserPath();

const startServer = async (dir: string) => {
  const file = join(dir, 'shop.sqlite');
  spawnSync('node', ['dist/server/fill-demo.cjs', file]);
  return startedServer(file);
};

/** Lines that this page has counted, of the bench's instruments. */
const counted = (page: Page): Promise<number> =>
  page.evaluate(() =>
    [...document.querySelectorAll('li[aria-label^="bench "]')].reduce(
      (t, li) => t + Number(/(\d+) since you opened/.exec(li.textContent ?? '')?.[1] ?? 0),
      0,
    ),
  );

const watch = async (url: string) => {
  const browser = await chromium.launch({
    ...(CHROMIUM ? { executablePath: CHROMIUM } : {}),
    args: BROWSER_ARGS,
  });
  const page = await browser.newPage();
  await page.addInitScript(() => {
    const taps: number[] = [];
    Object.assign(window, { taps });
    new PerformanceObserver((list) =>
      list.getEntries().forEach((e) => e.name === 'click' && taps.push(e.duration)),
    ).observe({ type: 'event', durationThreshold: 16 } as PerformanceObserverInit);
  });
  await page.goto(`${url}/instruments`);
  await page.getByRole('listitem', { name: 'hose gauge' }).getByText('Live').waitFor();
  return { browser, page };
};

const main = async (): Promise<void> => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-bench-'));
  const server = await startServer(dir);
  const watchers = [await watch(server.url), await watch(server.url)];
  let sent = 0;
  let refused = 0;
  let slowestPostMs = 0;
  const linesPerSend = PER_SECOND / SENDS_PER_SECOND;
  const startMs = Date.now();
  const taps: number[] = [];
  let tapping = true;
  const hand = (async () => {
    for (let i = 0; tapping; i++) {
      const { page } = watchers[i % 2]!;
      const before = Date.now();
      await page.getByRole('button', { name: 'Simulated instruments at stations' }).click();
      taps.push(Date.now() - before);
      await page.waitForTimeout(400);
    }
  })();
  for (let tick = 0; tick < SECONDS * SENDS_PER_SECOND; tick++) {
    const waitMs = startMs + (tick * 1000) / SENDS_PER_SECOND - Date.now();
    if (waitMs > 0) await new Promise((r) => setTimeout(r, waitMs));
    const lines = names.flatMap((device, d) =>
      Array.from({ length: linesPerSend }, (_, i) => {
        const n = tick * linesPerSend + i;
        return JSON.stringify({
          device,
          kind: 'gauge',
          value: 100 + 50 * Math.sin(n / 20 + d),
          unit: 'kPa',
          at: new Date(startMs + (n * 1000) / PER_SECOND).toISOString(),
        });
      }),
    );
    const before = Date.now();
    const answer = (await (
      await fetch(`${server.url}/api/devices/lines`, {
        method: 'POST',
        headers: { 'content-type': 'application/x-ndjson' },
        body: lines.join('\n'),
      })
    ).json()) as { taken: number; refused: unknown[] };
    slowestPostMs = Math.max(slowestPostMs, Date.now() - before);
    sent += lines.length;
    refused += answer.refused.length;
  }
  const tookS = (Date.now() - startMs) / 1000;
  tapping = false;
  await hand;
  await new Promise((r) => setTimeout(r, 1500));
  console.log(
    `  ${DEVICES} instruments × ${PER_SECOND} lines a second for ${tookS.toFixed(1)} s: ${sent} lines sent, ${refused} refused, slowest post ${slowestPostMs} ms`,
  );
  for (const [i, { page, browser }] of watchers.entries()) {
    const seen = await counted(page);
    const clicks = (await page.evaluate(() => (window as unknown as { taps: number[] }).taps)).sort(
      (a, b) => a - b,
    );
    const at = (share: number) =>
      clicks[Math.min(clicks.length - 1, Math.floor(clicks.length * share))] ?? 0;
    console.log(
      `  browser ${i + 1}: ${seen} lines seen, ${sent - seen} lost; tap to next picture: median ${at(0.5)} ms, 95% ${at(0.95)} ms, worst ${clicks.at(-1) ?? 0} ms of ${clicks.length} taps`,
    );
    await browser.close();
  }
  server.stop();
  rmSync(dir, { recursive: true, force: true });
};

void main();
