import { InputError } from '../errors';

/**
 * Angles on a wheel: degrees clockwise from the valve hole, seen from the side that is named.
 * Clock hours read the same dial with the valve at 12, so an hour is 30 degrees.
 */

const HOUR_DEG = 30;
const MINUTE_DEG = 0.5;

/** Any angle as 0 (inclusive) to 360 (exclusive). */
export const normalDeg = (deg: number): number => {
  const turned = ((deg % 360) + 360) % 360;
  return turned === 360 ? 0 : turned;
};

/** The shortest turn from `fromDeg` to `toDeg`, above -180 to 180; positive is clockwise. */
export const angleBetween = (fromDeg: number, toDeg: number): number => {
  const turn = normalDeg(toDeg - fromDeg);
  return turn > 180 ? turn - 360 : turn;
};

/** The same place on the wheel seen from its other side. */
export const mirrored = (deg: number): number => normalDeg(360 - normalDeg(deg));

/** Clock reading, `7:05`, or `7` on the full hour when `short`. */
export const clockText = (deg: number, short = false): string => {
  const minutes = Math.round(normalDeg(deg) / MINUTE_DEG) % 720;
  const hour = Math.floor(minutes / 60) || 12;
  const minute = minutes % 60;
  return short && minute === 0 ? String(hour) : `${hour}:${String(minute).padStart(2, '0')}`;
};

/** Whole degrees, `212°`. */
export const degText = (deg: number): string => `${Math.round(normalDeg(deg)) % 360}°`;

/** A place in both ways of saying it: `7:05 o’clock (212°)`. */
export const placeText = (deg: number): string =>
  `${clockText(deg, true)} o’clock (${degText(deg)})`;

/**
 * Reads a place as a fitter types it: a clock reading (`7`, `7:05`) or degrees (`212°`, `212 deg`).
 * A bare number up to 12 is an hour; a bare number above 12 is degrees. Throws `InputError` for
 * anything else.
 */
export const parseAngle = (typed: string, field = 'angleDeg'): number => {
  const right = 'Enter a clock reading such as 7:05, or degrees such as 212°';
  const clean = typed
    .trim()
    .toLowerCase()
    .replace(/\s*o['’]?clock$/, '');
  const clock = /^(\d{1,2}):([0-5]\d)$/.exec(clean);
  if (clock) {
    const hour = Number(clock[1]);
    if (hour > 12) throw new InputError(field, `${hour} is not an hour on the clock.`, right);
    return normalDeg(hour * HOUR_DEG + Number(clock[2]) * MINUTE_DEG);
  }
  const number = /^(\d{1,3}(?:\.\d+)?)\s*(°|deg|degrees)?$/.exec(clean);
  if (!number)
    throw new InputError(field, `"${typed.slice(0, 20)}" is not a place on the wheel.`, right);
  const value = Number(number[1]);
  if (number[2] || value > 12) {
    if (value > 360) throw new InputError(field, `${value}° is more than once round.`, right);
    return normalDeg(value);
  }
  return normalDeg(value * HOUR_DEG);
};

/** The middle of several places, taking the circle into account; 0 for an empty list. */
export const meanDeg = (degs: readonly number[]): number => {
  const rad = (deg: number) => (deg * Math.PI) / 180;
  const x = degs.reduce((t, d) => t + Math.sin(rad(d)), 0);
  const y = degs.reduce((t, d) => t + Math.cos(rad(d)), 0);
  return normalDeg((Math.atan2(x, y) * 180) / Math.PI);
};
