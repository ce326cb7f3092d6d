import { setImmediate as others } from 'node:timers/promises';
import { keptEntrySchema, type EntryKind } from '../../core/job';
import { ENTRY_KINDS } from '../../core/job';
import { withoutWords, wordsPattern } from '../../core/shop/riders';
import { RECORD_KINDS, recordSchema, type RecordKind } from '../../core/shop/records';
import { keptVisitEntrySchema, VISIT_ENTRY_KINDS } from '../../core/shop/visit';
import { jobStores } from '../db/job-store';
import type { Db } from '../db/open-db';
import { ruleStore } from '../db/rule-store';
import { shopStore } from '../db/shop-store';
import { visitLog } from '../db/visit-log';
import { freeTexts, textsChanged } from './free-texts';

/** Others are answered after so long. */
const AT_ONCE_MS = 8;
const SEARCHES = [
  'job_words',
  'job_parts',
  'record_words',
  'record_parts',
  'visit_words',
  'visit_parts',
];
/** Texts of tables that are no logs and no records. */
const COLUMNS: readonly (readonly [table: string, column: string])[] = [
  ['orders', 'what'],
  ['orders', 'supplier'],
  ['rules', 'note'],
  ['rules', 'reason'],
  ['rule_changes', 'reason'],
  ['changes', 'name'],
  ['visits', 'rider'],
  ['visits', 'machine_name'],
  ['jobs', 'rider'],
  ['jobs', 'machine_name'],
];

interface LogRow {
  log: string;
  seq: number;
  kind: string;
  data: string;
}

/**
 * The texts of a changed record that may hold a name: the free texts of its kind, each as it was
 * and as it is.
 */
const recordPaths = (kind: string) =>
  (RECORD_KINDS as readonly string[]).includes(kind)
    ? freeTexts(recordSchema(kind as RecordKind)).map(([key, ...rest]) => [key!, '*', ...rest])
    : [];

/**
 * Runs while nothing guards the logs: they are changed this once, in a copy that no one reads yet.
 */
const unguarded = async (db: Db, run: () => Promise<void>): Promise<void> => {
  const guards = db
    .prepare<[], { name: string; sql: string }>(
      "SELECT name, sql FROM sqlite_schema WHERE type = 'trigger' AND name LIKE '%are_never_%'",
    )
    .all();
  for (const { name } of guards) db.exec(`DROP TRIGGER ${name}`);
  await run();
  for (const { sql } of guards) db.exec(sql);
};

/**
 * Takes a rider's name, and other words of theirs, out of a database: every free text of records,
 * logs and what is kept beside them. What was measured stays. It is to be a copy; once this is done
 * no index holds the name either, and a `VACUUM` leaves no page that does. `at` ISO 8601. Returns
 * how many records and entries said it.
 */
export const forgetRider = async (
  db: Db,
  words: readonly string[],
  at: string,
): Promise<{ records: number; entries: number }> => {
  const pattern = wordsPattern(words);
  const change = (text: string): string => withoutWords(text, pattern);
  const told = { records: 0, entries: 0 };
  let sinceMs = performance.now();
  const pause = async (): Promise<void> => {
    if (performance.now() - sinceMs < AT_ONCE_MS) return;
    await others();
    sinceMs = performance.now();
  };
  db.pragma('secure_delete = ON');
  const shop = shopStore(db);
  const { jobs, rechecks } = jobStores(db, shop, ruleStore(db));
  const visits = visitLog(db);

  const inRecords = async (): Promise<void> => {
    for (const kind of RECORD_KINDS) {
      const paths = freeTexts(recordSchema(kind));
      for (const record of shop.records.list(kind)) {
        const now = textsChanged(record, paths, change);
        await pause();
        if (JSON.stringify(now) === JSON.stringify(record)) continue;
        shop.records.change(kind, now);
        told.records++;
      }
    }
  };

  /** Changes the entries of a table of logs; says which logs. */
  const inLogs = async (
    table: string,
    id: string,
    pathsOf: (kind: string) => string[][],
  ): Promise<Set<string>> => {
    const ids = db.prepare<[], string>(`SELECT DISTINCT ${id} FROM ${table}`).pluck().all();
    const rows = db.prepare<[string], LogRow>(
      `SELECT ${id} AS log, seq, kind, data FROM ${table} WHERE ${id} = ?`,
    );
    const put = db.prepare(`UPDATE ${table} SET data = ? WHERE ${id} = ? AND seq = ?`);
    const changed = new Set<string>();
    for (const log of ids) {
      for (const { seq, kind, data } of rows.all(log)) {
        const now = JSON.stringify(textsChanged(JSON.parse(data) as object, pathsOf(kind), change));
        if (now === data) continue;
        put.run(now, log, seq);
        changed.add(log);
        told.entries++;
      }
      await pause();
    }
    return changed;
  };
  const pathsBy = <K extends string>(
    kinds: readonly K[],
    schema: (kind: K) => Parameters<typeof freeTexts>[0],
  ) => {
    const known = new Map<string, string[][]>(
      kinds.map((kind) => [
        kind,
        freeTexts(schema(kind))
          .filter(([first]) => first === 'data')
          .map(([, ...path]) => path),
      ]),
    );
    return (kind: string): string[][] => known.get(kind) ?? [];
  };

  const inColumns = (): void => {
    for (const [table, column] of COLUMNS) {
      const put = db.prepare(`UPDATE ${table} SET ${column} = ? WHERE ${column} = ?`);
      const texts = db
        .prepare<[], string | null>(`SELECT DISTINCT ${column} FROM ${table}`)
        .pluck()
        .all();
      for (const text of texts)
        if (text !== null && change(text) !== text) put.run(change(text), text);
    }
    const put = db.prepare('UPDATE changes SET fields = ? WHERE id = ?');
    for (const { id, kind, fields } of db
      .prepare<[], { id: number; kind: string; fields: string }>(
        'SELECT id, kind, fields FROM changes',
      )
      .all()) {
      const now = JSON.stringify(
        textsChanged(JSON.parse(fields) as object, recordPaths(kind), change),
      );
      if (now !== fields) put.run(now, id);
    }
  };

  await unguarded(db, async () => {
    db.exec('BEGIN');
    await inRecords();
    const jobIds = await inLogs(
      'entries',
      'job_id',
      pathsBy<EntryKind>(ENTRY_KINDS, keptEntrySchema),
    );
    const visitIds = await inLogs(
      'visit_entries',
      'visit_id',
      pathsBy(VISIT_ENTRY_KINDS, keptVisitEntrySchema),
    );
    inColumns();
    rechecks.settleRecords();
    shop.forgotten(at);
    for (const id of visitIds) visits.write(id, [], '');
    for (const id of jobIds) {
      jobs.settleImported(id);
      await pause();
    }
    db.exec('COMMIT');
  });
  // What was deleted from a search index stays in it until its parts are merged.
  for (const table of SEARCHES) db.exec(`INSERT INTO ${table} (${table}) VALUES ('optimize')`);
  return told;
};
