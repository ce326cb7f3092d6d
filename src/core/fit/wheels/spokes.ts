import { angleBetween, normalDeg } from '../../base/units';
import type { Wheel } from './wheel';

/**
 * The places of the spokes at the rim, in degrees from the valve; the valve sits between two of
 * them.
 */
export const spokeDegs = (wheel: Pick<Wheel, 'spokes'>): number[] =>
  Array.from({ length: wheel.spokes }, (_, i) => normalDeg(((i + 0.5) * 360) / wheel.spokes));

/**
 * Half the width of a valve, a lock or a cast spoke on the rim, where no weight goes. Basis:
 * memory.
 */
export const KEEP_CLEAR_DEG = 6;

type Rim = Pick<Wheel, 'spokes' | 'build' | 'rimLockDegs'> & Partial<Pick<Wheel, 'castShape'>>;

/** Crimp-on pieces sit at spokes; everything else is stuck to the rim. */
export const takesCrimpOn = (wheel: Pick<Wheel, 'spokes' | 'build'>): boolean =>
  wheel.build === 'spoked' && wheel.spokes > 0;

/**
 * The places that a stuck piece keeps clear of: valve and locks, and on the face of a cast wheel
 * its spokes.
 */
export const keepClearDegs = (wheel: Rim, innerFace = false): number[] => [
  0,
  ...wheel.rimLockDegs,
  ...(wheel.build === 'spoked' || wheel.castShape === 'plate' || innerFace ? [] : spokeDegs(wheel)),
];

/** The spokes that a weight can be crimped on, clear of valve and locks. */
export const weightPlaces = (wheel: Pick<Wheel, 'spokes' | 'rimLockDegs'>): number[] =>
  spokeDegs(wheel).filter((deg) =>
    [0, ...wheel.rimLockDegs].every((t) => Math.abs(angleBetween(t, deg)) >= KEEP_CLEAR_DEG),
  );
