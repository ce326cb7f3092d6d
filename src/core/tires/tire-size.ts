import { marking as markingField } from '../fields';
import { defineWorking, type Show } from '../working';
import { maxLoadKg } from './load-index';
import { parseMarking, type Marking } from './marking';
import { nominalRimMm } from './rim-diameter';
import type { Construction, Notation, SizeHead } from './size-notation';
import { maxSpeedKmh } from './speed-symbol';

/** A marking in numbers. `aspectRatio` in percent; null load and speed where they are not printed. */
export interface TireSize {
  notation: Notation;
  canonical: string;
  sectionWidthMm: number;
  aspectRatio: number;
  rimDiameterIn: number;
  rimDiameterMm: number;
  construction: Construction;
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
  /** True where the notation does not state width or height, so that they are estimates. */
  estimated: boolean;
  /** How far an estimated diameter is likely off, either way; null where it is stated. */
  likelyErrorMm: number | null;
}

/** Height as percent of width where an inch marking does not state it. Basis: memory. */
const INCH_ASPECT_PCT: Partial<Record<Notation, number>> = { inch: 100, 'inch-low': 90 };
/** Likely error of an estimated height, percent. Basis: memory. */
const LIKELY_ERROR_PCT = 5;

/** Height and diameter, from what the head states. */
const heights = (head: SizeHead, rimMm: number, show: Show): { sectionHeightMm: number; overallDiameterMm: number } => {
  if (head.overallDiameterMm !== null) {
    const overallDiameterMm = show.line('overall diameter', 'as printed, in inches × 25.4', head.overallDiameterMm, 'mm');
    const sectionHeightMm = show.line('section height', `(${round(overallDiameterMm)} − ${rimMm}) / 2`, (overallDiameterMm - rimMm) / 2, 'mm');
    return { sectionHeightMm, overallDiameterMm };
  }
  const pct = head.aspectRatio ?? INCH_ASPECT_PCT[head.notation]!;
  const sectionHeightMm = show.line('section height', `${round(head.widthMm)} × ${pct} / 100`, (head.widthMm * pct) / 100, 'mm');
  const overallDiameterMm = show.line('overall diameter', `${rimMm} + 2 × ${round(sectionHeightMm)}`, rimMm + 2 * sectionHeightMm, 'mm');
  return { sectionHeightMm, overallDiameterMm };
};

/** What of a size is not stated but estimated, in words; null where all of it is stated. */
const estimateOf = (notation: Notation): string | null => {
  if (notation === 'inch' || notation === 'inch-low')
    return `inch sizes do not state a height; taken as ${INCH_ASPECT_PCT[notation]} % of the width`;
  if (notation === 'letter') return 'widths of letter sizes are recalled, not looked up';
  if (notation === 'slick') return 'a slick states its tread width; the section is wider';
  return null;
};

const measure = (text: string, show: Show): TireSize => {
  const m = parseMarking(text);
  const rimDiameterMm = show.line('rim', `table, ${m.rimDiameterIn} in`, nominalRimMm(m.rimDiameterIn)!, 'mm');
  show.basis('published', 'UN Regulation No. 75, nominal rim diameters and H = S × ratio / 100, D = d + 2H');
  const { head } = m;
  const sectionWidthMm = show.line(head.notation === 'slick' ? 'tread width' : 'section width', `${head.text}, as printed`, head.widthMm, 'mm');
  const estimate = estimateOf(head.notation);
  if (estimate) {
    show.basis('memory', estimate);
    show.caution('What this size does not state is an estimate. Measure before you rely on it.');
    show.verdict('check');
  }
  const { sectionHeightMm, overallDiameterMm } = heights(head, rimDiameterMm, show);
  const likelyErrorMm =
    head.aspectRatio === null && head.overallDiameterMm === null
      ? show.line('diameter likely off by', `${LIKELY_ERROR_PCT} % of the height, twice`, (2 * sectionHeightMm * LIKELY_ERROR_PCT) / 100, 'mm')
      : null;
  const circumferenceMm = show.line('circumference', `π × ${round(overallDiameterMm)}`, Math.PI * overallDiameterMm, 'mm');
  const load = m.loadIndex === null ? null : maxLoadKg(m.loadIndex)!;
  const speed = m.speedSymbol === null ? null : maxSpeedKmh(m.speedSymbol)!;
  if (load !== null && speed !== null) {
    show.line('carries at most', `load index ${m.loadIndex}`, load, 'kg');
    show.line('up to', `speed symbol ${m.speedSymbol}`, speed, 'km/h');
    show.basis('published', 'ISO 4000-1, load index and speed symbol');
  }
  return {
    notation: head.notation,
    canonical: m.canonical,
    sectionWidthMm,
    aspectRatio: head.aspectRatio ?? (100 * sectionHeightMm) / sectionWidthMm,
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
    estimated: estimate !== null,
    likelyErrorMm,
  };
};

const round = (value: number) => Math.round(value * 10) / 10;

/**
 * What a sidewall marking says, in numbers.
 *
 * `marking` up to 40 characters: metric (150/70-17 69H TL, 205/80R12), inch (3.00-21, 2 3/4-17, 5.10-18), letter-coded
 * (MT90B16), flotation (25x8-12, 11x7.10-5) or slick (33.0/10.5-15).
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
