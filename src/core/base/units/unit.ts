/** The units that values carry inside the program; field names end in them. */
export type Unit =
  | 'mm'
  /** Depth of tread, mm inside: its gauges read in 32nds of an inch where lengths are inches. */
  | 'tread'
  | 'in'
  | 'kPa'
  | 'g'
  | 'kg'
  | 'Nm'
  | 'C'
  | 'K'
  | 'deg'
  | 'm'
  | 'km/h'
  | 'pct'
  | 'years'
  | 'days'
  | 'km'
  | '1/km'
  | 'Hz'
  | 'N';

/** Units in words, for sentences about bad input. */
export const UNIT_NAMES: Record<Unit, string> = {
  mm: 'millimeters',
  tread: 'millimeters',
  in: 'inches',
  kPa: 'kilopascals',
  g: 'grams',
  kg: 'kilograms',
  Nm: 'newton meters',
  C: 'degrees Celsius',
  K: 'kelvin',
  deg: 'degrees',
  m: 'meters',
  'km/h': 'kilometers an hour',
  pct: 'percent',
  years: 'years',
  days: 'days',
  km: 'kilometers',
  '1/km': 'turns per kilometer',
  Hz: 'hertz',
  N: 'newtons',
};
