import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { performance } from 'node:perf_hooks';
import Database from 'better-sqlite3';
import { startedServer } from '../started-server';

/**
 * A shop of many years, made of the demo's own jobs many times over, and what it takes to list, search, read and write:
 * medians and the 99th of a hundred, beside the same with a thousand jobs. `BENCH_JOBS` says how many. Prints; judges
 * nothing.
 */
const JOBS = Number(process.env.BENCH_JOBS ?? 20_000);
const FEW = 1000;
const TIMES = 100;
/** So many before, that do not count: a program that has just started is slow. */
const WARM = 40;
const DEMO_JOBS = 20;
/** A job that somebody wrote very much into. */
const LONG_LOG = 'demo-job-22';
const LONG = 1950;

const WORDS = ['Alder', 'Birch', 'Cinder', 'Dapple', 'Ember', 'Fallow', 'Gorse', 'Heath', 'Isle', 'Juniper', 'Kelp'];
const word = (n: number): string => WORDS[n % WORDS.length]!;

/** The demo shop with its handed-over jobs written again and again, each log whole, under names of their own. */
const shopOf = (file: string, jobs: number): void => {
  spawnSync('node', ['dist/server/fill-demo.cjs', file]);
  const db = new Database(file);
  db.pragma('synchronous = OFF');
  const ids = db.prepare('SELECT id FROM jobs WHERE handed_over = 1 ORDER BY number LIMIT ?').pluck().all(DEMO_JOBS);
  const copy = (table: string, change: Record<string, string>, where: string) => {
    const columns = db.prepare(`SELECT name FROM pragma_table_info('${table}')`).pluck().all() as string[];
    const picked = columns.map((c) => change[c] ?? c).join(', ');
    return db.prepare(`INSERT INTO ${table} (${columns.join(', ')}) SELECT ${picked} FROM ${table} WHERE ${where}`);
  };
  const jobId = "@job || '-' || @n";
  const later = "strftime('%Y-%m-%dT%H:%M:%fZ', opened_at, '-' || @n || ' hours')";
  const inserts = [
    copy('visits', { id: jobId, opened_at: later, search: "search || ' ' || lower(@word) || @n" }, 'id = @job'),
    copy(
      'jobs',
      {
        id: jobId,
        number: '(SELECT max(number) + 1 FROM jobs)',
        visit_id: jobId,
        opened_at: later,
        search: "search || ' ' || lower(@word) || @n",
      },
      'id = @job',
    ),
    copy('entries', { job_id: jobId, id: "id || '-' || @n" }, 'job_id = @job'),
    copy('station_times', { job_id: jobId, number: `(SELECT number FROM jobs WHERE id = ${jobId})` }, 'job_id = @job'),
  ];
  db.transaction(() => {
    for (let i = DEMO_JOBS; i < jobs; i++) {
      const bind = { job: ids[i % ids.length], n: i, word: word(i) };
      for (const insert of inserts) insert.run(bind);
    }
    // What a new program works out once for an old shop was worked out when these jobs were new.
    db.prepare("INSERT INTO settings (key, value) VALUES ('rechecks', 'done')").run();
    const { seq } = db.prepare('SELECT last_seq AS seq FROM jobs WHERE id = ?').get(LONG_LOG) as { seq: number };
    const note = db.prepare(
      `INSERT INTO entries (job_id, seq, id, at, who, station, kind, data)
       SELECT ?, ?, ?, last_at, 'Juna Birk', 'inspect', 'note', '{"text":"x"}' FROM jobs WHERE id = ?`,
    );
    for (let n = 1; n <= LONG; n++) note.run(LONG_LOG, seq + n, `long-${n}`, LONG_LOG);
    db.prepare('UPDATE jobs SET last_seq = ? WHERE id = ?').run(seq + LONG, LONG_LOG);
  })();
  db.close();
};

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

const measured = async (jobs: number) => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-scale-'));
  const file = join(dir, 'shop.sqlite');
  try {
    shopOf(file, jobs);
    const began = performance.now();
    const { url, stop } = await startedServer(file);
    const startMs = performance.now() - began;
    try {
      const get = (path: string) => fetch(url + path);
      const last = Math.floor((jobs - 50) / 50) * 50;
      const noteIn = async (job: string) => {
        let seq = ((await (await get(`/api/jobs/${job}`)).json()) as { job: { lastSeq: number } }).job.lastSeq;
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
        'search, a part and a number': await timesOf((i) => get(`/api/jobs?limit=50&search=rin+${(i * 37) % jobs}`)),
        'search, two letters': await timesOf(() => get('/api/jobs?limit=50&search=90')),
        'search, nothing found': await timesOf(() => get('/api/jobs?limit=50&search=nowhere')),
        'one job': await timesOf((i) => get(`/api/jobs/demo-job-${1 + (i % DEMO_JOBS)}`)),
        'a note on a log of 90': await timesOf(await noteIn('demo-job-21')),
        'a note on a log of 2000': await timesOf(await noteIn(LONG_LOG)),
        today: await timesOf(() => get('/api/visits?state=open&limit=200')),
        shop: await timesOf(() => get('/api/shop')),
      };
      return { rows, startMs, MB: statSync(file).size / 1e6 };
    } finally {
      stop();
    }
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
};

void (async () => {
  const few = await measured(FEW);
  const many = await measured(JOBS);
  console.log(`${FEW} jobs: ${few.MB.toFixed(0)} MB, starts in ${few.startMs.toFixed(0)} ms`);
  console.log(`${JOBS} jobs: ${many.MB.toFixed(0)} MB, starts in ${many.startMs.toFixed(0)} ms`);
  console.log(`median ms at ${FEW} and ${JOBS} jobs (99th of ${TIMES}), how many times as long, kB of the answer`);
  for (const [name, at] of Object.entries(many.rows)) {
    const before = few.rows[name as keyof typeof few.rows];
    console.log(
      `  ${name.padEnd(30)} ${before.median.toFixed(1).padStart(7)} ${at.median.toFixed(1).padStart(7)} (${at.most.toFixed(1)})  × ${(at.median / before.median).toFixed(1)}  ${at.kB.toFixed(0)} kB`,
    );
  }
})();
