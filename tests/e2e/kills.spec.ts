import { chromium } from '@playwright/test';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { howMany } from '../case-count';
import { expect, test, type TestShop } from './shop';

const KILLS = howMany(2, 1000);
const WRITERS = 4;
/** The server is killed at some moment after it confirmed its first entry, in ms. */
const LATEST_KILL_MS = 250;

/** Numbers by chance, the same each time for a seed. */
const chance = (seed: number) => () => {
  seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
  return seed / 2 ** 32;
};

/**
 * Writes notes into a job one after the other, until the server is gone; says which were confirmed.
 */
const writer = async (
  shop: TestShop,
  job: string,
  name: string,
  confirmed: string[],
): Promise<void> => {
  const at = `${shop.url}/api/jobs/${job}`;
  try {
    let seq = ((await (await fetch(at)).json()) as { job: { lastSeq: number } }).job.lastSeq;
    for (let i = 0; ; i++) {
      const id = `${name}-${i}`;
      const data = { text: `${name} ${i}` };
      const entries = [{ id, who: 'Juna Birk', station: 'inspect', kind: 'note', data }];
      const answer = await fetch(`${at}/entries`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ expectedSeq: seq, entries }),
      });
      const told = (await answer.json()) as { seq: number };
      if (answer.status === 201) confirmed.push(id);
      // Another writer was sooner: what he wrote is known now.
      seq = told.seq;
    }
  } catch {
    // The server is gone.
  }
};

test('killed again and again while it writes, the server loses nothing that it had confirmed', async ({
  shop,
}) => {
  test.setTimeout(KILLS * 90_000);
  const seed = howMany(7, Date.now() % 1_000_000);
  const random = chance(seed);
  const confirmed: string[] = [];
  for (let kill = 0; kill < KILLS; kill++) {
    const writers = Array.from({ length: WRITERS }, (_, w) =>
      writer(shop, w % 2 === 0 ? 'demo-job-21' : 'demo-job-22', `k${kill}w${w}`, confirmed),
    );
    // Not before this round has written anything, however slow the machine; then at some moment.
    const before = confirmed.length;
    await expect.poll(() => confirmed.length).toBeGreaterThan(before);
    await new Promise((done) => setTimeout(done, random() * LATEST_KILL_MS));
    await shop.stop('SIGKILL');
    await Promise.all(writers);
    await shop.start();
  }
  const there = new Set<string>();
  for (const job of ['demo-job-21', 'demo-job-22']) {
    const { entries } = (await (await fetch(`${shop.url}/api/jobs/${job}`)).json()) as {
      entries: { id: string; seq: number }[];
    };
    expect(entries.map((e) => e.seq)).toEqual(entries.map((_, i) => i + 1));
    for (const { id } of entries) there.add(id);
  }
  console.log(`${KILLS} kills, seed ${seed}: ${confirmed.length} entries confirmed`);
  expect(confirmed.length).toBeGreaterThanOrEqual(KILLS);
  expect(confirmed.filter((id) => !there.has(id))).toEqual([]);
});

/** Browsers that are killed while they send. */
const BROWSERS = howMany(1, 500);
const NOTES = 30;
/** A browser is killed at some moment after it began to send, in ms. */
const LATEST_BROWSER_KILL_MS = 900;

test('killed while it sends, a browser loses nothing, sends nothing twice and blames no one', async ({
  shop,
  launchOptions,
}) => {
  test.setTimeout(BROWSERS * 120_000);
  const seed = howMany(11, Date.now() % 1_000_000);
  const random = chance(seed);
  // One job after the other, so that no log becomes too long to be shown.
  const { jobs } = (await (await fetch(`${shop.url}/api/jobs?limit=24`)).json()) as {
    jobs: { id: string; number: number }[];
  };
  let caughtSending = 0;
  for (let n = 0; n < BROWSERS; n++) {
    const { id: jobId, number: jobNumber } = jobs[n % jobs.length]!;
    const logNow = async () =>
      (await (await fetch(`${shop.url}/api/jobs/${jobId}`)).json()) as {
        job: { lastSeq: number };
        entries: { id: string; seq: number }[];
      };
    const dir = mkdtempSync(join(tmpdir(), 'rimstone-browser-'));
    const open = async () => {
      const context = await chromium.launchPersistentContext(dir, {
        ...launchOptions,
        serviceWorkers: 'block',
      });
      await context.addInitScript(() => {
        if (!localStorage.getItem('rimstone-prefs'))
          localStorage.setItem(
            'rimstone-prefs',
            JSON.stringify({ who: 'Juna Birk', theme: 'day' }),
          );
      });
      return { context, page: context.pages()[0]! };
    };
    const first = await open();
    let isHeld = true;
    await first.page.route('**/entries', (route) => (isHeld ? route.abort() : route.continue()));
    await first.page.goto(`${shop.url}/jobs/${jobId}/log`);
    await expect(first.page.getByRole('heading', { level: 1 })).toBeVisible();
    const { job } = await logNow();
    const ids = Array.from({ length: NOTES }, (_, i) => `kill-${n}-${i}`);
    // Written while the server could not be reached, as the outbox keeps it.
    await first.page.evaluate(
      ({ ids, afterSeq, jobId, jobNumber }) =>
        new Promise<void>((done, failed) => {
          const opening = indexedDB.open('rimstone-outbox', 1);
          opening.onerror = () => failed(opening.error);
          opening.onsuccess = () => {
            const tx = opening.result.transaction('parcels', 'readwrite');
            for (const id of ids) {
              const data = { text: id };
              const bodies = [{ id, who: 'Juna Birk', station: 'inspect', kind: 'note', data }];
              const writtenAt = new Date().toISOString();
              const rest = { afterSeq, status: 'unsent', isKept: true, hasPicture: false };
              tx.objectStore('parcels').add({ id, jobId, jobNumber, bodies, writtenAt, ...rest });
            }
            tx.oncomplete = () => done();
          };
        }),
      { ids, afterSeq: job.lastSeq, jobId, jobNumber },
    );
    isHeld = false;
    await first.page.reload({ waitUntil: 'commit' });
    const before = job.lastSeq;
    await expect
      .poll(async () => (await logNow()).job.lastSeq, { intervals: [20] })
      .toBeGreaterThan(before);
    await new Promise((done) => setTimeout(done, random() * LATEST_BROWSER_KILL_MS));
    spawnSync('pkill', ['-9', '-f', dir]);
    if ((await logNow()).job.lastSeq < before + NOTES) caughtSending++;
    await first.context.close().catch(() => undefined);

    const second = await open();
    await second.page.goto(`${shop.url}/jobs/${jobId}/log`);
    await expect.poll(async () => (await logNow()).job.lastSeq).toBe(before + NOTES);
    await expect(second.page.getByRole('button', { name: /\d+ (unsent|to review)$/ })).toBeHidden();
    await expect(second.page.getByRole('alert', { name: 'Not sent yet' })).toBeHidden();
    const { entries } = await logNow();
    expect(entries.slice(before).map((e) => e.id)).toEqual(ids);
    await second.context.close();
    rmSync(dir, { recursive: true, force: true, maxRetries: 5 });
  }
  console.log(`${BROWSERS} browsers, seed ${seed}: ${caughtSending} killed before all was sent`);
});
