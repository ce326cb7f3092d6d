import type { Statement } from 'better-sqlite3';
import type { Sides } from '../../core/balance';
import { weightsFor, type JobState } from '../../core/job';
import { ruleWord } from '../../core/rules';
import type { Wheel } from '../../core/wheels';
import type { Db } from './open-db';
import type { RecordStore } from './record-store';

/** Shelves that parts of a job come from. */
const SHELVES = ['tires', 'tubes', 'strips', 'locks', 'valves', 'weights'] as const;
type Shelf = (typeof SHELVES)[number];

type Before = Pick<
  Wheel,
  'tireMarking' | 'tube' | 'treads' | 'pressures' | 'rollouts' | 'ringGapMm' | 'flangeMm' | 'wellMm' | 'wellToFlangeMm'
>;

/**
 * Keeps shelf and wheel record in step with a job's log: parts leave the shelf when the job is handed over, and the
 * wheel
 * then has its new tire. Worked out from the log as it stands, so that an undone hand-over puts everything back.
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
    const kind = weightsFor(wheel, ruleWord('balance.sides', rules) as Sides, all).stuck ? 'adhesive' : 'spoke';
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
    if (state.handedOver && state.chosen && !done) {
      const { tireMarking, tube, treads, pressures, rollouts, ...was } = wheel;
      const before: Before = {
        tireMarking,
        tube,
        treads,
        pressures,
        rollouts,
        ringGapMm: was.ringGapMm,
        flangeMm: was.flangeMm,
        wellMm: was.wellMm,
        wellToFlangeMm: was.wellToFlangeMm,
      };
      fit.run(jobId, JSON.stringify(before));
      records.change('wheels', {
        ...wheel,
        tireMarking: state.chosen.marking,
        tube: state.chosen.tube,
        treads: [],
        pressures: [],
        rollouts: state.tapes.map(({ at, run, circumferenceMm, gaugeKpa }) => ({
          onDate: at.slice(0, 10),
          run,
          circumferenceMm,
          gaugeKpa,
        })),
        ringGapMm: state.wheel?.ringGapMm ?? was.ringGapMm,
        ...state.rimShape,
      });
    } else if (!state.handedOver && done) {
      unfit.run(jobId);
      records.change('wheels', { ...wheel, ...(JSON.parse(done.before) as Before) });
    }
  };

  return (jobId: string, state: JobState): void => {
    settleShelf(jobId, state);
    settleWheel(jobId, state);
  };
};
