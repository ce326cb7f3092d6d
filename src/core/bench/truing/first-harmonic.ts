import { normalDeg } from '../../base/units';

/** A reading round a wheel. */
interface RingReading {
  angleDeg: number;
  value: number;
}

/** The once-a-turn part of readings round a wheel: mean + size · cos(angle − high). */
interface FirstHarmonic {
  mean: number;
  size: number;
  highDeg: number;
  /** The residual at each reading, in the order given. */
  rest: number[];
}

/** Determinant of a 3 by 3 matrix, row by row. */
const det = (m: readonly number[]): number =>
  m[0]! * (m[4]! * m[8]! - m[5]! * m[7]!) -
  m[1]! * (m[3]! * m[8]! - m[5]! * m[6]!) +
  m[2]! * (m[3]! * m[7]! - m[4]! * m[6]!);

/**
 * Least-squares fit of mean and first harmonic; null where the places do not determine it (fewer
 * than three different ones). Source: ordinary least squares by the normal equations.
 */
export const firstHarmonic = (readings: readonly RingReading[]): FirstHarmonic | null => {
  const rows = readings.map(({ angleDeg, value }) => {
    const rad = (angleDeg * Math.PI) / 180;
    return { c: Math.cos(rad), s: Math.sin(rad), value };
  });
  const sum = (f: (r: (typeof rows)[number]) => number) => rows.reduce((t, r) => t + f(r), 0);
  const [n, c, s, cc, cs, ss] = [
    rows.length,
    sum((r) => r.c),
    sum((r) => r.s),
    sum((r) => r.c * r.c),
    sum((r) => r.c * r.s),
    sum((r) => r.s * r.s),
  ];
  const [y, yc, ys] = [sum((r) => r.value), sum((r) => r.value * r.c), sum((r) => r.value * r.s)];
  const whole = det([n, c, s, c, cc, cs, s, cs, ss]);
  if (Math.abs(whole) < 1e-9) return null;
  const mean = det([y, c, s, yc, cc, cs, ys, cs, ss]) / whole;
  const a = det([n, y, s, c, yc, cs, s, ys, ss]) / whole;
  const b = det([n, c, y, c, cc, yc, s, cs, ys]) / whole;
  return {
    mean,
    size: Math.hypot(a, b),
    highDeg: normalDeg((Math.atan2(b, a) * 180) / Math.PI),
    rest: rows.map((r) => r.value - mean - a * r.c - b * r.s),
  };
};
