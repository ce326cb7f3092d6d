import { tireSize } from '../../../core/fit/tires';
import { attempt } from '../../../core/base/working';
import { useJob } from '../../shared/job-context';

/**
 * A speed that riders know, and a wheel's usual mass; the sheet asks for the real ones. Basis:
 * memory.
 */
const USUAL = { grade: 40, wheelKg: 11, speedKmh: 100, tireDiameterMm: 640, radiusMm: 220 };

/** The wheel at hand at a speed, for what its unbalance does. */
export const useSpeed = () => {
  const { state, wheel } = useJob();
  const size = attempt(tireSize, {
    marking: state.chosen?.marking ?? wheel.tireMarking,
    rules: state.rules,
  });
  if (!size.ok) return USUAL;
  const { overallDiameterMm, rimDiameterMm } = size.working.result;
  return { ...USUAL, tireDiameterMm: overallDiameterMm, radiusMm: rimDiameterMm / 2 };
};
