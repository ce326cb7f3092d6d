import { CLEARANCE_PLACES, type ClearancePlace } from '../fit/tires';
import { normalDeg } from '../base/units';
import type { Piece } from '../bench/balance';
import type { BeadMeasured } from '../bench/ring';
import { heavyOf } from './balance-of';
import type { JobState } from './job-state';
import { foldJob } from './folded-log';
import type { Entry } from './entries';
import type { JobSummary } from './job-summary';
import { ringOf } from './ring-of';
import { runoutOf } from './truing-of';
import { lifeEvent, type LifeEvent } from './wheel-life';

/** The history of a wheel by its jobs, the newest first. */
export interface WheelHistory {
  fitted: { marking: string; dateCode: string | null; onDate: string; jobId: string }[];
  /** The last room measured at each place, and with which tire on. */
  clearances: {
    place: ClearancePlace;
    mm: number;
    load: string;
    withTire: string;
    onDate: string;
    jobId: string;
  }[];
  /** The places at which the wheel with its tire came to rest. */
  heavySpots: { deg: number; onDate: string; jobId: string }[];
  /** Total indicated, as measured on the bench. */
  runouts: { lateralMm: number | null; radialMm: number | null; onDate: string; jobId: string }[];
  weights: { pieces: Piece[]; residualG: number | null; onDate: string; jobId: string }[];
  /** Beads by caliper and turns of the wrench round the rings, of a clamped wheel. */
  clamped: {
    beads: BeadMeasured[];
    turnsDone: number;
    turns: number;
    onDate: string;
    jobId: string;
  }[];
  /** Job by job. */
  life: LifeEvent[];
}

/**
 * The distance that the tire that came off ran on this wheel: since the job before, if that one put
 * it on and read the odometer.
 */
const ranKm = ({ cameOff, odometerKm }: JobState, earlier: readonly JobState[]): number | null => {
  const before = earlier[0];
  if (!cameOff || odometerKm === null || !before?.chosen || before.odometerKm === null) return null;
  const km = odometerKm - before.odometerKm;
  // An odometer that was changed, or read wrongly, tells nothing.
  return km >= 0 ? km : null;
};

/** Folds the logs of a wheel's jobs into what they say of the wheel. `jobs` the newest first. */
export const wheelHistory = (
  jobs: readonly { job: JobSummary; entries: readonly Entry[] }[],
): WheelHistory => {
  const history: WheelHistory = {
    fitted: [],
    clearances: [],
    heavySpots: [],
    runouts: [],
    weights: [],
    clamped: [],
    life: [],
  };
  const seen = new Set<ClearancePlace>();
  const states = jobs.map(({ entries }) => foldJob(entries));
  for (const [i, { job }] of jobs.entries()) {
    const state = states[i]!;
    const at = { onDate: job.openedAt.slice(0, 10), jobId: job.id };
    history.life.push(lifeEvent(job, state, ranKm(state, states.slice(i + 1))));
    if (state.chosen)
      history.fitted.push({
        marking: state.chosen.marking,
        dateCode: state.chosen.dateCode,
        ...at,
      });
    for (const c of state.clearances)
      if (!seen.has(c.place)) {
        seen.add(c.place);
        history.clearances.push({
          ...c,
          withTire: state.cameOff?.marking ?? state.wheel?.tireMarking ?? '',
          ...at,
        });
      }
    const heavy = heavyOf(state.balance);
    if (heavy) history.heavySpots.push({ deg: normalDeg(heavy.deg), ...at });
    const measured = state.runout && runoutOf(state, state.runout.readings);
    if (measured?.ok)
      history.runouts.push({
        lateralMm: measured.working.result.lateral?.totalMm ?? null,
        radialMm: measured.working.result.radial?.totalMm ?? null,
        ...at,
      });
    const beads = Object.values(state.beads).map(({ side, bundleMm, gapMm }) => ({
      side,
      bundleMm,
      gapMm,
    }));
    const ring = ringOf(state);
    if (beads.length > 0 || (ring && ring.done > 0))
      history.clamped.push({
        beads,
        turnsDone: ring?.done ?? 0,
        turns: ring?.turns.length ?? 0,
        ...at,
      });
    if (state.balance.weights) history.weights.push({ ...state.balance.weights, ...at });
  }
  history.clearances.sort(
    (a, b) => CLEARANCE_PLACES.indexOf(a.place) - CLEARANCE_PLACES.indexOf(b.place),
  );
  return history;
};
