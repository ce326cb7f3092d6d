import { LogMovedOn, NotFound } from '../errors';
import {
  foldVisit,
  type VisitEntry,
  type VisitEntryBody,
  type VisitState,
} from '../../core/shop/visit';
import type { Db } from './open-db';

interface EntryRow extends Omit<VisitEntryBody, 'data'> {
  seq: number;
  at: string;
  data: string;
}

const toEntry = ({ data, ...row }: EntryRow): VisitEntry =>
  ({ ...row, data: JSON.parse(data) }) as VisitEntry;

/** The logs of visits in the database, and the summary that is kept beside each. */
export const visitLog = (db: Db) => {
  const insertVisit = db.prepare(
    `INSERT INTO visits (id, machine_id, machine_name, rider, opened_at, last_at, last_seq, search)
     VALUES (@id, @machineId, @machineName, @rider, @at, @at, 0, '')`,
  );
  const insertEntry = db.prepare(
    'INSERT INTO visit_entries (visit_id, seq, id, at, who, kind, data) VALUES (@visitId, @seq, @id, @at, @who, @kind, @data)',
  );
  const entries = db.prepare<[string, number], EntryRow>(
    'SELECT seq, id, at, who, kind, data FROM visit_entries WHERE visit_id = ? AND seq > ? ORDER BY seq',
  );
  const lastSeq = db.prepare<[string], { seq: number }>(
    'SELECT last_seq AS seq FROM visits WHERE id = ?',
  );
  const entryVisit = db.prepare<[string], { visitId: string; seq: number }>(
    'SELECT visit_id AS visitId, seq FROM visit_entries WHERE id = ?',
  );
  const summarize = db.prepare(
    `UPDATE visits SET wanted = @wanted, due_at = @dueAt, waits = @waits, last_at = max(last_at, @at),
       last_seq = @lastSeq, search = @search WHERE id = @id`,
  );
  const settle = db.prepare(
    `UPDATE visits SET last_at = max(last_at, @at), handed_over = NOT EXISTS (
       SELECT 1 FROM jobs
       WHERE jobs.visit_id = visits.id AND (jobs.handed_over = 0 OR jobs.withdrawn_by IS NOT NULL)) WHERE id = @id`,
  );

  const entriesOf = (visitId: string, afterSeq = 0): VisitEntry[] =>
    entries.all(visitId, afterSeq).map(toEntry);
  const seqOf = (visitId: string): number => {
    const row = lastSeq.get(visitId);
    if (!row) throw new NotFound('Visit not found.');
    return row.seq;
  };
  /** Writes entries at the end, whatever they are, and brings the summary up to date. */
  const write = (visitId: string, bodies: readonly VisitEntryBody[], at: string): VisitState => {
    const from = seqOf(visitId);
    bodies.forEach((body, i) =>
      insertEntry.run({ ...body, visitId, at, seq: from + i + 1, data: JSON.stringify(body.data) }),
    );
    const state = foldVisit(entriesOf(visitId));
    const words = [state.machineName, state.rider, state.wanted];
    summarize.run({
      id: visitId,
      at,
      wanted: state.wanted,
      dueAt: state.dueAt,
      waits: state.waits,
      lastSeq: from + bodies.length,
      search: words.filter(Boolean).join(' ').toLowerCase(),
    });
    return state;
  };
  return {
    entriesOf,
    write,
    stateOf: (visitId: string): VisitState => foldVisit(entriesOf(visitId)),
    /** A new visit with its first entry; nothing else is checked here. */
    open(
      visit: {
        id: string;
        machineId: string | null;
        machineName: string;
        rider: string;
        entryId: string;
        who: string;
      },
      at: string,
    ): void {
      const { id, machineId, machineName, rider, entryId, who } = visit;
      insertVisit.run({ id, machineId, machineName, rider, at });
      write(
        id,
        [{ id: entryId, who, kind: 'opened', data: { machineId, machineName, rider } }],
        at,
      );
    },
    /** The place of an entry with that id; undefined if there is none. */
    heldAt: (entryId: string) => entryVisit.get(entryId),
    /** Throws `LogMovedOn` where the log holds what the writer has not seen. */
    checkSeq(visitId: string, expectedSeq: number): void {
      const seq = seqOf(visitId);
      if (expectedSeq !== seq) throw new LogMovedOn(entriesOf(visitId, expectedSeq), seq, 'visit');
    },
    /**
     * A job of the visit was written to: it is over once every wheel is handed over, its proof in
     * place.
     */
    settle: (visitId: string, at: string): void => void settle.run({ id: visitId, at }),
    /** Visits were brought in with their jobs: each is over where every wheel is handed over. */
    settleAll: (): void =>
      void db.exec(
        `UPDATE visits SET handed_over = NOT EXISTS (
           SELECT 1 FROM jobs
           WHERE jobs.visit_id = visits.id AND (jobs.handed_over = 0 OR jobs.withdrawn_by IS NOT NULL))`,
      ),
  };
};
export type VisitLog = ReturnType<typeof visitLog>;
