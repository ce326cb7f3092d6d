import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import { BROWSER_ARGS, browserPath } from '../../scripts/browsers.mjs';
import { DEMO_JOBS, LONG_LOG, manyJobs, word } from '../many-jobs';
import { startedServer } from '../started-server';

/**
 * A shop of many years, made of the demo's own jobs many times over, and what it takes to list,
 * search, read and write: medians and the 99th of a hundred, beside the same with a thousand jobs.
 * `BENCH_JOBS` says how many. Prints; judges nothing.
 */
const JOBS = Number(process.env.BENCH_JOBS ?? 20_000);
const FEW = 1000;
const TIMES = 100;
/** So many before, that do not count: a program that has just started is slow. */
const WARM = 40;
/** Machines, with 2.4 wheels and a tire in stock for each. */
const MACHINES = Number(process.env.BENCH_MACHINES ?? 5000);
const FEW_MACHINES = Math.round(MACHINES / 20);

const timesOf = async (
  ask: (i: number) => Promise<Response>,
): Promise<{ median: number; most: number; kB: number }> => {
  const ms: number[] = [];
  let bytes = 0;
  for (let i = 0; i < WARM; i++) await (await ask(i)).arrayBuffer();
  for (let i = WARM; i < WARM + TIMES; i++) {
    const began = performance.now();
    const answer = await ask(i);
    bytes = (await answer.arrayBuffer()).byteLength;
    if (answer.status >= 300) throw new Error(`${answer.url} answers ${answer.status}`);
    ms.push(performance.now() - began);
  }
  ms.sort((a, b) => a - b);
  return { median: ms[TIMES / 2]!, most: ms[Math.ceil(0.99 * TIMES) - 1]!, kB: bytes / 1000 };
};

/** So much slower than this machine a tablet is taken to be. */
const SLOWER = 4;

/**
 * What a screen takes until it shows this, and then the longest answer to a key or tap, in ms. The
 * page is closed afterwards: one that stays open takes its time from those that follow.
 */
const screenOf = async (
  page: Page,
  at: string,
  shows: string,
  act: (page: Page) => Promise<void> = () => Promise.resolve(),
): Promise<{ shownMs: number; tapMs: number }> => {
  await page.goto(at);
  await page.getByText(shows).first().waitFor();
  const shownMs = await page.evaluate(() => performance.now());
  await act(page);
  await page.waitForTimeout(600);
  const tapMs = await page.evaluate(() =>
    Math.max(0, ...((globalThis as never as { taps: number[] }).taps ?? [])),
  );
  await page.context().close();
  return { shownMs, tapMs };
};

/**
 * Today, a new job, the wheels of the shop: fresh pages, as fast as this machine and as slow as a
 * tablet.
 */
const screensOf = async (url: string) => {
  const path = browserPath();
  const browser = await chromium.launch({
    ...(path ? { executablePath: path } : {}),
    args: BROWSER_ARGS,
  });
  const found: Record<string, { shownMs: number; tapMs: number }> = {};
  for (const rate of [1, SLOWER]) {
    const open = async () => {
      const page = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
      await page.addInitScript(() => {
        localStorage.setItem('rimstone-prefs', JSON.stringify({ who: 'Juna Birk', theme: 'day' }));
        const taps: number[] = ((globalThis as never as { taps: number[] }).taps = []);
        // The browser's own count of how long each key and tap took until the next picture.
        new PerformanceObserver((list) => {
          const events = list.getEntries() as (PerformanceEntry & { interactionId: number })[];
          // Only what a hand does: a pointer that comes over something while a page begins is none
          // of it.
          taps.push(...events.filter((e) => e.interactionId > 0).map((e) => e.duration));
        }).observe({ type: 'event', buffered: true, durationThreshold: 16 } as never);
      });
      await (
        await page.context().newCDPSession(page)
      ).send('Emulation.setCPUThrottlingRate', { rate });
      return page;
    };
    const name = (says: string) => `${says}${rate > 1 ? `, ${rate} times slower` : ''}`;
    found[name('Today')] = await screenOf(
      await open(),
      `${url}/`,
      'Check in a machine',
      async (page) => {
        await page.getByRole('link', { name: 'Jobs' }).click();
      },
    );
    found[name('a new job')] = await screenOf(
      await open(),
      `${url}/jobs/new`,
      'Loose wheel',
      async (page) => {
        await page.getByLabel('Machine or rider').pressSequentially('orrin juni', { delay: 60 });
      },
    );
    found[name('wheels')] = await screenOf(
      await open(),
      `${url}/records/wheels`,
      'Current tire',
      async (page) => {
        await page.getByRole('button', { name: 'Current tire' }).click();
      },
    );
    found[name('a job')] = await screenOf(
      await open(),
      `${url}/jobs/demo-job-22/tire-on`,
      ' of 9',
      async (page) => {
        await page.keyboard.press('n');
      },
    );
    found[name('the size bench')] = await screenOf(
      await open(),
      `${url}/bench/sizes?wheel=w-orrin-r`,
      'On the wheel',
    );
  }
  await browser.close();
  return found;
};

const measured = async (jobs: number, machines: number) => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-scale-'));
  const file = join(dir, 'shop.sqlite');
  try {
    manyJobs(file, jobs, machines);
    // The first start puts all records into words.
    (await startedServer(file)).stop();
    const began = performance.now();
    const { url, stop } = await startedServer(file);
    const startMs = performance.now() - began;
    try {
      const get = (path: string) => fetch(url + path);
      const last = Math.floor((jobs - 50) / 50) * 50;
      const noteIn = async (job: string) => {
        let seq = ((await (await get(`/api/jobs/${job}`)).json()) as { job: { lastSeq: number } })
          .job.lastSeq;
        return () => {
          const entry = {
            id: `${job}-n-${seq}`,
            who: 'Juna Birk',
            station: 'inspect',
            kind: 'note',
            data: { text: 'x' },
          };
          return fetch(`${url}/api/jobs/${job}/entries`, {
            method: 'POST',
            headers: { 'content-type': 'application/json' },
            body: JSON.stringify({ expectedSeq: seq++, entries: [entry] }),
          });
        };
      };
      const rows = {
        'jobs, first page': await timesOf(() => get('/api/jobs?limit=50')),
        'jobs, last page': await timesOf(() => get(`/api/jobs?limit=50&offset=${last}`)),
        'search, a word': await timesOf((i) => get(`/api/jobs?limit=50&search=${word(i)}`)),
        'search, a part and a number': await timesOf((i) =>
          get(`/api/jobs?limit=50&search=rin+${(i * 37) % jobs}`),
        ),
        'search, two letters': await timesOf(() => get('/api/jobs?limit=50&search=90')),
        'search, nothing found': await timesOf(() => get('/api/jobs?limit=50&search=nowhere')),
        'visits, a word': await timesOf((i) =>
          get(`/api/visits?state=done&limit=50&search=${word(i)}`),
        ),
        'one job': await timesOf((i) => get(`/api/jobs/demo-job-${1 + (i % DEMO_JOBS)}`)),
        'a note on a log of 90': await timesOf(await noteIn('demo-job-21')),
        'a note on a log of 2000': await timesOf(await noteIn(LONG_LOG)),
        today: await timesOf(() => get('/api/visits?state=open&limit=200')),
        shop: await timesOf(() => get('/api/shop')),
        'machines, first page': await timesOf(() => get('/api/machines?limit=40')),
        'machines, a word': await timesOf((i) => get(`/api/machines?limit=40&find=${word(i)}`)),
        'wheels, by a column': await timesOf(() =>
          get('/api/records/wheels?limit=50&sort=tireMarking'),
        ),
        'wheels, a machine’s word': await timesOf((i) =>
          get(`/api/records/wheels?limit=50&find=orrin+${word(i)}`),
        ),
        'tires for a rim': await timesOf(() => get('/api/tires?rim=18')),
      };
      return { rows, screens: await screensOf(url), startMs, MB: statSync(file).size / 1e6 };
    } finally {
      stop();
    }
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
};

void (async () => {
  const few = await measured(FEW, FEW_MACHINES);
  const many = await measured(JOBS, MACHINES);
  console.log(`${FEW} jobs: ${few.MB.toFixed(0)} MB, starts in ${few.startMs.toFixed(0)} ms`);
  console.log(`${JOBS} jobs: ${many.MB.toFixed(0)} MB, starts in ${many.startMs.toFixed(0)} ms`);
  console.log(
    `median ms at ${FEW} and ${JOBS} jobs (99th of ${TIMES}), how many times as long, kB of the answer`,
  );
  for (const [name, at] of Object.entries(many.rows)) {
    const before = few.rows[name as keyof typeof few.rows];
    console.log(
      `  ${name.padEnd(30)} ${before.median.toFixed(1).padStart(7)} ${at.median.toFixed(1).padStart(7)} (${at.most.toFixed(1)})  × ${(at.median / before.median).toFixed(1)}  ${at.kB.toFixed(0)} kB`,
    );
  }
  console.log('ms until a fresh page shows it, and the longest answer to a tap or key');
  for (const [name, { shownMs, tapMs }] of Object.entries(many.screens))
    console.log(
      `  ${name.padEnd(34)} ${shownMs.toFixed(0).padStart(6)} ${tapMs.toFixed(0).padStart(6)}`,
    );
})();
