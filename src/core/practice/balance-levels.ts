import type { WeightStock } from '../bench/balance';

/** Stands to practice on, by what their bearings hide, in grams. */
export const FRICTIONS = { light: 1, usual: 3, heavy: 6 } as const;
type Friction = keyof typeof FRICTIONS;

/**
 * Shelves to practice with, of pieces that are crimped on spokes: pieces of every size, large ones
 * only, or hardly any.
 */
export const SHELVES = {
  full: [
    { massG: 5, count: 24, lengthMm: 0 },
    { massG: 10, count: 24, lengthMm: 0 },
    { massG: 20, count: 12, lengthMm: 0 },
  ],
  coarse: [
    { massG: 10, count: 12, lengthMm: 0 },
    { massG: 20, count: 12, lengthMm: 0 },
  ],
  few: [
    { massG: 5, count: 2, lengthMm: 0 },
    { massG: 10, count: 2, lengthMm: 0 },
    { massG: 20, count: 2, lengthMm: 0 },
    { massG: 30, count: 1, lengthMm: 0 },
  ],
} as const satisfies Record<string, readonly WeightStock[]>;
export type Shelf = keyof typeof SHELVES;

export type BalanceLevel = `${Friction} stand, ${Shelf} shelf`;

const keysOf = <T extends object>(of: T) => Object.keys(of) as (keyof T)[];

/** A stand with a shelf: each pair is a level. */
export const BALANCE_LEVELS: readonly BalanceLevel[] = keysOf(FRICTIONS).flatMap((friction) =>
  keysOf(SHELVES).map((shelf): BalanceLevel => `${friction} stand, ${shelf} shelf`),
);

/** The stand and the shelf of a level. */
export const standAndShelf = (level: BalanceLevel): { friction: Friction; shelf: Shelf } => ({
  friction: keysOf(FRICTIONS).find((f) => level.startsWith(`${f} `))!,
  shelf: keysOf(SHELVES).find((s) => level.endsWith(` ${s} shelf`))!,
});
