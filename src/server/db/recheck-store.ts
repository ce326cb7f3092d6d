import { createHash } from 'node:crypto';
import { jobDues, type JobState } from '../../core/job';
import { dueOfTool, dueOfWheel, type Due, type RecheckRow } from '../../core/job/recheck';
import { valuesOf, type RuleValues } from '../../core/base/rules';
import type { InstrumentItem, WrenchItem } from '../../core/shop/records';
import { wheelEnd, type Wheel } from '../../core/fit/wheels';
import { NotFound } from '../errors';
import type { Db } from './open-db';
import type { RecordStore } from './record-store';
import type { RuleStore } from './rule-store';

export interface RecheckQuery {
  state: 'open' | 'done';
  search: string;
  /** The first day; older ones are left out. */
  from?: string | undefined;
  limit: number;
  /** The cursor that the page before gave. */
  after?: string | undefined;
}

interface Row extends Omit<RecheckRow, 'tool' | 'closed'> {
  toolKind: 'wrenches' | 'instruments' | null;
  toolId: string | null;
  toolName: string | null;
  closedAt: string | null;
  closedBy: string | null;
  good: 0 | 1 | null;
  found: string | null;
}

const TOOLS = ['wrenches', 'instruments'] as const;
type ToolKind = (typeof TOOLS)[number];

const ROW = `SELECT r.id, r.look, r.what, r.due_on AS dueOn, r.job_id AS jobId, j.number AS jobNumber,
    r.wheel_id AS wheelId, w.position, m.name AS machineName, m.rider, r.tool_kind AS toolKind, r.tool_id AS toolId,
    coalesce(wrench.name, instrument.name) AS toolName, r.closed_at AS closedAt, r.closed_by AS closedBy, r.good,
    r.found, r.passed_by AS passedBy
  FROM rechecks r
    LEFT JOIN jobs j ON j.id = r.job_id
    LEFT JOIN wheels w ON w.id = r.wheel_id
    LEFT JOIN machines m ON m.id = w.machine_id
    LEFT JOIN wrenches wrench ON r.tool_kind = 'wrenches' AND wrench.id = r.tool_id
    LEFT JOIN instruments instrument ON r.tool_kind = 'instruments' AND instrument.id = r.tool_id`;
const MATCHES = 'NOT EXISTS (SELECT 1 FROM json_each(@words) WHERE instr(r.search, value) = 0)';
const OPEN = 'r.closed_at IS NULL AND r.passed_by IS NULL';

const toRow = ({
  toolKind,
  toolId,
  toolName,
  closedAt,
  closedBy,
  good,
  found,
  ...row
}: Row): RecheckRow => ({
  ...row,
  tool: toolKind && toolId ? { kind: toolKind, id: toolId, name: toolName ?? '' } : null,
  closed:
    closedAt === null
      ? null
      : { at: closedAt, by: closedBy ?? '', good: good === 1, found: found ?? '' },
});

/** The id of a row: the same for the same thing, however often it is worked out. */
export const recheckId = (source: string, what: string): string =>
  createHash('sha256').update(`${source} ${what}`).digest('hex').slice(0, 24);

const lower = (...words: (string | null | undefined)[]): string =>
  words.filter(Boolean).join(' ').toLowerCase();

/**
 * The rechecks, recomputed whenever the log or the record that asks for one changes, so that a list
 * is read by an index.
 */
export const recheckStore = (db: Db, records: RecordStore, rules: RuleStore) => {
  const statements = {
    forgetJob: db.prepare('DELETE FROM rechecks WHERE job_id = ?'),
    forgetWheel: db.prepare('DELETE FROM rechecks WHERE wheel_id = ? AND job_id IS NULL'),
    forgetTool: db.prepare('DELETE FROM rechecks WHERE tool_id = ? AND tool_kind = ?'),
    add: db.prepare(
      `INSERT INTO rechecks (id, look, what, due_on, job_id, wheel_id, tool_kind, tool_id, closed_at, closed_by, good,
         found, search)
       VALUES (@id, @look, @what, @onDate, @jobId, @wheelId, @toolKind, @toolId, @closedAt, @closedBy, @good, @found,
         @search)`,
    ),
    // A wheel that came in again was looked at; its tire's age only where it got another tire.
    passWheel: db.prepare(
      `UPDATE rechecks SET passed_by = (
         SELECT min(later.number) FROM jobs AS mine JOIN jobs AS later ON later.wheel_id = mine.wheel_id
         WHERE mine.id = rechecks.job_id AND later.handed_over = 1 AND later.number > mine.number
           AND (rechecks.look <> 'age' OR later.size_on IS NOT NULL))
       WHERE wheel_id = ? AND job_id IS NOT NULL`,
    ),
    one: db.prepare<[string], Row>(`${ROW} WHERE r.id = ?`),
    open: db.prepare<unknown[], Row>(
      `${ROW} WHERE ${OPEN} AND r.due_on >= @from AND (r.due_on, r.id) > (@day, @id) AND ${MATCHES}
       ORDER BY r.due_on, r.id LIMIT @limit`,
    ),
    done: db.prepare<unknown[], Row>(
      `${ROW} WHERE r.closed_at IS NOT NULL AND r.closed_at >= @from AND (r.closed_at, r.id) < (@day, @id) AND ${MATCHES}
       ORDER BY r.closed_at DESC, r.id DESC LIMIT @limit`,
    ),
    ofWheel: db.prepare<[string], Row>(
      `${ROW} WHERE r.wheel_id = ? ORDER BY r.due_on DESC, r.id LIMIT 60`,
    ),
    count: db.prepare<[string], { open: number; overdue: number }>(
      `SELECT count(*) AS open, coalesce(sum(r.due_on < ?), 0) AS overdue FROM rechecks r WHERE ${OPEN}`,
    ),
    readWheels: db.prepare<[], { id: string }>(
      `SELECT id FROM wheels WHERE treads <> '[]' OR pressures <> '[]' OR rollouts <> '[]'
       UNION SELECT wheel_id FROM rechecks WHERE job_id IS NULL AND wheel_id IS NOT NULL`,
    ),
  };
  const NOTHING = {
    jobId: null,
    wheelId: null,
    toolKind: null,
    toolId: null,
    closedAt: null,
    closedBy: null,
    good: null,
    found: null,
  };
  const placard = (wheel: Wheel): number | null => {
    const machine = records.find('machines', wheel.machineId);
    return (
      (wheelEnd(wheel.position) === 'front' ? machine?.placardFrontKpa : machine?.placardRearKpa) ??
      null
    );
  };
  const wordsOf = (wheel: Wheel | undefined) => {
    const machine = wheel && records.find('machines', wheel.machineId);
    return [machine?.name, machine?.rider, wheel?.position];
  };

  const valuesNow = (): RuleValues => valuesOf(rules.list());
  const settleWheel = (wheel: Wheel, values: () => RuleValues): void => {
    statements.forgetWheel.run(wheel.id);
    if (wheel.treads.length + wheel.pressures.length + wheel.rollouts.length === 0) return;
    for (const due of dueOfWheel(wheel, placard(wheel), values()))
      statements.add.run({
        ...NOTHING,
        ...due,
        id: recheckId(`wheel ${wheel.id}`, due.look),
        wheelId: wheel.id,
        search: lower(...wordsOf(wheel), due.what),
      });
  };
  const settleTool = (
    kind: ToolKind,
    tool: { id: string; name: string; archived: boolean; calibratedOn: string | null },
    values: () => RuleValues,
  ): void => {
    statements.forgetTool.run(tool.id, kind);
    for (const due of dueOfTool(tool, values()))
      statements.add.run({
        ...NOTHING,
        ...due,
        id: recheckId(`${kind} ${tool.id}`, due.look),
        toolKind: kind,
        toolId: tool.id,
        search: lower(tool.name, due.what),
      });
  };
  records.watch((kind, record) => {
    if (kind === 'wheels') settleWheel(record as Wheel, valuesNow);
    if (kind === 'wrenches' || kind === 'instruments')
      settleTool(kind, record as WrenchItem | InstrumentItem, valuesNow);
  });

  const peek = (id: string): RecheckRow | null => {
    const row = statements.one.get(id);
    return row ? toRow(row) : null;
  };

  return {
    /** A job was handed over, or written to after it was, or is not handed over anymore. */
    settleJob(jobId: string, jobNumber: number, state: JobState): void {
      statements.forgetJob.run(jobId);
      const wheelId = state.wheel?.id;
      if (wheelId === undefined) return;
      const words = wordsOf(records.find('wheels', wheelId));
      for (const { closed, ...due } of jobDues(state))
        statements.add.run({
          ...NOTHING,
          ...(due satisfies Due),
          id: recheckId(`job ${jobId}`, due.what),
          jobId,
          wheelId,
          closedAt: closed?.at ?? null,
          closedBy: closed?.who ?? null,
          good: closed === null ? null : Number(closed.good),
          found: closed?.found ?? null,
          search: lower(...words, due.what, String(jobNumber)),
        });
      statements.passWheel.run(wheelId);
    },
    /** The shop's rules changed: what records ask for is computed again. */
    settleRecords: db.transaction(() => {
      const values = valuesNow();
      for (const { id } of statements.readWheels.all())
        settleWheel(records.find('wheels', id)!, () => values);
      for (const kind of TOOLS)
        for (const tool of records.list(kind)) settleTool(kind, tool, () => values);
    }),
    peek,
    find(id: string): RecheckRow {
      const row = peek(id);
      if (!row) throw new NotFound('Recheck not found.');
      return row;
    },
    /** The latest of a wheel, open and closed. */
    ofWheel: (wheelId: string): RecheckRow[] => statements.ofWheel.all(wheelId).map(toRow),
    /**
     * A page of them: open ones by their day, closed ones the newest first. `today` for what is
     * overdue.
     */
    list({ state, search, from = '0000', limit, after }: RecheckQuery, today: string) {
      const [day = state === 'open' ? '0000' : '9999', id = ''] = after?.split(' ') ?? [];
      const words = JSON.stringify(search.toLowerCase().split(/\s+/).filter(Boolean));
      const rows = statements[state].all({ from, day, id, words, limit });
      const last = rows.length === limit ? rows.at(-1)! : null;
      const key = last && (state === 'open' ? last.dueOn : last.closedAt);
      return {
        rechecks: rows.map(toRow),
        next: last ? `${key} ${last.id}` : null,
        ...statements.count.get(today)!,
      };
    },
  };
};
export type RecheckStore = ReturnType<typeof recheckStore>;
