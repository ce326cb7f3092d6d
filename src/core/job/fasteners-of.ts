import { inTighteningOrder } from '../bench/torque';
import { wheelEnd, type Fastener } from '../fit/wheels';
import type { JobState } from './job-state';

/** The fasteners that hold this wheel, in the order in which they are tightened. */
export const fastenersOf = (state: Pick<JobState, 'machine' | 'wheel'>): Fastener[] =>
  inTighteningOrder(
    (state.machine && !state.machine.loose ? state.machine.fasteners : []).filter(
      (f) => f.wheel === 'any' || (state.wheel && f.wheel === wheelEnd(state.wheel.position)),
    ),
  );
