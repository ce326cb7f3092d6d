import {
  DEFAULT_UNITS,
  formatQuantity,
  toDisplay,
  type Bound,
  type UnitPreferences,
  withUnit,
} from './display';
import type { Unit } from './unit';

/** A quantity inside a sentence. */
export interface SentenceQuantity {
  value: number;
  unit: Unit;
  /** Decimals, where the usual number of them says too little. */
  digits?: number;
  /** It is a limit, and is rounded to its own side. */
  bound?: Bound;
}

/** A sentence; where it holds quantities, also the pattern that puts them into other units. */
export interface Sentence {
  says: string;
  /** The sentence with `{0}`, `{1}` … in place of its quantities. */
  pattern?: string;
  quantities?: readonly SentenceQuantity[];
}

/** Values nearer to each other than this are the same: what is left of arithmetic. */
const ALIKE = 1e-6;
/** Decimals that are added at most to tell two values apart. */
const MORE_DIGITS = 8;

const numberOf = (text: string): number => Number(text.replace('\u2212', '-'));
const isAlike = (a: number, b: number): boolean =>
  Math.abs(a - b) <= ALIKE * Math.max(1, Math.abs(a), Math.abs(b));

/**
 * The quantities of one sentence as they are written in it: with as many decimals as it takes that
 * a larger one reads as larger, and that what is something does not read as nothing. So a value and
 * its limit never contradict the verdict that compared them.
 */
export const writtenApart = (
  quantities: readonly SentenceQuantity[],
  units: UnitPreferences,
): { text: string; label: string }[] => {
  const more = quantities.map(() => 0);
  const write = () =>
    quantities.map((q, i) =>
      formatQuantity(q.value, q.unit, units, {
        more: more[i]!,
        ...(q.digits === undefined ? {} : { digits: q.digits }),
        ...(q.bound && { bound: q.bound }),
      }),
    );
  let written = write();
  for (let round = 0; round < MORE_DIGITS; round++) {
    const unclear = quantities.map((q, i) => {
      const shown = numberOf(written[i]!.text);
      if (shown === 0 && !isAlike(toDisplay(q.value, q.unit, units), 0)) return true;
      return quantities.some(
        (other, k) =>
          other.unit === q.unit &&
          !isAlike(other.value, q.value) &&
          Math.sign(numberOf(written[k]!.text) - shown) !== Math.sign(other.value - q.value),
      );
    });
    if (!unclear.includes(true)) break;
    // The roughest ones first: what has decimals already may be told apart without more.
    const decimals = written.map(({ text }) => text.split('.')[1]?.length ?? 0);
    const roughest = Math.min(...decimals.filter((_, i) => unclear[i]));
    unclear.forEach((it, i) => {
      if (it && decimals[i] === roughest) more[i]!++;
    });
    written = write();
  }
  return written;
};

const fill = (
  pattern: string,
  quantities: readonly SentenceQuantity[],
  units: UnitPreferences,
): string => {
  const written = writtenApart(quantities, units);
  return pattern.replace(/\{(\d)\}/g, (whole, i: string) => {
    const one = written[Number(i)];
    return one ? withUnit(one.text, one.label) : whole;
  });
};

/** A sentence from a pattern; `says` is it in the units of a shop that has not chosen its own. */
export const said = (pattern: string, quantities: readonly SentenceQuantity[] = []): Sentence =>
  quantities.length === 0
    ? { says: pattern }
    : { says: fill(pattern, quantities, DEFAULT_UNITS), pattern, quantities };

/** The sentence in the fitter's units. */
export const sayIn = ({ says, pattern, quantities }: Sentence, units: UnitPreferences): string =>
  pattern && quantities ? fill(pattern, quantities, units) : says;
