import { DEFAULT_UNITS, formatQuantity, type UnitPreferences } from './display';
import type { Unit } from './unit';

/** A quantity inside a sentence. */
export interface SaidQuantity {
  value: number;
  unit: Unit;
  /** Decimals, where the usual number of them says too little. */
  digits?: number;
}

/** A sentence; where it holds quantities, also the pattern that puts them into other units. */
export interface Said {
  says: string;
  /** The sentence with `{0}`, `{1}` … in place of its quantities. */
  pattern?: string;
  quantities?: readonly SaidQuantity[];
}

const fill = (pattern: string, quantities: readonly SaidQuantity[], units: UnitPreferences): string =>
  pattern.replace(/\{(\d)\}/g, (whole, i: string) => {
    const q = quantities[Number(i)];
    if (!q) return whole;
    const { text, label } = formatQuantity(q.value, q.unit, units, q.digits === undefined ? {} : { digits: q.digits });
    return q.unit === 'deg' ? `${text}${label}` : `${text} ${label}`;
  });

/** A sentence from a pattern; `says` is it in the units of a shop that has not chosen its own. */
export const said = (pattern: string, quantities: readonly SaidQuantity[] = []): Said =>
  quantities.length === 0 ? { says: pattern } : { says: fill(pattern, quantities, DEFAULT_UNITS), pattern, quantities };

/** The sentence in the fitter's units. */
export const sayIn = ({ says, pattern, quantities }: Said, units: UnitPreferences): string =>
  pattern && quantities ? fill(pattern, quantities, units) : says;
