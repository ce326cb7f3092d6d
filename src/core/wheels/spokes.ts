import { angleBetween, normalDeg } from '../units';
import type { Wheel } from './wheel';

/** Where the spokes meet the rim, in degrees from the valve; the valve sits between two of them. */
export const spokeDegs = (wheel: Pick<Wheel, 'spokes'>): number[] =>
  Array.from({ length: wheel.spokes }, (_, i) => normalDeg(((i + 0.5) * 360) / wheel.spokes));

/** Half-width of the valve and of a rim lock on the rim, where no weight goes. */
const KEEP_CLEAR_DEG = 6;

/** Places a weight can go: at spokes clear of valve and locks; undefined for anywhere on a cast wheel. */
export const weightPlaces = (wheel: Pick<Wheel, 'spokes' | 'build' | 'rimLockDegs'>): number[] | undefined => {
  if (wheel.build !== 'spoked' || wheel.spokes === 0) return undefined;
  const taken = [0, ...wheel.rimLockDegs];
  return spokeDegs(wheel).filter((deg) => taken.every((t) => Math.abs(angleBetween(t, deg)) >= KEEP_CLEAR_DEG));
};
