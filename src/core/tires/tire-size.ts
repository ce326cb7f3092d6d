import { marking as markingField } from '../fields';
import { INCH_IN_MM } from '../units';
import { defineWorking, type Show } from '../working';
import { maxLoadKg } from './load-index';
import { parseMarking, type Marking } from './marking';
import { nominalRimMm } from './rim-diameter';
import { maxSpeedKmh } from './speed-symbol';

/** A marking in numbers. `aspectRatio` in percent; null load and speed where they are not printed. */
export interface TireSize {
  notation: Marking['notation'];
  canonical: string;
  sectionWidthMm: number;
  aspectRatio: number;
  rimDiameterIn: number;
  rimDiameterMm: number;
  construction: Marking['construction'];
  sectionHeightMm: number;
  overallDiameterMm: number;
  circumferenceMm: number;
  loadIndex: number | null;
  maxLoadKg: number | null;
  speedSymbol: string | null;
  maxSpeedKmh: number | null;
  tubeless: boolean | null;
  position: Marking['position'];
  reinforced: boolean;
  /** True where the notation does not state the height, so height and diameter are estimates. */
  estimated: boolean;
}

/** Height as percent of width where an inch marking does not state it. */
const INCH_ASPECT_PCT = 100;

const measure = (text: string, show: Show): TireSize => {
  const m = parseMarking(text);
  const rimDiameterMm = show.line('rim', `table, ${m.rimDiameterIn} in`, nominalRimMm(m.rimDiameterIn)!, 'mm');
  show.basis('published', 'UN Regulation No. 75, nominal rim diameters and H = S × ratio / 100, D = d + 2H');
  const estimated = m.aspectRatio === null;
  const aspectRatio = m.aspectRatio ?? INCH_ASPECT_PCT;
  const sectionWidthMm =
    m.notation === 'inch'
      ? show.line('section width', `${m.width} in × ${INCH_IN_MM}`, m.width * INCH_IN_MM, 'mm')
      : show.line('section width', 'as printed', m.width, 'mm');
  if (estimated) {
    show.basis('memory', `inch sizes do not state a height; taken as ${INCH_ASPECT_PCT} % of the width`);
    show.caution('Height and diameter of an inch size are estimates. Measure before you rely on them.');
    show.verdict('check');
  }
  const sectionHeightMm = show.line(
    'section height',
    `${round(sectionWidthMm)} × ${aspectRatio} / 100`,
    (sectionWidthMm * aspectRatio) / 100,
    'mm',
  );
  const overallDiameterMm = show.line(
    'overall diameter',
    `${rimDiameterMm} + 2 × ${round(sectionHeightMm)}`,
    rimDiameterMm + 2 * sectionHeightMm,
    'mm',
  );
  const circumferenceMm = show.line('circumference', `π × ${round(overallDiameterMm)}`, Math.PI * overallDiameterMm, 'mm');
  const load = m.loadIndex === null ? null : maxLoadKg(m.loadIndex)!;
  const speed = m.speedSymbol === null ? null : maxSpeedKmh(m.speedSymbol)!;
  if (load !== null && speed !== null) {
    show.line('carries at most', `load index ${m.loadIndex}`, load, 'kg');
    show.line('up to', `speed symbol ${m.speedSymbol}`, speed, 'km/h');
    show.basis('published', 'ISO 4000-1, load index and speed symbol');
  }
  return {
    notation: m.notation,
    canonical: m.canonical,
    sectionWidthMm,
    aspectRatio,
    rimDiameterIn: m.rimDiameterIn,
    rimDiameterMm,
    construction: m.construction,
    sectionHeightMm,
    overallDiameterMm,
    circumferenceMm,
    loadIndex: m.loadIndex,
    maxLoadKg: load,
    speedSymbol: m.speedSymbol,
    maxSpeedKmh: speed,
    tubeless: m.tubeless,
    position: m.position,
    reinforced: m.reinforced,
    estimated,
  };
};

const round = (value: number) => Math.round(value * 10) / 10;

/**
 * What a sidewall marking says, in numbers.
 *
 * `marking` up to 40 characters, metric (150/70-17 69H TL) or inch (3.00-21).
 * Throws `InputError` where the marking stops making sense. Source: UN Regulation No. 75; ISO 4000-1.
 */
export const tireSize = defineWorking<{ marking: string }, TireSize>({
  name: 'tire-size',
  says: 'What a tire marking means in numbers',
  input: { marking: markingField('The size as printed on the sidewall') },
  example: { marking: '150/70-17 69H TL' },
  work: ({ marking }, show) => measure(marking, show),
});

/** The numbers of a marking alone. Throws `InputError`. */
export const readTire = (marking: string): TireSize => tireSize.run({ marking }).result;
