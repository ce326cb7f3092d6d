import { angleBetween } from '../units';
import { sumParts, type MassVector } from './mass-vector';
import type { LevelTest, Observation } from './observation';

/** Places held level before a wheel is called balanced: two, at least so far apart about the axle. */
export const TESTS = 2;
const APART_DEG = 45;
/** How a place pulled that was let go level. */
const PULL: Record<LevelTest['moved'], number> = { sinks: 1, stays: 0, rises: -1 };

/** How far two lines through the axle lie apart, up to 90. */
const acrossDeg = (a: number, b: number): number => {
  const apart = Math.abs(angleBetween(a, b));
  return Math.min(apart, 180 - apart);
};

const testsOf = (seen: readonly Observation[]): LevelTest[] => seen.filter((o) => o.kind === 'level');

/** Whether two places far enough apart were held level with the weights that are on. `now`: seen with these alone. */
export const isTested = (now: readonly Observation[]): boolean => {
  const tests = testsOf(now);
  return tests.some((a) => tests.some((b) => acrossDeg(a.deg, b.deg) >= APART_DEG));
};

/** Whether they were, and the last of them stayed. */
export const isLevel = (now: readonly Observation[]): boolean =>
  isTested(now) &&
  testsOf(now)
    .slice(-TESTS)
    .every((t) => t.moved === 'stays');

/** How far the weights of an observation are from others, as vectors, grams. */
const farFrom = (seen: Observation, on: readonly MassVector[]): number => {
  const [a, b] = [sumParts(seen.weights), sumParts(on)];
  return Math.hypot(a[0] - b[0], a[1] - b[1]);
};

/**
 * Whether a known piece of no more than `withinG` turned a level test round: what is left along that line is less than
 * the piece.
 */
export const isBracketed = (seen: readonly Observation[], on: readonly MassVector[], withinG: number): boolean => {
  const near = testsOf(seen).filter((t) => farFrom(t, on) <= withinG + 0.05);
  const now = near.filter((t) => farFrom(t, on) < 0.05);
  return now.some((b) =>
    near.some((a) => {
      if (farFrom(a, b.weights) < 0.05 || PULL[a.moved] === 0 || acrossDeg(a.deg, b.deg) > APART_DEG) return false;
      const sameWay = Math.abs(angleBetween(a.deg, b.deg)) <= 90 ? 1 : -1;
      return PULL[a.moved] * PULL[b.moved] * sameWay <= 0;
    }),
  );
};

/** Sets of weights that differ from the present ones by no more than so much, the present one left out. */
export const triedNear = (seen: readonly Observation[], on: readonly MassVector[], withinG: number): number =>
  new Set(
    seen
      .filter((o) => farFrom(o, on) > 0.05 && farFrom(o, on) <= withinG + 0.05)
      .map((o) =>
        sumParts(o.weights)
          .map((v) => v.toFixed(1))
          .join(),
      ),
  ).size;

/** How many different sets of weights readings were taken with. */
export const setsOf = (seen: readonly Observation[]): number =>
  new Set(
    seen.map((o) =>
      sumParts(o.weights)
        .map((v) => v.toFixed(1))
        .join(),
    ),
  ).size;
