import fc from 'fast-check';
import Database from 'better-sqlite3';
import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { howMany } from '../case-count';
import { startedServer } from '../started-server';
import { testApp } from '../server/test-app';
import { spoiled } from '../mutate-value';
import { askedRoutes, type AskedRoute } from './asked-routes';
import { wholeBodies, type Read } from './whole-bodies';

/** They work for seconds, here on the one thread of the test: for the long run. */
const HEAVY = ['/api/day-plan', '/api/practice'];
const RARE = 40;
/** Under way at once. */
const TOGETHER = 20;

const NASTY = [
  null,
  true,
  '',
  ' ',
  '0',
  -1,
  0.5,
  1e308,
  1e-320,
  '__proto__',
  '<b>',
  '\u0000',
  '150/70-17',
  [],
  {},
  [[]],
];
const NASTY_TEXTS = [
  '',
  '\u0000',
  'a\u0000b',
  '%',
  "'",
  '..',
  'a'.repeat(200),
  '-1',
  '1e9',
  'NaN',
  '\u{1F6DE}',
  'constructor',
  '2026-02-30',
];
/** Mostly what the routes read. */
const TYPES = [
  ...Array<string>(7).fill('application/json'),
  'text/csv',
  'image/png',
  'application/x-ndjson',
];

const IDS: Record<string, readonly string[]> = {
  kind: ['tires', 'wheels', 'machines', 'weights', 'nothing'],
  name: ['balance-place', 'torque-wrench', 'hose', 'Juna Birk', 'nothing'],
  part: ['troubles', 'weights', 'nothing'],
  key: ['backup.keep', 'cost.currency', 'nothing'],
};
const ID_OF: Record<string, readonly string[]> = {
  jobs: ['demo-job-21', 'demo-job-22', 'demo-job-31', 'demo-job-1', 'nothing'],
  visits: ['demo-job-21', 'demo-job-22', 'nothing'],
  wheels: ['w-orrin-f', 'w-vellan-r', 'nothing'],
  machines: ['m-orrin', 'm-vellan', 'nothing'],
};
const ANY_ID = [
  'demo-job-1',
  'demo-job-21',
  'demo-job-22',
  'w-orrin-f',
  'm-orrin',
  't-1',
  'nothing',
];
const QUERY_KEYS = [
  'search',
  'find',
  'limit',
  'offset',
  'from',
  'to',
  'sort',
  'only',
  'rim',
  'person',
  'state',
  'after',
  'pressure',
  'apply',
];

const all = askedRoutes();
const entries = all.find((r) => r.method === 'POST' && r.path === '/api/jobs/:id/entries')!;
const light = all.filter((r) => !HEAVY.includes(r.path));
const rare = howMany(light, all);
/** One in three writes into a log; what takes seconds to work out comes seldom. */
const routeOf = (i: number): AskedRoute =>
  i % 3 === 0
    ? entries
    : i % RARE === 1
      ? rare[Math.floor(i / RARE) % rare.length]!
      : light[i % light.length]!;

/** What one request is made of, by chance. */
const draw = fc.record({
  n: fc.nat(),
  path: fc.nat(100_000),
  by: fc.oneof(fc.constantFrom(...NASTY), fc.jsonValue({ maxDepth: 2 })),
  isWhole: fc.nat(4),
});
type Draw = ReturnType<typeof draw.generate>['value'];

/** A path with ids in it, there or not, and now and then something that is looked for. */
const addressOf = (path: string, { n, path: at }: Draw): string => {
  const filled = path.replace(/:(\w+)/g, (_, key: string) => {
    const from = n % 6 === 0 ? NASTY_TEXTS : (IDS[key] ?? ID_OF[path.split('/')[2]!] ?? ANY_ID);
    return encodeURIComponent(from[(n >> 3) % from.length]!);
  });
  if (n % 3 !== 0) return filled;
  const query = { [QUERY_KEYS[at % QUERY_KEYS.length]!]: NASTY_TEXTS[n % NASTY_TEXTS.length]! };
  return `${filled}?${new URLSearchParams(query)}`;
};

/** A demo shop that listens. */
interface AskedShop {
  url: string;
  lastSeqOf: (id: string) => number;
  integrity: () => unknown;
  close: () => void;
}

const asked = (db: Database.Database): Pick<AskedShop, 'lastSeqOf' | 'integrity'> => {
  const lastSeq = db.prepare<[string], number>('SELECT last_seq FROM jobs WHERE id = ?').pluck();
  return {
    lastSeqOf: (id) => lastSeq.get(id) ?? 0,
    integrity: () => db.pragma('integrity_check', { simple: true }),
  };
};

/** In this process, as the suite asks it. */
const shopHere = async (): Promise<AskedShop> => {
  const { app, db } = testApp();
  const server = createServer(app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  return {
    ...asked(db),
    url: `http://127.0.0.1:${(server.address() as AddressInfo).port}`,
    close: () => {
      server.closeAllConnections();
      server.close();
      db.close();
    },
  };
};

/** The built program with its work threads, as the long run asks it: many times as fast. */
const builtShop = async (): Promise<AskedShop> => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-asked-'));
  const file = join(dir, 'shop.sqlite');
  spawnSync('node', ['dist/server/fill-demo.cjs', file]);
  const { url, stop } = await startedServer(file);
  const db = new Database(file, { readonly: true });
  return {
    ...asked(db),
    url,
    close: () => {
      db.close();
      stop();
      rmSync(dir, { recursive: true, force: true, maxRetries: 5 });
    },
  };
};

/** What was answered how often, and the requests that were answered by a fault of the server. */
interface Answers {
  counts: Map<number, number>;
  faults: string[];
}

/** Asks a shop so much, and whether every list and paper of it can still be made. */
const askShop = async (
  { url, lastSeqOf, integrity }: AskedShop,
  draws: readonly Draw[],
  { counts, faults }: Answers,
): Promise<void> => {
  const read: Read = async (path) => (await (await fetch(url + path)).json()) as never;
  const bodyOf = await wholeBodies(read);
  const ask = async (drawn: Draw, i: number): Promise<void> => {
    const { method, path } = routeOf(i);
    const address = addressOf(path, drawn);
    const init: RequestInit = { method };
    if (method !== 'GET') {
      const whole = bodyOf(path, i);
      if ('expectedSeq' in whole)
        whole.expectedSeq = lastSeqOf(decodeURIComponent(address.split('/')[3] ?? ''));
      const body = JSON.stringify(drawn.isWhole < 2 ? whole : spoiled(whole, drawn.path, drawn.by));
      Object.assign(init, { body, headers: { 'content-type': TYPES[drawn.n % TYPES.length] } });
    }
    const answer = await fetch(url + address, init);
    await answer.arrayBuffer();
    counts.set(answer.status, (counts.get(answer.status) ?? 0) + 1);
    if (answer.status >= 500)
      faults.push(`${answer.status} ${method} ${address} ${String(init.body).slice(0, 300)}`);
  };
  for (let from = 0; from < draws.length; from += TOGETHER)
    await Promise.all(draws.slice(from, from + TOGETHER).map((drawn, i) => ask(drawn, from + i)));
  // What was taken breaks no log, list or paper.
  const { jobs } = (await read('/api/jobs?limit=200')) as { jobs: { id: string }[] };
  const papers = ['', '/card.pdf', '/log.csv', '/rechecks.ics', '/visit'];
  const lists = ['health', 'shop', 'visits', 'rechecks.ics', 'order-list.csv', 'knows'];
  const paths = [
    ...jobs.flatMap(({ id }) =>
      papers.map((paper) => `/api/jobs/${encodeURIComponent(id)}${paper}`),
    ),
    ...lists.map((list) => `/api/${list}`),
  ];
  for (const path of paths) expect([path, (await fetch(url + path)).status]).toEqual([path, 200]);
  expect(integrity()).toBe('ok');
};

test('whatever is asked of whichever route, no answer is a fault of the server, and every paper can still be made', async () => {
  expect(all.length).toBeGreaterThan(55);
  const shops = howMany(1, 20);
  const each = howMany(120, 5000);
  const seed = howMany(17, Date.now() % 1_000_000);
  const answers: Answers = { counts: new Map(), faults: [] };
  for (let shop = 0; shop < shops; shop++) {
    const shopAsked = await howMany(shopHere, builtShop)();
    await askShop(
      shopAsked,
      fc.sample(draw, { numRuns: each, seed: seed + shop }),
      answers,
    ).finally(shopAsked.close);
    const counts = [...answers.counts].sort().map(([status, count]) => `${count} × ${status}`);
    console.log(`${(shop + 1) * each} requests, seed ${seed}: ${counts.join(', ')}`);
  }
  const { counts, faults } = answers;
  expect(faults).toEqual([]);
  // Not all was refused: much was taken, and written.
  expect(counts.get(200)! + counts.get(201)!).toBeGreaterThan((shops * each) / 10);
  expect(counts.get(201)).toBeGreaterThan((shops * each) / 50);
}, 10_800_000);
