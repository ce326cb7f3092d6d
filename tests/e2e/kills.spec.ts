import { howMany } from '../how-many';
import { expect, test, type TestShop } from './shop';

const KILLS = howMany(4, 1000);
const WRITERS = 4;
/** The server is killed at some moment after it confirmed its first entry, in ms. */
const LATEST_KILL_MS = 250;

/** Numbers by chance, the same each time for a seed. */
const chance = (seed: number) => () => {
  seed = (Math.imul(seed, 1_664_525) + 1_013_904_223) >>> 0;
  return seed / 2 ** 32;
};

/** Writes notes into a job one after the other, until the server is gone; says which were confirmed. */
const writer = async (shop: TestShop, job: string, name: string, confirmed: string[]): Promise<void> => {
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

test('killed again and again while it writes, the server loses nothing that it had confirmed', async ({ shop }) => {
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
