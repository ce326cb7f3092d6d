import { useState } from 'react';
import { pressureStartOf } from '../../core/job';
import { ruleNumber } from '../../core/base/rules';
import type { Unit } from '../../core/base/units';
import { useJob } from '../shared/job-context';
import { useUnits } from '../shared/quantity';

/** The fields at Set: the unit of each, and its bounds in SI. */
const FIELDS = {
  shopC: { unit: 'C', min: -60, max: 60 },
  rideC: { unit: 'C', min: -60, max: 60 },
  shopM: { unit: 'm', min: -500, max: 9000 },
  rideM: { unit: 'm', min: -500, max: 9000 },
  meantKpa: { unit: 'kPa', min: 0, max: 1000 },
  gaugeKpa: { unit: 'kPa', min: 0, max: 1000 },
  secondKpa: { unit: 'kPa', min: 0, max: 1000 },
} as const satisfies Record<string, { unit: Unit; min: number; max: number }>;
type FieldName = keyof typeof FIELDS;
const NAMES = Object.keys(FIELDS) as FieldName[];

/** The typed values at Set, field by field. */
export interface TypedPressure {
  /** As typed, in the fitter's units. */
  typed: Record<FieldName, string>;
  put(part: Partial<Record<FieldName, string>>): void;
  /** In SI; null where nothing is typed or it makes no sense. */
  values: Record<FieldName, number | null>;
  /** The fault of each; null if there is none. */
  problems: Record<FieldName, string | null>;
}

const byField = <T>(of: (name: FieldName) => T): Record<FieldName, T> =>
  Object.fromEntries(NAMES.map((name) => [name, of(name)])) as Record<FieldName, T>;

/**
 * Begins with what was written before, else with the starting pressure at the shop's own height and
 * 20 °C.
 */
export const useTypedPressure = (): TypedPressure => {
  const { state } = useJob();
  const { read, say, write } = useUnits();
  const [typed, setTyped] = useState(() => {
    const before = state.pressureSet;
    const start = pressureStartOf(state);
    const shopM = ruleNumber('shop.altitudeM', state.rules);
    const meantKpa = before?.rideKpa ?? (start.ok ? start.working.result.pressureKpa : null);
    const inSi: Record<FieldName, number | null> = {
      shopC: before?.shopC ?? 20,
      rideC: before?.rideC ?? 20,
      shopM: before?.shopM ?? shopM,
      rideM: before?.rideM ?? shopM,
      meantKpa,
      gaugeKpa: before?.gaugeKpa ?? null,
      secondKpa: before?.second?.gaugeKpa ?? null,
    };
    const digits = (name: FieldName) => (FIELDS[name].unit === 'kPa' ? 1 : 0);
    return byField((name) =>
      inSi[name] === null ? '' : write(inSi[name], FIELDS[name].unit, digits(name)),
    );
  });
  const values = byField((name) => {
    const { unit, min, max } = FIELDS[name];
    const value = read(typed[name], unit);
    return value !== null && value >= min && value <= max ? value : null;
  });
  const problems = byField((name) => {
    const { unit, min, max } = FIELDS[name];
    if (values[name] !== null || (name === 'secondKpa' && !typed[name].trim())) return null;
    return `From ${say(min, unit)} to ${say(max, unit)}.`;
  });
  return { typed, put: (part) => setTyped((t) => ({ ...t, ...part })), values, problems };
};
