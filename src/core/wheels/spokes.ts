import { angleBetween, normalDeg } from '../units';
import type { Wheel } from './wheel';

/** Where the spokes meet the rim, in degrees from the valve; the valve sits between two of them. */
export const spokeDegs = (wheel: Pick<Wheel, 'spokes'>): number[] =>
  Array.from({ length: wheel.spokes }, (_, i) => normalDeg(((i + 0.5) * 360) / wheel.spokes));

/** Half-width of the valve and of a rim lock on the rim, where no weight goes. */
const KEEP_CLEAR_DEG = 6;

/** A rim without spokes takes adhesive weights anywhere: places as near to each other as a short piece is long. */
const STRIP_PLACES = 48;

/** Places a weight can go, clear of valve and locks: at spokes, or side by side along a rim without them. */
export const weightPlaces = (wheel: Pick<Wheel, 'spokes' | 'build' | 'rimLockDegs'>): number[] => {
  const taken = [0, ...wheel.rimLockDegs];
  return spokeDegs({ spokes: wheel.build === 'spoked' && wheel.spokes > 0 ? wheel.spokes : STRIP_PLACES }).filter((deg) => taken.every((t) => Math.abs(angleBetween(t, deg)) >= KEEP_CLEAR_DEG));
};
