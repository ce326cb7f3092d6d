import {
  BAR_IN_KPA,
  FOOT_IN_M,
  FT_LBF_IN_NM,
  INCH_IN_MM,
  MILE_IN_KM,
  OUNCE_IN_G,
  POUND_IN_KG,
  PSI_IN_KPA,
} from './factors';
import type { Unit } from './unit';

/** The unit the fitter reads for each kind of quantity. */
export interface UnitPreferences {
  pressure: 'psi' | 'kPa' | 'bar';
  length: 'mm' | 'in';
  mass: 'g' | 'oz';
  torque: 'N·m' | 'lbf·ft';
  temperature: '°C' | '°F';
}

/** Units of a shop that has not chosen its own. */
export const DEFAULT_UNITS: UnitPreferences = {
  pressure: 'psi',
  length: 'mm',
  mass: 'g',
  torque: 'N·m',
  temperature: '°C',
};

interface Shown {
  label: string;
  /** Shown value = inside value * scale + shift. */
  scale: number;
  shift?: number;
  digits: number;
}

const PRESSURE: Record<UnitPreferences['pressure'], Shown> = {
  psi: { label: 'psi', scale: 1 / PSI_IN_KPA, digits: 1 },
  kPa: { label: 'kPa', scale: 1, digits: 0 },
  bar: { label: 'bar', scale: 1 / BAR_IN_KPA, digits: 2 },
};
const LENGTH: Record<UnitPreferences['length'], Shown> = {
  mm: { label: 'mm', scale: 1, digits: 0 },
  in: { label: 'in', scale: 1 / INCH_IN_MM, digits: 2 },
};
const TREAD: Record<UnitPreferences['length'], Shown> = {
  mm: { label: 'mm', scale: 1, digits: 1 },
  in: { label: '/32 in', scale: 32 / INCH_IN_MM, digits: 0 },
};
const MASS: Record<UnitPreferences['mass'], Shown> = {
  g: { label: 'g', scale: 1, digits: 0 },
  oz: { label: 'oz', scale: 1 / OUNCE_IN_G, digits: 2 },
};
const TORQUE: Record<UnitPreferences['torque'], Shown> = {
  'N·m': { label: 'N·m', scale: 1, digits: 1 },
  'lbf·ft': { label: 'ft-lb', scale: 1 / FT_LBF_IN_NM, digits: 1 },
};
const TEMPERATURE: Record<UnitPreferences['temperature'], Shown> = {
  '°C': { label: '°C', scale: 1, digits: 0 },
  '°F': { label: '°F', scale: 1.8, shift: 32, digits: 0 },
};

const shownAs = (unit: Unit, units: UnitPreferences): Shown => {
  switch (unit) {
    case 'kPa':
      return PRESSURE[units.pressure];
    case 'mm':
      return LENGTH[units.length];
    case 'tread':
      return TREAD[units.length];
    case 'g':
      return MASS[units.mass];
    case 'Nm':
      return TORQUE[units.torque];
    case 'C':
      return TEMPERATURE[units.temperature];
    case 'kg':
      return units.mass === 'oz' || units.length === 'in'
        ? { label: 'lb', scale: 1 / POUND_IN_KG, digits: 0 }
        : { label: 'kg', scale: 1, digits: 1 };
    case 'km/h':
      return units.length === 'in'
        ? { label: 'mph', scale: 1 / MILE_IN_KM, digits: 0 }
        : { label: 'km/h', scale: 1, digits: 0 };
    case 'm':
      return units.length === 'in'
        ? { label: 'ft', scale: 1 / FOOT_IN_M, digits: 0 }
        : { label: 'm', scale: 1, digits: 0 };
    case 'in':
      return { label: 'in', scale: 1, digits: 2 };
    case 'K':
      return { label: 'K', scale: 1, digits: 1 };
    case 'deg':
      return { label: '°', scale: 1, digits: 0 };
    case 'pct':
      return { label: '%', scale: 1, digits: 1 };
    case 'years':
      return { label: 'years', scale: 1, digits: 1 };
    case 'days':
      return { label: 'days', scale: 1, digits: 0 };
    case 'km':
      return units.length === 'in'
        ? { label: 'miles', scale: 1 / MILE_IN_KM, digits: 0 }
        : { label: 'km', scale: 1, digits: 0 };
    case 'Hz':
      return { label: 'Hz', scale: 1, digits: 0 };
    case 'N':
      return { label: 'N', scale: 1, digits: 0 };
    case '1/km':
      return units.length === 'in'
        ? { label: 'turns/mile', scale: MILE_IN_KM, digits: 0 }
        : { label: 'turns/km', scale: 1, digits: 0 };
  }
};

/** The unit's label as the fitter reads it. */
export const displayUnit = (unit: Unit, units: UnitPreferences): string =>
  shownAs(unit, units).label;

/** An inside value as a bare number in the fitter's unit, unrounded. */
export const toDisplay = (value: number, unit: Unit, units: UnitPreferences): number => {
  const { scale, shift = 0 } = shownAs(unit, units);
  return value * scale + shift;
};

/** A number in the fitter's unit as an inside value. */
export const fromDisplay = (shown: number, unit: Unit, units: UnitPreferences): number => {
  const { scale, shift = 0 } = shownAs(unit, units);
  return (shown - shift) / scale;
};

/** Units whose trailing noughts say nothing. */
const TRIMMED: readonly Unit[] = ['kg', 'in', 'Nm'];
/** The singular of a unit. */
const ONE: Partial<Record<Unit, string>> = { days: 'day', years: 'year' };

/**
 * Decimals where they were asked for in grams or millimetres: ounce and inch are so much larger
 * that they take more.
 */
const digitsIn = (
  unit: Unit,
  { label, digits: usual }: Shown,
  asked: number | undefined,
): number => {
  if (asked === undefined) return usual;
  if (unit === 'g' && label === 'oz') return asked + usual;
  return unit === 'mm' && label === 'in' ? Math.max(usual, asked + 1) : asked;
};

/**
 * The side of a rounded limit that must not be passed, so that what a sentence asks for is not
 * refused again.
 */
export type Bound = 'min' | 'max';
/** Keeps rounding from counting what arithmetic leaves at a limit. */
const NEARLY = 1e-9;

const rounded = (value: number, digits: number, bound: Bound | undefined): string => {
  if (bound === undefined) return value.toFixed(digits);
  const steps = value * 10 ** digits;
  const whole = bound === 'min' ? Math.ceil(steps - NEARLY) : Math.floor(steps + NEARLY);
  return String(Number((whole / 10 ** digits).toFixed(digits)));
};

/**
 * Writes a quantity; `digits` overrides the usual number of decimals, `more` adds to it, `sign`
 * shows a plus, `bound` rounds a limit to its own side.
 */
export const formatQuantity = (
  value: number,
  unit: Unit,
  units: UnitPreferences,
  options: { digits?: number; more?: number; sign?: boolean; bound?: Bound } = {},
): { text: string; label: string } => {
  const unitShown = shownAs(unit, units);
  const { label } = unitShown;
  const shown = toDisplay(value, unit, units);
  const digits = digitsIn(unit, unitShown, options.digits) + (options.more ?? 0);
  const fixed = rounded(shown, digits, options.bound).replace('-', '');
  const zero = Number(fixed) === 0;
  const trimmed =
    TRIMMED.includes(unit) && options.digits === undefined ? String(Number(fixed)) : fixed;
  const sign = zero ? '' : shown < 0 ? '\u2212' : options.sign ? '+' : '';
  return { text: sign + trimmed, label: (trimmed === '1' && ONE[unit]) || label };
};

/** Labels that follow their number without a space. */
const CLOSE = ['%', '°', TREAD.in.label];

/** A number and the label of its unit: `38.0 psi`, but `7.5%`, `164°` and `6/32 in`. */
export const withUnit = (text: string, label: string): string =>
  CLOSE.includes(label) ? text + label : `${text} ${label}`;

/** A quantity as it is read: `38.0 psi`; options as in `formatQuantity`. */
export const quantityText = (
  value: number,
  unit: Unit,
  units: UnitPreferences,
  options?: { digits?: number; sign?: boolean },
): string => {
  const { text, label } = formatQuantity(value, unit, units, options);
  return withUnit(text, label);
};
