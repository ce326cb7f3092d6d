import fc from 'fast-check';
import { readdirSync, readFileSync } from 'node:fs';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import type { Entry } from '../../src/core/job';
import { WORKINGS } from '../../src/core/workings';
import { howMany } from '../how-many';
import { testApp } from '../server/test-app';
import { spoiled } from '../spoiled';

/** Where the routes of a file stand. */
const UNDER: Record<string, string> = {
  backups: '/api/backups',
  devices: '/api/devices',
  jobs: '/api/jobs',
  photos: '/api/photos',
  visits: '/api/visits',
  workings: '/api/workings',
};
/** They go on for as long as somebody listens. */
const STREAMS = ['/api/live', '/api/devices/stream', '/api/devices/:name/stream'];
/** They work for seconds, here on the one thread of the test: for the long run. */
const HEAVY = ['/api/day-plan', '/api/practice'];
const RARE = 40;
const ROUTE = /router\.(get|post|put|delete)\(\s*['`]([^'`]+)['`]/g;

interface Route {
  method: string;
  path: string;
}

/** Every route of the server, read from its source: none can be forgotten. */
const routes = (): Route[] => {
  const dir = join(__dirname, '../../src/server/routes');
  return readdirSync(dir).flatMap((file) => {
    const name = file.replace('.ts', '');
    return [...readFileSync(join(dir, file), 'utf8').matchAll(ROUTE)]
      .map(([, method, path]) => ({ method: method!.toUpperCase(), path: `${UNDER[name] ?? '/api'}${path}` }))
      .map((r) => ({ ...r, path: r.path.replace('${path}', 'received').replace(/\/$/, '') }))
      .filter((r) => !STREAMS.includes(r.path));
  });
};

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
const NASTY_TEXTS = ['', '%', "'", '..', 'a'.repeat(200), '-1', '1e9', 'NaN', '\u{1F6DE}', 'constructor', '2026-02-30'];

const { app, db } = testApp();
let server: Server;
let url = '';
beforeAll(async () => {
  server = createServer(app);
  await new Promise<void>((done) => server.listen(0, '127.0.0.1', done));
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

const read = async (path: string) => (await (await fetch(url + path)).json()) as never;

/** Bodies that would be taken, by route; entries of every kind from the shop's own logs. */
const bodies = async (): Promise<(path: string, n: number) => unknown> => {
  const { jobs } = (await read('/api/jobs?limit=200')) as { jobs: { id: string; lastSeq: number }[] };
  const logs = (await Promise.all(jobs.map((j) => read(`/api/jobs/${j.id}`)))) as { entries: Entry[] }[];
  const entries = logs.flatMap((l) => l.entries).filter((e) => e.kind !== 'opened' && e.kind !== 'rules');
  const kinds = [...new Set(entries.map((e) => e.kind))];
  const byKind = new Map(kinds.map((k) => [k, entries.filter((e) => e.kind === k)]));
  const { records: tires } = (await read('/api/records/tires?limit=5')) as { records: object[] };
  const { machine, wheels } = (await read('/api/machines/m-orrin')) as { machine: object; wheels: object[] };
  const entryOf = (n: number): object => {
    const its = byKind.get(kinds[n % kinds.length]!)!;
    const { seq: _seq, at: _at, replaces: _replaces, ...body } = its[n % its.length]!;
    return { ...body, id: `fuzz-${n}` };
  };
  return (path, n) => {
    if (path.endsWith('/entries') && path.startsWith('/api/jobs'))
      return { expectedSeq: null, entries: [entryOf(n)], waitedS: n % 3 };
    if (path.startsWith('/api/visits/'))
      return { expectedSeq: null, entries: [{ id: `v-${n}`, who: 'x', kind: 'note', data: { text: 'x' } }] };
    if (path === '/api/visits')
      return {
        id: `visit-${n}`,
        machineId: 'm-orrin',
        who: 'x',
        wheels: [{ jobId: `j-${n}`, wheelId: 'w-orrin-f' }],
        wanted: 'x',
        dueAt: null,
      };
    if (path === '/api/jobs') return { id: `job-${n}`, machineId: 'm-orrin', wheelId: 'w-orrin-f', who: 'x' };
    if (path === '/api/machines')
      return { machine: { ...machine, id: `m-${n}` }, wheels: wheels.map((w) => ({ ...w, machineId: `m-${n}` })) };
    if (path.startsWith('/api/records')) return { ...tires[n % tires.length], id: `t-${n}` };
    if (path.startsWith('/api/workings')) return WORKINGS[n % WORKINGS.length]!.example;
    if (path.startsWith('/api/rules')) return { value: 1, note: '', who: 'x', reason: 'x' };
    if (path.startsWith('/api/people')) return { name: 'x', pace: 'by station' };
    return { name: 'x', who: 'x', id: `x-${n}`, count: 1, at: '2026-04-30', jobId: null, tab: 't' };
  };
};

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
const ANY_ID = ['demo-job-1', 'demo-job-21', 'demo-job-22', 'w-orrin-f', 'm-orrin', 't-1', 'nothing'];
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

test('whatever is asked of whichever route, no answer is a fault of the server, and every paper can still be made', async () => {
  const all = routes();
  expect(all.length).toBeGreaterThan(55);
  const entries = all.find((r) => r.method === 'POST' && r.path === '/api/jobs/:id/entries')!;
  const light = all.filter((r) => !HEAVY.includes(r.path));
  const rare = howMany(light, all);
  // One in three writes into a log; what takes seconds to work out comes seldom.
  const routeOf = (i: number): Route =>
    i % 3 === 0 ? entries : i % RARE === 1 ? rare[Math.floor(i / RARE) % rare.length]! : light[i % light.length]!;
  const bodyOf = await bodies();
  const asked = howMany(700, 100_000);
  const seed = howMany(17, Date.now() % 1_000_000);
  const draws = fc.sample(
    fc.record({
      n: fc.nat(),
      path: fc.nat(100_000),
      by: fc.oneof(fc.constantFrom(...NASTY), fc.jsonValue({ maxDepth: 2 })),
      isWhole: fc.nat(4),
    }),
    { numRuns: asked, seed },
  );
  const counts = new Map<number, number>();
  const faults: string[] = [];
  const ask = async ({ n, path: at, by, isWhole }: (typeof draws)[number], i: number): Promise<void> => {
    const { method, path } = routeOf(i);
    const filled = path.replace(/:(\w+)/g, (_, key: string) => {
      const from = n % 6 === 0 ? NASTY_TEXTS : (IDS[key] ?? ID_OF[path.split('/')[2]!] ?? ANY_ID);
      return encodeURIComponent(from[(n >> 3) % from.length]!);
    });
    const query =
      n % 3 === 0
        ? `?${new URLSearchParams({ [QUERY_KEYS[at % QUERY_KEYS.length]!]: NASTY_TEXTS[n % NASTY_TEXTS.length]! })}`
        : '';
    const init: RequestInit = { method };
    if (method !== 'GET') {
      const whole = bodyOf(path, i) as Record<string, unknown>;
      if ('expectedSeq' in whole) {
        const row = db
          .prepare('SELECT last_seq AS seq FROM jobs WHERE id = ?')
          .get(decodeURIComponent(filled.split('/')[3] ?? '')) as { seq: number } | undefined;
        whole.expectedSeq = row?.seq ?? 0;
      }
      const body = JSON.stringify(isWhole < 2 ? whole : spoiled(whole, at, by));
      const types = [
        'application/json',
        'application/json',
        'application/json',
        'application/json',
        'application/json',
        'application/json',
        'application/json',
        'text/csv',
        'image/png',
        'application/x-ndjson',
      ];
      Object.assign(init, { body, headers: { 'content-type': types[n % types.length] } });
    }
    const answer = await fetch(url + filled + query, init);
    await answer.arrayBuffer();
    counts.set(answer.status, (counts.get(answer.status) ?? 0) + 1);
    if (answer.status >= 500)
      faults.push(`${answer.status} ${method} ${filled}${query} ${String(init.body).slice(0, 300)}`);
  };
  for (let from = 0; from < draws.length; from += 20)
    await Promise.all(draws.slice(from, from + 20).map((draw, i) => ask(draw, from + i)));
  console.log(
    `${asked} requests, seed ${seed}: ${[...counts]
      .sort()
      .map(([s, c]) => `${c} × ${s}`)
      .join(', ')}`,
  );
  expect(faults).toEqual([]);
  // Not all was refused: much was taken, and written.
  expect(counts.get(200)! + counts.get(201)!).toBeGreaterThan(asked / 10);
  expect(counts.get(201)).toBeGreaterThan(asked / 50);
  // What was taken breaks no log, list or paper.
  const { jobs } = (await read('/api/jobs?limit=200')) as { jobs: { id: string }[] };
  for (const { id } of jobs)
    for (const what of ['', '/card.pdf', '/log.csv', '/rechecks.ics', '/visit'])
      expect([id, what, (await fetch(`${url}/api/jobs/${encodeURIComponent(id)}${what}`)).status]).toEqual([
        id,
        what,
        200,
      ]);
  for (const path of [
    '/api/health',
    '/api/shop',
    '/api/visits',
    '/api/rechecks.ics',
    '/api/order-list.csv',
    '/api/knows',
  ])
    expect([path, (await fetch(url + path)).status]).toEqual([path, 200]);
  expect(db.pragma('integrity_check', { simple: true })).toBe('ok');
}, 10_800_000);
