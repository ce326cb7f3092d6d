import { spawnSync } from 'node:child_process';
import Database from 'better-sqlite3';

/**
 * Jobs of the demo that are written again and again, and one that someone wrote very much into.
 */
export const DEMO_JOBS = 20;
export const LONG_LOG = 'demo-job-22';
const LONG = 1950;

const WORDS = [
  'Alder',
  'Birch',
  'Cinder',
  'Dapple',
  'Ember',
  'Fallow',
  'Gorse',
  'Heath',
  'Isle',
  'Juniper',
  'Kelp',
];
export const word = (n: number): string => WORDS[n % WORDS.length]!;

/** How many records of a kind a shop has by then. */
const PER_MACHINE = { machines: 1, wheels: 2.4, tires: 1 } as const;

/**
 * The demo shop with its handed-over jobs written again and again, each log whole, under names of
 * their own; and so many machines, with wheels and tires in the proportion of a shop.
 */
export const manyJobs = (file: string, jobs: number, machines: number): void => {
  spawnSync('node', ['dist/server/fill-demo.cjs', file]);
  const db = new Database(file);
  db.pragma('synchronous = OFF');
  const ids = db
    .prepare('SELECT id FROM jobs WHERE handed_over = 1 ORDER BY number LIMIT ?')
    .pluck()
    .all(DEMO_JOBS);
  const copy = (table: string, change: Record<string, string>, where: string) => {
    const columns = db
      .prepare(`SELECT name FROM pragma_table_info('${table}')`)
      .pluck()
      .all() as string[];
    const picked = columns.map((c) => change[c] ?? c).join(', ');
    return db.prepare(
      `INSERT INTO ${table} (${columns.join(', ')}) SELECT ${picked} FROM ${table} WHERE ${where}`,
    );
  };
  const jobId = "@job || '-' || @n";
  const later = "strftime('%Y-%m-%dT%H:%M:%fZ', opened_at, '-' || @n || ' hours')";
  const inserts = [
    copy(
      'visits',
      { id: jobId, opened_at: later, search: "search || ' ' || lower(@word) || @n" },
      'id = @job',
    ),
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
    copy('visit_entries', { visit_id: jobId, id: "id || '-' || @n" }, 'visit_id = @job'),
    copy('entries', { job_id: jobId, id: "id || '-' || @n" }, 'job_id = @job'),
    copy(
      'station_times',
      { job_id: jobId, number: `(SELECT number FROM jobs WHERE id = ${jobId})` },
      'job_id = @job',
    ),
  ];
  const idsOf = (kind: string) => db.prepare(`SELECT id FROM ${kind}`).pluck().all() as string[];
  const own = { id: "@job || '-' || @n" };
  const records = {
    machines: copy(
      'machines',
      { ...own, name: "name || ' ' || @word || @n", rider: "rider || ' ' || @n" },
      'id = @job',
    ),
    wheels: copy('wheels', { ...own, machine_id: "machine_id || '-' || (@n / 2)" }, 'id = @job'),
    tires: copy('tires', { ...own, pattern: "pattern || ' ' || @word" }, 'id = @job'),
  };
  db.transaction(() => {
    for (const [kind, insert] of Object.entries(records)) {
      const known = idsOf(kind);
      const wanted = machines * PER_MACHINE[kind as keyof typeof PER_MACHINE];
      db.pragma('defer_foreign_keys = ON');
      for (let i = known.length; i < wanted; i++)
        insert.run({
          job: known[i % known.length],
          n: BigInt(Math.floor(i / known.length)),
          word: word(i),
        });
    }
    // A wheel stands on a machine that is there.
    db.prepare(
      "UPDATE wheels SET machine_id = 'm-orrin' WHERE machine_id NOT IN (SELECT id FROM machines)",
    ).run();
    // The program puts all of them into words when it is started on a shop that has none.
    db.exec('DELETE FROM record_texts; DELETE FROM record_words');
    for (let i = DEMO_JOBS; i < jobs; i++) {
      const bind = { job: ids[i % ids.length], n: BigInt(i), word: word(i) };
      for (const insert of inserts) insert.run(bind);
    }
    // What a new program works out once for an old shop was worked out when these jobs were new.
    db.prepare("INSERT INTO settings (key, value) VALUES ('rechecks', 'done')").run();
    const { seq } = db.prepare('SELECT last_seq AS seq FROM jobs WHERE id = ?').get(LONG_LOG) as {
      seq: number;
    };
    const note = db.prepare(
      `INSERT INTO entries (job_id, seq, id, at, who, station, kind, data)
       SELECT ?, ?, ?, last_at, 'Juna Birk', 'inspect', 'note', '{"text":"x"}' FROM jobs WHERE id = ?`,
    );
    for (let n = 1; n <= LONG; n++) note.run(LONG_LOG, seq + n, `long-${n}`, LONG_LOG);
    db.prepare('UPDATE jobs SET last_seq = ? WHERE id = ?').run(seq + LONG, LONG_LOG);
  })();
  db.close();
};
