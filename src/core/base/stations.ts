/** The stations in the order of the work. */
export const STATIONS = [
  'intake',
  'choose',
  'wheel-off',
  'tire-off',
  'inspect',
  'tire-on',
  'seat',
  'set',
  'balance',
  'wheel-back',
  'hand-over',
] as const;
export type StationId = (typeof STATIONS)[number];

export const STATION_WORDS: Record<StationId, string> = {
  intake: 'Intake',
  choose: 'Choose',
  'wheel-off': 'Wheel off',
  'tire-off': 'Tire off',
  inspect: 'Inspect',
  'tire-on': 'Tire on',
  seat: 'Seat',
  set: 'Set',
  balance: 'Balance',
  'wheel-back': 'Wheel back',
  'hand-over': 'Hand over',
};

/**
 * Stations that take a wheel off its machine or put it back: a loose wheel has nothing to do there.
 */
export const MACHINE_STATIONS: readonly StationId[] = ['wheel-off', 'wheel-back'];

/** Stations with steps at the machine: those, and the check after the ride. */
export const MACHINE_STEP_STATIONS: readonly StationId[] = [...MACHINE_STATIONS, 'hand-over'];

/** Stations whose work is a list of steps. */
export const STEP_STATIONS: readonly StationId[] = ['wheel-off', 'tire-off', 'inspect', 'tire-on'];
