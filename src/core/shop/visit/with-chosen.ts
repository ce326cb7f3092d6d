import type { Wheel } from '../../fit/wheels';
import type { WheelNow } from './visit-summary';

/**
 * The wheels of the shop as they will be: what is chosen for other wheels of a visit is on them
 * already.
 */
export const withChosen = (wheels: readonly Wheel[], visit: readonly WheelNow[]): Wheel[] =>
  wheels.map((wheel) => {
    const sizeOn = visit.find((w) => w.wheelId === wheel.id)?.sizeOn ?? null;
    return sizeOn === null ? wheel : { ...wheel, tireMarking: sizeOn };
  });
