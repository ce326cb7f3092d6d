import { angleBetween, normalDeg } from '../../base/units';
import { KEEP_CLEAR_DEG } from '../../fit/wheels';
import type { WeightStock } from './balance-place';

/** Pieces that are taped on together for a trial, at most. */
export const TRIAL_PIECES = 3;
/** The farthest that a trial is moved to a free place. */
const TRIAL_MOVES_DEG = 30;
/** Grams that are no difference. */
const SAME_G = 1e-6;

/** Masses that up to three pieces of the stock make up, the lightest first. */
export const trialMasses = (stock: readonly WeightStock[]): number[] => {
  const sums = new Set<number>();
  const take = (from: number, pieces: number, massG: number): void => {
    if (pieces > 0) sums.add(massG);
    if (pieces === TRIAL_PIECES) return;
    for (let k = from; k < stock.length; k++) {
      const { massG: each, count } = stock[k]!;
      for (let n = 1; n <= Math.min(count, TRIAL_PIECES - pieces); n++)
        take(k + 1, pieces + n, massG + n * each);
    }
  };
  take(0, 0, 0);
  return [...sums].filter((m) => m > 0).sort((a, b) => a - b);
};

/** The fewest pieces that make up a trial's mass; null where the stock has none that do. */
export const madeOf = (
  massG: number,
  stock: readonly WeightStock[],
  most = TRIAL_PIECES,
): number[] | null => {
  if (Math.abs(massG) < SAME_G) return [];
  if (most === 0) return null;
  const ways = stock
    .filter((k) => k.count > 0 && k.massG <= massG + SAME_G)
    .flatMap((k) => {
      const others = stock.map((other) => (other === k ? { ...k, count: k.count - 1 } : other));
      const rest = madeOf(massG - k.massG, others, most - 1);
      return rest ? [[k.massG, ...rest]] : [];
    });
  return ways.sort((a, b) => a.length - b.length)[0] ?? null;
};

/**
 * The place nearest to another where a piece so long lies on nothing; null where there is none
 * within 30°. `clearOf`: degrees of valve, locks and spokes; `rimMm` once round.
 */
export const freeNear = (
  deg: number,
  lengthMm: number,
  clearOf: readonly number[],
  rimMm: number,
): number | null => {
  const halfDeg = KEEP_CLEAR_DEG + (lengthMm / 2 / rimMm) * 360;
  for (let by = 0; by <= TRIAL_MOVES_DEG; by++)
    for (const there of by === 0 ? [deg] : [deg + by, deg - by])
      if (clearOf.every((c) => Math.abs(angleBetween(c, there)) >= halfDeg))
        return normalDeg(there);
  return null;
};
