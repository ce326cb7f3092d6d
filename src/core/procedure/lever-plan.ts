import { normalDeg } from '../units';
import type { Wheel } from '../wheels';

/** Where the levers start and finish, and the arc to kneel into the well. Degrees clockwise from the valve. */
export interface LeverPlan {
  startDeg: number;
  finishDeg: number;
  kneelFromDeg: number;
  kneelToDeg: number;
}

/** How far beside the lock or valve the first lever goes: about three inches on a 19 inch rim. */
const BESIDE_DEG = 18;
const KNEEL_HALF_DEG = 60;

const planFrom = (startDeg: number, finishDeg: number): LeverPlan => ({
  startDeg: normalDeg(startDeg),
  finishDeg: normalDeg(finishDeg),
  kneelFromDeg: normalDeg(startDeg + 180 - KNEEL_HALF_DEG),
  kneelToDeg: normalDeg(startDeg + 180 + KNEEL_HALF_DEG),
});

/**
 * Start and finish of levering, by school. Common practice.
 *
 * Off, lock nearest: start opposite the lock and finish at it. On: start beside the lock and finish at it.
 * Opposite the valve: start opposite the valve and finish near it, both ways. Without a lock the valve takes its place.
 */
export const leverPlan = (wheel: Pick<Wheel, 'rimLockDegs'>, direction: 'off' | 'on', school: string): LeverPlan => {
  const lockDeg = wheel.rimLockDegs[0];
  if (school === 'lock nearest' && lockDeg !== undefined)
    return direction === 'off' ? planFrom(lockDeg + 180, lockDeg) : planFrom(lockDeg + BESIDE_DEG, lockDeg);
  return planFrom(180, BESIDE_DEG);
};
