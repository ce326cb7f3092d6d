import { cellAt, type Belief } from './belief';
import { READ_DEG } from './likelihood';

/** Wheels that are played through for each choice. */
const PLAYED = 40;
const RAD = Math.PI / 180;

/**
 * The expected gain of a step: how far the heavy vector may be off, one standard deviation, now and
 * after it.
 */
export interface Learns {
  nowG: number;
  thenG: number;
}

/**
 * Spread of the middle of so many readings that lie anywhere in a band of half width 1. Source:
 * order statistics of the uniform distribution.
 */
export const middleSpread = (n: number): number => Math.sqrt(2 / ((n + 1) * (n + 2)));

export interface Played {
  x: number;
  y: number;
  f: number;
}

/** Wheels that are as probable as the belief says, always the same ones. */
export const played = (belief: Belief): Played[] => {
  const out: Played[] = [];
  let sum = 0;
  for (let i = 0; i < belief.mass.length && out.length < PLAYED; i++) {
    sum += belief.mass[i]!;
    while (out.length < PLAYED && sum >= (out.length + 0.5) / PLAYED) {
      const [x, y] = cellAt(belief, i);
      out.push({ x, y, f: belief.bandOf[i]! });
    }
  }
  return out;
};

/**
 * Variance of the heavy vector that is left on average of both axes together, once a wheel with
 * these weights on was let go `rests` times: a rest tells the part across its own direction, to
 * about the dead band.
 */
const leftOver = (
  { varX, varY, covXY }: Belief,
  { x, y, f }: Played,
  [wx, wy]: readonly [number, number],
  rests: number,
): number => {
  const det = Math.max(1e-9, (varX + 1e-3) * (varY + 1e-3) - covXY * covXY);
  const [a, b, c] = [(varY + 1e-3) / det, -covXY / det, (varX + 1e-3) / det];
  const [vx, vy] = [x + wx, y + wy];
  const r = Math.max(1e-6, Math.hypot(vx, vy));
  const [nx, ny] = [vy / r, -vx / r];
  const told = 1 / ((f * middleSpread(rests)) ** 2 + (r * READ_DEG * RAD) ** 2 / rests + 0.1);
  const [ja, jb, jc] = [a + told * nx * nx, b + told * nx * ny, c + told * ny * ny];
  return (ja + jc) / Math.max(1e-9, ja * jc - jb * jb);
};

/** Rests that weights are judged by. */
export const RESTS = 3;

/**
 * The probability that these weights, or the ones put on after them, leave the wheel balanced: by
 * what is then left to chance.
 */
export const worthOf = (
  belief: Belief,
  wheels: readonly Played[],
  weights: readonly [number, number],
  toleranceG: number,
): number => {
  let sum = 0;
  for (const wheel of wheels) {
    const limitG = Math.max(toleranceG, wheel.f);
    sum +=
      Math.hypot(wheel.x + weights[0], wheel.y + weights[1]) <= limitG
        ? 1
        : 1 - Math.exp(-(limitG ** 2) / leftOver(belief, wheel, weights, RESTS));
  }
  return sum / wheels.length;
};

/** The expected gain of letting it go so often with these weights on. */
export const learnt = (
  belief: Belief,
  wheels: readonly Played[],
  weights: readonly [number, number],
  rests: number,
): Learns => ({
  nowG: Math.sqrt(belief.varX + belief.varY),
  thenG: Math.sqrt(
    wheels.reduce((sum, wheel) => sum + leftOver(belief, wheel, weights, rests), 0) / wheels.length,
  ),
});
