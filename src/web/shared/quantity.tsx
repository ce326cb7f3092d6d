import { useMemo } from 'react';
import {
  formatQuantity,
  quantityText,
  fromDisplay,
  sayIn,
  toDisplay,
  displayUnit,
  type Sentence,
  type Unit,
  INCH_IN_MM,
  parseInches,
  type UnitPreferences,
} from '../../core/base/units';
import { selectUnits, useApp } from '../store';

/**
 * Quantities in the fitter's units: the one place where screens turn SI into what is read and
 * typed.
 */
export const useUnits = () => {
  const units = useApp(selectUnits);
  return useMemo(() => unitsOf(units), [units]);
};

const unitsOf = (units: UnitPreferences) => ({
  units,
  /** `14.2 psi` */
  say: (value: number, unit: Unit, options?: { digits?: number; sign?: boolean }) =>
    quantityText(value, unit, units, options),
  /** A sentence of the core with its quantities in the fitter's units. */
  tell: (sentence: Sentence) => sayIn(sentence, units),
  label: (unit: Unit) => displayUnit(unit, units),
  /** The typed number as SI, or null when it is no number. A comma is read as a decimal point. */
  read: (typed: string, unit: Unit): number | null => {
    // A fraction is a tape's, in whatever units the rest is typed.
    const inches = unit === 'mm' ? parseInches(typed) : null;
    if (inches !== null) return inches * INCH_IN_MM;
    const clean = typed.trim().replace(',', '.').replace('\u2212', '-');
    return /^-?\d{1,7}(\.\d{1,4})?$/.test(clean) ? fromDisplay(Number(clean), unit, units) : null;
  },
  /** SI as the text of a field. */
  write: (value: number, unit: Unit, digits = 1) =>
    String(Number(toDisplay(value, unit, units).toFixed(digits))),
});

/** A number as large as it deserves, its unit beside it. */
export const Quantity = ({
  value,
  unit,
  big,
  digits,
  sign,
}: {
  value: number;
  unit: Unit;
  big?: boolean;
  digits?: number;
  sign?: boolean;
}) => {
  const { units } = useUnits();
  const { text, label } = formatQuantity(value, unit, units, {
    ...(digits === undefined ? {} : { digits }),
    ...(sign ? { sign } : {}),
  });
  return (
    <span
      className={`num whitespace-nowrap ${big ? 'text-[30px] leading-none' : 'text-[22px] leading-tight'}`}
    >
      {text}
      <span className={unit === 'deg' || unit === 'pct' ? '' : 'ml-1 text-[0.62em] font-semibold'}>
        {label}
      </span>
    </span>
  );
};
