import { pressureStartOf } from '../../core/job';
import {
  pressureCorrect,
  twoGauges,
  valveSet,
  type PressureCorrected,
  type PressureStart,
  type TwoGauges,
  type Use,
  type ValveSet,
} from '../../core/bench/pressure';
import { attempt, type Attempt, type Working } from '../../core/base/working';
import { useJob } from '../shared/job-context';
import type { Gauges } from './use-gauges';
import type { TypedPressure } from './use-typed-pressure';

/** The results of what is typed at Set; null if something for one is missing. */
export interface PressureAtHand {
  start: Attempt<PressureStart>;
  /** The gauge reading here for the pressure that is meant out there. */
  corrected: Attempt<PressureCorrected> | null;
  /** The gauge's present reading, as it will be out there. */
  there: Attempt<PressureCorrected> | null;
  /** Whether two gauges agree. */
  both: Attempt<TwoGauges> | null;
  /** The state in which valve nut and rim lock are left. */
  left: Working<ValveSet>;
}

/** Pressures at which a tube is known to creep are those off the road. */
const CREEPS: readonly Use[] = ['motocross', 'dirt', 'trail'];

/** The pressure to start from, to set, and to find out there. */
export const usePressure = (
  { values }: TypedPressure,
  { first, second }: Gauges,
): PressureAtHand => {
  const { state, wheel, shop } = useJob();
  const { shopC, rideC, shopM, rideM, meantKpa, gaugeKpa, secondKpa } = values;
  const places =
    shopC !== null && rideC !== null && shopM !== null && rideM !== null
      ? { shopC, rideC, shopM, rideM }
      : null;
  const corrected =
    places && meantKpa !== null
      ? attempt(pressureCorrect, {
          gaugeKpa: meantKpa,
          tempC: places.rideC,
          toTempC: places.shopC,
          altitudeM: places.rideM,
          toAltitudeM: places.shopM,
          toGauge: first.checks,
        })
      : null;
  // What the gauge shows now is what counts; what it becomes out there follows from it.
  const there =
    places && gaugeKpa !== null
      ? attempt(pressureCorrect, {
          gaugeKpa,
          tempC: places.shopC,
          toTempC: places.rideC,
          altitudeM: places.shopM,
          toAltitudeM: places.rideM,
          gauge: first.checks,
        })
      : null;
  const both =
    gaugeKpa !== null && second.name && secondKpa !== null
      ? attempt(twoGauges, {
          first: { readsKpa: gaugeKpa, stepKpa: first.stepKpa, checks: first.checks },
          second: { readsKpa: secondKpa, stepKpa: second.stepKpa, checks: second.checks },
        })
      : null;
  const tube = shop.tubes.find((t) => t.id === state.chosen?.tubeId);
  const use = state.cameOff?.use;
  const left = valveSet.run({
    tube: state.chosen?.tube ?? wheel.tube,
    sleeve: tube?.valve === 'rubber',
    rimLocks: wheel.rimLockDegs.length,
    creeps: use !== undefined && CREEPS.includes(use),
    rules: state.rules,
  });
  return { start: pressureStartOf(state, meantKpa ?? undefined), corrected, there, both, left };
};
