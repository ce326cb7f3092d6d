import { isDeepStrictEqual } from 'node:util';
import type { Statement } from 'better-sqlite3';
import { sidesOf, weightsFor, type JobState } from '../../core/job';
import type { Wheel } from '../../core/fit/wheels';
import type { Db } from './open-db';
import type { RecordStore } from './record-store';

/** Shelves that parts of a job come from. */
const SHELVES = ['tires', 'tubes', 'strips', 'locks', 'valves', 'weights'] as const;
type Shelf = (typeof SHELVES)[number];

/** The wheel's record before a hand-over and after. */
interface Fitted {
  before: string;
  after: string | null;
  /** The newer, the higher. */
  place: number;
}

/** Tapes that a wheel's record holds; the oldest go. */
const MAX_TAPES = 60;

/**
 * The lessons of a job for its wheel's record: a new tire begins from zero, what was measured of
 * the rim stays.
 */
const learnt = (
  { chosen, tapes, wheel: inJob, rimShape }: JobState,
  wheel: Wheel,
): Partial<Wheel> => {
  const taped = tapes.map(({ at, run, circumferenceMm, gaugeKpa }) => ({
    onDate: at.slice(0, 10),
    run,
    circumferenceMm,
    gaugeKpa,
  }));
  return {
    ...(chosen && {
      tireMarking: chosen.marking,
      tireTread: chosen.tread,
      tube: chosen.tube,
      treads: [],
      pressures: [],
    }),
    ...((chosen || taped.length > 0) && {
      rollouts: [...(chosen ? [] : wheel.rollouts), ...taped].slice(-MAX_TAPES),
    }),
    ...(inJob?.ringGapMm != null &&
      inJob.ringGapMm !== wheel.ringGapMm && { ringGapMm: inJob.ringGapMm }),
    ...rimShape,
  };
};

/**
 * Keeps shelf and wheel record in step with a job's log: parts leave the shelf when the job is
 * handed over, and the wheel then has its new tire. Worked out from the log as it stands, so that
 * an undone hand-over puts everything back.
 */
export const handOverStore = (db: Db, records: RecordStore) => {
  const taken = db.prepare<[string], { kind: Shelf; stockId: string; count: number }>(
    'SELECT kind, stock_id AS stockId, count FROM taken WHERE job_id = ?',
  );
  const forget = db.prepare('DELETE FROM taken WHERE job_id = ?');
  const remember = db.prepare(
    'INSERT INTO taken (job_id, kind, stock_id, count) VALUES (?, ?, ?, ?)',
  );
  const fitted = db.prepare<[string], Fitted>(
    'SELECT before, after, place FROM fitted WHERE job_id = ?',
  );
  const newer = db.prepare<[wheelId: string, place: number], { jobId: string; before: string }>(
    `SELECT f.job_id AS jobId, f.before FROM fitted f JOIN jobs j ON j.id = f.job_id
     WHERE j.wheel_id = ? AND f.place > ? ORDER BY f.place`,
  );
  const fit = db.prepare(
    'INSERT INTO fitted (job_id, before, after, place) SELECT ?, ?, ?, coalesce(max(place), 0) + 1 FROM fitted',
  );
  const refit = db.prepare('UPDATE fitted SET before = ? WHERE job_id = ?');
  const unfit = db.prepare('DELETE FROM fitted WHERE job_id = ?');
  const move = Object.fromEntries(
    SHELVES.map((kind) => [
      kind,
      db.prepare<[by: number, id: string]>(
        `UPDATE ${kind} SET count = count + ?, version = version + 1 WHERE id = ?`,
      ),
    ]),
  ) as Record<Shelf, Statement<[by: number, id: string]>>;

  /** The kinds of weight that the pieces on the rim came from, one for each piece. */
  const weightIds = ({ wheel, rules, balance }: JobState): string[] => {
    const all = records.list('weights').filter((w) => !w.archived);
    if (!wheel || !balance.weights) return [];
    const kind = weightsFor(wheel, sidesOf(wheel, rules), all).stuck ? 'adhesive' : 'spoke';
    return balance.weights.pieces.flatMap(
      (p) => all.find((w) => w.kind === kind && w.massG === p.massG)?.id ?? [],
    );
  };

  /** The parts that the job takes from the shelf by its log: how many of each. */
  const wantedBy = (state: JobState): Map<string, number> => {
    const wanted = new Map<string, number>();
    if (!state.handedOver) return wanted;
    const want = (stockId: string, count: number) =>
      wanted.set(stockId, (wanted.get(stockId) ?? 0) + count);
    for (const part of state.chosen?.parts ?? []) if (part.stockId) want(part.stockId, part.count);
    for (const stockId of weightIds(state)) want(stockId, 1);
    return wanted;
  };

  /** Only what changes is moved: a shelf that others look at keeps its version. */
  const settleShelf = (jobId: string, state: JobState): void => {
    const before = new Map(taken.all(jobId).map((t) => [t.stockId, t]));
    const wanted = wantedBy(state);
    forget.run(jobId);
    for (const stockId of new Set([...before.keys(), ...wanted.keys()])) {
      const kind = before.get(stockId)?.kind ?? SHELVES.find((k) => records.find(k, stockId));
      if (!kind) continue;
      const had = before.get(stockId)?.count ?? 0;
      // No more than is there: a shelf that was miscounted does not stop a hand-over.
      const there = Math.min(
        wanted.get(stockId) ?? 0,
        (records.find(kind, stockId)?.count ?? 0) + had,
      );
      if (there !== had) move[kind].run(had - there, stockId);
      if (there > 0) remember.run(jobId, kind, stockId, there);
    }
  };

  /**
   * Takes back what a hand-over put on the wheel: what a newer one, or someone by hand, has put
   * there since stays, and a newer one gives back what was there before both.
   */
  const takeBack = (jobId: string, wheel: Wheel, { before, after, place }: Fitted): void => {
    const was = JSON.parse(before) as Partial<Wheel>;
    // A hand-over of an earlier program did not keep what it put there.
    const put = after === null ? null : (JSON.parse(after) as Partial<Wheel>);
    const isPuts = (it: Partial<Wheel>, key: keyof Wheel) =>
      put === null || isDeepStrictEqual(it[key], put[key]);
    const later = newer.all(wheel.id, place);
    const back: Partial<Wheel> = {};
    for (const key of Object.keys(was) as (keyof Wheel)[]) {
      const over = later.find((l) => key in JSON.parse(l.before));
      if (!over) {
        if (isPuts(wheel, key)) Object.assign(back, { [key]: was[key] });
        continue;
      }
      const held = JSON.parse(over.before) as Partial<Wheel>;
      if (!isPuts(held, key)) continue;
      over.before = JSON.stringify({ ...held, [key]: was[key] });
      refit.run(over.before, over.jobId);
    }
    unfit.run(jobId);
    if (Object.keys(back).length > 0) records.change('wheels', { ...wheel, ...back });
  };

  const settleWheel = (jobId: string, state: JobState): void => {
    const wheel = state.wheel && records.find('wheels', state.wheel.id);
    if (!wheel) return;
    const done = fitted.get(jobId);
    if (!state.handedOver) {
      if (done) takeBack(jobId, wheel, done);
      return;
    }
    if (done) return;
    const after = learnt(state, wheel);
    const keys = Object.keys(after) as (keyof Wheel)[];
    if (keys.length === 0) return;
    const before = Object.fromEntries(keys.map((key) => [key, wheel[key]]));
    fit.run(jobId, JSON.stringify(before), JSON.stringify(after));
    records.change('wheels', { ...wheel, ...after });
  };

  return (jobId: string, state: JobState): void => {
    settleShelf(jobId, state);
    settleWheel(jobId, state);
  };
};
