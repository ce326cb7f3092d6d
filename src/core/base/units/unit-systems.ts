import type { UnitPreferences } from './display';

/** The units a shop chooses at once; each device may still change one. */
export const UNIT_SYSTEMS = {
  US: { pressure: 'psi', length: 'in', mass: 'g', torque: 'lbf·ft', temperature: '°F' },
  metric: { pressure: 'bar', length: 'mm', mass: 'g', torque: 'N·m', temperature: '°C' },
} as const satisfies Record<string, UnitPreferences>;
export type UnitSystem = keyof typeof UNIT_SYSTEMS;

/** The units that field names end in, for text that is not read by a fitter. */
export const SI_UNITS: UnitPreferences = { ...UNIT_SYSTEMS.metric, pressure: 'kPa' };

/** The units of a shop's choice, those of the US for a word that is not known. */
export const unitsOfSystem = (system: unknown): UnitPreferences =>
  UNIT_SYSTEMS[system === 'metric' ? 'metric' : 'US'];
