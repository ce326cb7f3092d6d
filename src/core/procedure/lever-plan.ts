import { normalDeg } from '../units';
import type { Wheel } from '../wheels';

/**
 * Where the levers start and finish, and the arc to push into the well. Degrees clockwise from the valve.
 * Off, the arc lies across from the levers; on, it is the part already fitted by the time the work is halfway.
 */
export interface LeverPlan {
  startDeg: number;
  finishDeg: number;
  pushFromDeg: number;
  pushToDeg: number;
}

/** How far beside the lock or valve the first lever goes: about three inches on a 19 inch rim. */
const BESIDE_DEG = 18;
const PUSH_HALF_DEG = 60;
const FITTED_DEG = 170;

const around = (deg: number) => ({ pushFromDeg: normalDeg(deg - PUSH_HALF_DEG), pushToDeg: normalDeg(deg + PUSH_HALF_DEG) });

/**
 * Start and finish of levering, by school. Common practice.
 *
 * Off, lock nearest: start opposite the lock and finish at it. On: start beside the lock, go all the way round, finish at it.
 * Opposite the valve: start opposite the valve and finish near it. Without a lock the valve takes its place.
 */
export const leverPlan = (wheel: Pick<Wheel, 'rimLockDegs'>, direction: 'off' | 'on', school: string): LeverPlan => {
  const lockDeg = wheel.rimLockDegs[0];
  const byLock = school === 'lock nearest' && lockDeg !== undefined;
  if (direction === 'off') {
    const startDeg = normalDeg(byLock ? lockDeg + 180 : 180);
    return { startDeg, finishDeg: byLock ? lockDeg : BESIDE_DEG, ...around(startDeg + 180) };
  }
  if (!byLock) return { startDeg: 180, finishDeg: BESIDE_DEG, ...around(180) };
  const startDeg = normalDeg(lockDeg + BESIDE_DEG);
  return { startDeg, finishDeg: lockDeg, pushFromDeg: startDeg, pushToDeg: normalDeg(startDeg + FITTED_DEG) };
};
