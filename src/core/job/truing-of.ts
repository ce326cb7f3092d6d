import { runout, spokeRing, type RungSpoke, type RunoutReading } from '../truing';
import { attempt } from '../working';
import type { JobState } from './fold-job';

/** Runout of the job's rim from readings, or why there is none. */
export const runoutOf = (state: JobState, readings: RunoutReading[]) =>
  attempt(runout, {
    readings,
    build: state.wheel?.build ?? 'cast',
    spokes: state.wheel?.spokes ?? 0,
    rules: state.rules,
  });

/** What the ring of the job's spokes says, or why it says nothing. */
export const spokeRingOf = (state: JobState, spokes: RungSpoke[]) =>
  attempt(spokeRing, { spokes, total: state.wheel?.spokes ?? 0, rules: state.rules });
