import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { isMainThread, parentPort, Worker, workerData } from 'node:worker_threads';
import { WORKINGS } from '../../src/core/workings';
import { startedServer } from '../started-server';

/**
 * How long others wait while one client asks for the same thing again and again, as fast as it can:
 * the health of the server meanwhile, the median and the 99th of a hundred, in ms. Prints; judges
 * nothing.
 */
const TIMES = 100;
const AT_ONCE = 8;
/** Between two looks at the health. */
const PAUSE_MS = 10;
const WIDE = 120_000;

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms));

type Hammer = readonly [says: string, ask: (url: string, n: number) => Promise<Response>];

const post = (url: string, body: unknown, type = 'application/json', method = 'POST') =>
  fetch(url, {
    method,
    headers: { 'content-type': type },
    body: typeof body === 'string' ? body : JSON.stringify(body),
  });
const example = (name: string) => WORKINGS.find((w) => w.name === name)!.example;

const HAMMERS: readonly Hammer[] = [
  ['nobody', () => pause(50).then(() => new Response())],
  ['the list of jobs', (url) => fetch(`${url}/api/jobs?limit=200`)],
  ['a search', (url, n) => fetch(`${url}/api/jobs?search=a${n % 10}`)],
  ['the shop', (url) => fetch(`${url}/api/shop`)],
  ['a job’s card', (url) => fetch(`${url}/api/jobs/demo-job-20/card.pdf`)],
  ['the rider’s sheet', (url) => fetch(`${url}/api/visits/demo-job-20/paper.pdf`)],
  ['the log as CSV', (url) => fetch(`${url}/api/jobs/demo-job-20/log.csv`)],
  ['the day’s plan', (url) => fetch(`${url}/api/day-plan`)],
  ['the catalog', (url) => fetch(`${url}/api/workings`)],
  [
    'advice on balance',
    (url) => post(`${url}/api/workings/balance-advise`, example('balance-advise')),
  ],
  [
    'placing of weights',
    (url) => post(`${url}/api/workings/balance-place`, example('balance-place')),
  ],
  [
    'a CSV of 120,000 columns',
    (url) => post(`${url}/api/records/tires/import`, `${'a,'.repeat(WIDE)}a\n`, 'text/csv'),
  ],
  [
    'a CSV with one long cell',
    (url) =>
      post(`${url}/api/records/tires/import`, `marking\n"${'x'.repeat(3_000_000)}"\n`, 'text/csv'),
  ],
  [
    'bodies that are too large',
    (url) => post(`${url}/api/people`, { name: 'x'.repeat(1_000_000) }),
  ],
  [
    'practice rounds that are refused',
    (url, n) => post(`${url}/api/practice`, { id: `p-${n}`, who: 'Juna Birk', wheel: 1, acts: [] }),
  ],
  ['new fitters', (url, n) => post(`${url}/api/people`, { name: `Fitter ${n % 50}` })],
];

/** Asks again and again until it is told to stop; then what it was answered, by status. */
const hammer = async ({ url, kind }: { url: string; kind: number }) => {
  const [, ask] = HAMMERS[kind]!;
  let isOver = false;
  parentPort!.once('message', () => (isOver = true));
  const statuses = new Map<number, number>();
  const hand = async (from: number) => {
    for (let n = from; !isOver; n += AT_ONCE) {
      const answer = await ask(url, n).catch(() => null);
      await answer?.arrayBuffer().catch(() => undefined);
      const status = answer?.status ?? 0;
      statuses.set(status, (statuses.get(status) ?? 0) + 1);
    }
  };
  await Promise.all(Array.from({ length: AT_ONCE }, (_, i) => hand(i)));
  parentPort!.postMessage([...statuses].map(([s, c]) => `${c} × ${s}`).join(', '));
};

/**
 * The hammering client has a thread of its own: what it takes of its time is not counted as the
 * server's.
 */
const hammered = async (
  url: string,
  kind: number,
  meanwhile: () => Promise<void>,
): Promise<string> => {
  const client = new Worker(__filename, { workerData: { url, kind } });
  const told = new Promise<string>((done) => client.once('message', done));
  await pause(600);
  await meanwhile();
  client.postMessage('stop');
  const answered = await Promise.race([told, pause(40_000).then(() => 'still waiting')]);
  await client.terminate();
  return answered;
};

const measure = async () => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-health-'));
  const file = join(dir, 'shop.sqlite');
  spawnSync('node', ['dist/server/fill-demo.cjs', file]);
  const { url, stop } = await startedServer(file);
  console.log(
    `while ${AT_ONCE} requests of one kind are always under way: health in ms, median and 99th of ${TIMES}`,
  );
  try {
    for (const [kind, [says]] of HAMMERS.entries()) {
      const ms: number[] = [];
      const told = await hammered(url, kind, async () => {
        for (let i = 0; i < TIMES; i++) {
          const began = performance.now();
          await (await fetch(`${url}/api/health`)).arrayBuffer();
          ms.push(performance.now() - began);
          await pause(PAUSE_MS);
        }
      });
      ms.sort((a, b) => a - b);
      const [median, most] = [ms[TIMES / 2]!, ms[TIMES - 2]!].map((m) => m.toFixed(1).padStart(7));
      console.log(`  ${says.padEnd(28)} ${median} ${most}   ${told}`);
    }
  } finally {
    stop();
    rmSync(dir, { recursive: true, force: true });
  }
};

void (isMainThread ? measure() : hammer(workerData as { url: string; kind: number }));
