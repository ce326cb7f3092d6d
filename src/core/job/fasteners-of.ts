import { wheelEnd, type Fastener } from '../wheels';
import type { JobState } from './fold-job';

/** The fasteners that hold this wheel. */
export const fastenersOf = (state: Pick<JobState, 'machine' | 'wheel'>): Fastener[] =>
  (state.machine?.fasteners ?? []).filter(
    (f) => f.wheel === 'any' || (state.wheel && f.wheel === wheelEnd(state.wheel.position)),
  );
