import type { Statement } from 'better-sqlite3';
import { sidesOf, weightsFor, type JobState } from '../../core/job';
import type { Wheel } from '../../core/wheels';
import type { Db } from './open-db';
import type { RecordStore } from './record-store';

/** Shelves that parts of a job come from. */
const SHELVES = ['tires', 'tubes', 'strips', 'locks', 'valves', 'weights'] as const;
type Shelf = (typeof SHELVES)[number];

/** Tapes that a wheel's record holds; the oldest go. */
const MOST_TAPES = 60;

/** What a job leaves in the record of its wheel: a new tire begins anew, what was measured of the rim stays. */
const learnt = ({ chosen, tapes, wheel: inJob, rimShape }: JobState, wheel: Wheel): Partial<Wheel> => {
  const taped = tapes.map(({ at, run, circumferenceMm, gaugeKpa }) => ({
    onDate: at.slice(0, 10),
    run,
    circumferenceMm,
    gaugeKpa,
  }));
  return {
    ...(chosen && { tireMarking: chosen.marking, tube: chosen.tube, treads: [], pressures: [] }),
    ...((chosen || taped.length > 0) && { rollouts: [...(chosen ? [] : wheel.rollouts), ...taped].slice(-MOST_TAPES) }),
    ...(inJob?.ringGapMm != null && inJob.ringGapMm !== wheel.ringGapMm && { ringGapMm: inJob.ringGapMm }),
    ...rimShape,
  };
};

/**
 * Keeps shelf and wheel record in step with a job's log: parts leave the shelf when the job is handed over, and the
 * wheel then has its new tire. Worked out from the log as it stands, so that an undone hand-over puts everything back.
 */
export const handOverStore = (db: Db, records: RecordStore) => {
  const taken = db.prepare<[string], { kind: Shelf; stockId: string; count: number }>(
    'SELECT kind, stock_id AS stockId, count FROM taken WHERE job_id = ?',
  );
  const forget = db.prepare('DELETE FROM taken WHERE job_id = ?');
  const remember = db.prepare('INSERT INTO taken (job_id, kind, stock_id, count) VALUES (?, ?, ?, ?)');
  const fitted = db.prepare<[string], { before: string }>('SELECT before FROM fitted WHERE job_id = ?');
  const fit = db.prepare('INSERT INTO fitted (job_id, before) VALUES (?, ?)');
  const unfit = db.prepare('DELETE FROM fitted WHERE job_id = ?');
  const move = Object.fromEntries(
    SHELVES.map((kind) => [
      kind,
      db.prepare<[by: number, id: string]>(`UPDATE ${kind} SET count = count + ?, version = version + 1 WHERE id = ?`),
    ]),
  ) as Record<Shelf, Statement<[by: number, id: string]>>;

  /** The kinds of weight that the pieces on the rim came from, one for each piece. */
  const weightIds = ({ wheel, rules, balance }: JobState): string[] => {
    const all = records.list('weights').filter((w) => !w.archived);
    if (!wheel || !balance.weights) return [];
    const kind = weightsFor(wheel, sidesOf(wheel, rules), all).stuck ? 'adhesive' : 'spoke';
    return balance.weights.pieces.flatMap((p) => all.find((w) => w.kind === kind && w.massG === p.massG)?.id ?? []);
  };

  const settleShelf = (jobId: string, state: JobState): void => {
    for (const { kind, stockId, count } of taken.all(jobId)) move[kind].run(count, stockId);
    forget.run(jobId);
    if (!state.handedOver) return;
    const wanted = new Map<string, number>();
    const want = (stockId: string, count: number) => wanted.set(stockId, (wanted.get(stockId) ?? 0) + count);
    for (const part of state.chosen?.parts ?? []) if (part.stockId) want(part.stockId, part.count);
    for (const stockId of weightIds(state)) want(stockId, 1);
    for (const [stockId, count] of wanted) {
      const kind = SHELVES.find((k) => records.find(k, stockId));
      if (!kind) continue;
      // No more than is there: a shelf that was miscounted does not stop a hand-over.
      const there = Math.min(count, records.find(kind, stockId)!.count);
      if (there === 0) continue;
      move[kind].run(-there, stockId);
      remember.run(jobId, kind, stockId, there);
    }
  };

  const settleWheel = (jobId: string, state: JobState): void => {
    const wheel = state.wheel && records.find('wheels', state.wheel.id);
    if (!wheel) return;
    const done = fitted.get(jobId);
    if (state.handedOver && !done) {
      const after = learnt(state, wheel);
      const keys = Object.keys(after) as (keyof Wheel)[];
      if (keys.length === 0) return;
      fit.run(jobId, JSON.stringify(Object.fromEntries(keys.map((key) => [key, wheel[key]]))));
      records.change('wheels', { ...wheel, ...after });
    } else if (!state.handedOver && done) {
      unfit.run(jobId);
      records.change('wheels', { ...wheel, ...(JSON.parse(done.before) as Partial<Wheel>) });
    }
  };

  return (jobId: string, state: JobState): void => {
    settleShelf(jobId, state);
    settleWheel(jobId, state);
  };
};
