import type { Line } from '../../core/reports/exchange';
import { SHOP_FORMAT, SHOP_FORMAT_VERSION, type FileOf } from '../../core/reports/exchange';
import type { KeptEntry } from '../../core/job';
import { tryInput } from '../../core/base/errors';
import { checkRuleValue, DEFAULT_RULES } from '../../core/base/rules';
import { RECORD_KINDS, type RecordKind } from '../../core/shop/records';
import type { KeptVisitEntry } from '../../core/shop/visit';
import type { Db } from '../db/open-db';
import { recordReader } from '../db/record-store';
import { NotFound } from '../errors';

interface LogRow {
  id: string;
  at: string;
  who: string;
  station?: string;
  kind: string;
  data: string;
  replaces?: string | null;
  arrivedAt?: string | null;
}

const toEntry = ({ data, replaces, arrivedAt, ...row }: LogRow) => ({
  ...row,
  data: JSON.parse(data) as object,
  ...(replaces ? { replaces } : {}),
  ...(arrivedAt ? { arrivedAt } : {}),
});

/** The first line of a file. */
const heading = (db: Db, of: FileOf): Line => {
  const name =
    db.prepare<[], string>("SELECT value FROM settings WHERE key = 'shop-name'").pluck().get() ??
    '';
  return { line: 'shop', format: SHOP_FORMAT, version: SHOP_FORMAT_VERSION, of, name };
};

/** A visit and a job, by their ids, as lines. */
const logLines = (db: Db) => {
  const visitLog = db.prepare<[string], LogRow>(
    'SELECT id, at, who, kind, data FROM visit_entries WHERE visit_id = ? ORDER BY seq',
  );
  const jobLog = db.prepare<[string], LogRow>(
    `SELECT id, at, who, station, kind, data, replaces, arrived_at AS arrivedAt FROM entries WHERE job_id = ? ORDER BY seq`,
  );
  const job = db.prepare<[string], { id: string; number: number; visitId: string | null }>(
    'SELECT id, number, visit_id AS visitId FROM jobs WHERE id = ?',
  );
  const taken = db.prepare<[string], { kind: RecordKind; stockId: string; count: number }>(
    'SELECT kind, stock_id AS stockId, count FROM taken WHERE job_id = ? ORDER BY kind, stock_id',
  );
  const fitted = db.prepare<[string], { before: string; after: string | null; place: number }>(
    'SELECT before, after, place FROM fitted WHERE job_id = ?',
  );
  const fittedOf = (id: string) => {
    const row = fitted.get(id);
    if (!row) return null;
    const after = row.after === null ? null : (JSON.parse(row.after) as object);
    return { before: JSON.parse(row.before) as object, after, place: row.place };
  };
  return {
    visit: (id: string): Line => ({
      line: 'visit',
      id,
      entries: visitLog.all(id).map(toEntry) as KeptVisitEntry[],
    }),
    /** `withShelf`: also what its hand-over moved, which says something in its own shop alone. */
    job: (id: string, withShelf: boolean): Line => ({
      line: 'job',
      ...job.get(id)!,
      entries: jobLog.all(id).map(toEntry) as KeptEntry[],
      taken: withShelf ? taken.all(id) : [],
      fitted: withShelf ? fittedOf(id) : null,
    }),
  };
};

/** The rules that the shop has changed, as far as they are rules of this program. */
const ruleLines = (db: Db): Line[] =>
  db
    .prepare<[], Omit<Line<'rule'>, 'line' | 'value'> & { value: string }>(
      'SELECT key, value, note, changed_by AS changedBy, reason, changed_at AS changedAt FROM rules ORDER BY key',
    )
    .all()
    .map((row) => ({
      line: 'rule' as const,
      ...row,
      value: JSON.parse(row.value) as number | string,
    }))
    .filter(({ key, value }) =>
      DEFAULT_RULES.some(
        (rule) => rule.key === key && tryInput(() => checkRuleValue(rule, value)).ok,
      ),
    );

/**
 * Everything that a shop keeps, line by line in one order, so that the same shop always makes the
 * same file.
 */
export function* shopLines(db: Db): Generator<Line> {
  yield heading(db, 'shop');
  yield* db
    .prepare<[], Line<'person'>>(
      `SELECT 'person' AS line, name, role, pace FROM people ORDER BY name`,
    )
    .all();
  yield* ruleLines(db);
  for (const row of db
    .prepare<[], Omit<Line<'rule-change'>, 'from' | 'to'> & { old: string; new: string }>(
      `SELECT 'rule-change' AS line, key, old_value AS old, new_value AS new, changed_by AS changedBy, reason,
         changed_at AS changedAt FROM rule_changes ORDER BY id`,
    )
    .all()) {
    const { old, new: to, line, key, ...rest } = row;
    yield { line, key, from: JSON.parse(old) as string, to: JSON.parse(to) as string, ...rest };
  }
  const records = recordReader(db);
  for (const kind of RECORD_KINDS)
    for (const record of records.list(kind)) yield { line: 'record', kind, record };
  const logs = logLines(db);
  const visitIds = db
    .prepare<[], string>('SELECT id FROM visits ORDER BY opened_at, id')
    .pluck()
    .all();
  for (const id of visitIds) yield logs.visit(id);
  const jobIds = db.prepare<[], string>('SELECT id FROM jobs ORDER BY number').pluck().all();
  for (const id of jobIds) yield logs.job(id, true);
  for (const row of db
    .prepare<[], Omit<Line<'order'>, 'jobIds' | 'came'> & { jobIds: string; came: 0 | 1 | null }>(
      `SELECT 'order' AS line, id, what, stock_id AS stockId, count, supplier, job_ids AS jobIds,
         ordered_at AS orderedAt, ordered_by AS orderedBy, closed_at AS closedAt, closed_by AS closedBy, came
       FROM orders ORDER BY ordered_at, id`,
    )
    .all())
    yield {
      ...row,
      jobIds: JSON.parse(row.jobIds) as string[],
      came: row.came === null ? null : row.came === 1,
    };
  for (const row of db
    .prepare<[], Omit<Line<'practice'>, 'acts' | 'good'> & { acts: string; good: 0 | 1 }>(
      `SELECT 'practice' AS line, id, who, at, kind, level, seed, acts, good, cost, advised_cost AS advisedCost,
         took_s AS tookS
       FROM practice_runs ORDER BY at, id`,
    )
    .all())
    yield { ...row, acts: JSON.parse(row.acts) as unknown[], good: row.good === 1 };
  for (const row of db
    .prepare<[], Omit<Line<'change'>, 'fields'> & { fields: string }>(
      `SELECT 'change' AS line, at, who, kind, of, name, fields FROM changes ORDER BY id`,
    )
    .all())
    yield { ...row, fields: JSON.parse(row.fields) as Line<'change'>['fields'] };
}

/** One job with its visit, its machine and its wheel. Throws `NotFound` where there is none. */
export function* jobLines(db: Db, jobId: string): Generator<Line> {
  const ids = db
    .prepare<[string], { machineId: string; wheelId: string; visitId: string | null }>(
      'SELECT machine_id AS machineId, wheel_id AS wheelId, visit_id AS visitId FROM jobs WHERE id = ?',
    )
    .get(jobId);
  if (!ids) throw new NotFound('Job not found.');
  yield heading(db, 'job');
  const records = recordReader(db);
  yield { line: 'record', kind: 'machines', record: records.find('machines', ids.machineId)! };
  yield { line: 'record', kind: 'wheels', record: records.find('wheels', ids.wheelId)! };
  const logs = logLines(db);
  if (ids.visitId !== null) yield logs.visit(ids.visitId);
  yield logs.job(jobId, false);
}

/** All that is kept of a rider by this name: machines with their wheels, visits and jobs. */
export function* riderLines(db: Db, rider: string): Generator<Line> {
  yield heading(db, 'rider');
  const records = recordReader(db);
  const machineIds = db
    .prepare<{ rider: string }, string>(
      `SELECT id FROM machines WHERE rider = @rider UNION SELECT machine_id FROM jobs WHERE rider = @rider ORDER BY 1`,
    )
    .pluck()
    .all({ rider });
  for (const id of machineIds) {
    const machine = records.find('machines', id)!;
    // Whose it is now is nothing of theirs.
    const record = machine.rider === rider ? machine : { ...machine, rider, note: '' };
    yield { line: 'record', kind: 'machines', record };
  }
  const wheelIds = db
    .prepare<[string], string>('SELECT id FROM wheels WHERE machine_id = ? ORDER BY id')
    .pluck();
  for (const machineId of machineIds)
    for (const id of wheelIds.all(machineId))
      yield { line: 'record', kind: 'wheels', record: records.find('wheels', id)! };
  const logs = logLines(db);
  const idsOf = (table: string, order: string) =>
    db
      .prepare<[string], string>(`SELECT id FROM ${table} WHERE rider = ? ORDER BY ${order}`)
      .pluck()
      .all(rider);
  const visitIds = new Set(idsOf('visits', 'opened_at, id'));
  for (const id of visitIds) yield logs.visit(id);
  for (const id of idsOf('jobs', 'number')) {
    const job = logs.job(id, false) as Line<'job'>;
    yield {
      ...job,
      visitId: job.visitId !== null && visitIds.has(job.visitId) ? job.visitId : null,
    };
  }
}
