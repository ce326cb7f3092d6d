import {
  runout,
  spokeRing,
  trueAdvise,
  type FirstTo,
  type RungSpoke,
  type RunoutReading,
} from '../bench/truing';
import { attempt } from '../base/working';
import { rimDiameterMm } from './bites-of';
import type { JobState } from './job-state';

/** Runout of the job's rim from readings, or why there is none. */
export const runoutOf = (state: JobState, readings: RunoutReading[]) =>
  attempt(runout, { readings, build: state.wheel?.build ?? 'cast', rules: state.rules });

/**
 * The nipples to turn by these readings, or why that cannot be told; null where there are none to
 * turn, or the wheel is not known well enough. The turns before them tell how this wheel moves.
 */
export const trueAdviceOf = (state: JobState, readings: RunoutReading[], firstTo: FirstTo) => {
  const diameterMm = rimDiameterMm(state);
  const { build, spokes = 0 } = state.wheel ?? {};
  if (build !== 'spoked' || spokes < 12 || diameterMm === null || diameterMm < 200) return null;
  const { trued, spokeRing: rung } = state;
  return attempt(trueAdvise, {
    readings,
    spokes,
    rimDiameterMm: diameterMm,
    firstTo,
    ...(trued &&
      trued.readings.length > 0 && { before: { readings: trued.readings, turned: trued.turned } }),
    ...(rung && { rung: rung.spokes }),
    rules: state.rules,
  });
};

/** The judgment of the ring of the job's spokes, or why there is none. */
export const spokeRingOf = (state: JobState, spokes: RungSpoke[]) =>
  attempt(spokeRing, { spokes, total: state.wheel?.spokes ?? 0, rules: state.rules });
