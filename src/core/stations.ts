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

/** Stations whose work is a list of steps. */
export const STEP_STATIONS: readonly StationId[] = ['wheel-off', 'tire-off', 'inspect', 'tire-on'];
