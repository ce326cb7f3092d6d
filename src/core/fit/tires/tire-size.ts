import { InputError } from '../../base/errors';
import { marking as markingField, ruleValues } from '../../base/fields';
import { letterRuleKey, ruleNumber, type RuleValues } from '../../base/rules';
import { defineWorking, SILENT, type Show } from '../../base/working';
import { maxLoadKg } from './load-index';
import { parseMarking, type Marking } from './marking';
import { nominalRimMm } from './rim-diameter';
import type { Construction, Notation, SizeHead } from './size-notation';
import { maxSpeedKmh } from './speed-symbol';

/**
 * A marking in numbers. `aspectRatio` in percent; null load and speed where they are not printed.
 */
export interface TireSize {
  notation: Notation;
  canonical: string;
  /** The size alone, as two tires of one size share it. */
  size: string;
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
  notForHighway: boolean;
  /** True where the notation does not state width or height, so that they are estimates. */
  estimated: boolean;
  /** The likely error of an estimated diameter, either way; null if it is stated. */
  likelyErrorMm: number | null;
}

const round = (value: number) => Math.round(value * 10) / 10;

/** The rule with the height that an inch size does not state. */
const HEIGHT_RULE: Partial<Record<Notation, string>> = {
  inch: 'size.inchHeightPct',
  'inch-low': 'size.inchLowHeightPct',
};

interface Stated {
  head: SizeHead;
  widthMm: number;
  rimMm: number;
}

/** Height and diameter, from what the head states. */
const heights = ({ head, widthMm, rimMm }: Stated, rules: RuleValues | undefined, show: Show) => {
  if (head.overallDiameterMm !== null) {
    const overallDiameterMm = show.line(
      'overall diameter',
      'as printed, in inches × 25.4',
      head.overallDiameterMm,
      'mm',
    );
    const sectionHeightMm = show.line(
      'section height',
      `(${round(overallDiameterMm)} − ${rimMm}) / 2`,
      (overallDiameterMm - rimMm) / 2,
      'mm',
    );
    return { sectionHeightMm, overallDiameterMm };
  }
  const pct = head.aspectRatio ?? ruleNumber(HEIGHT_RULE[head.notation]!, rules, show);
  const sectionHeightMm = show.line(
    'section height',
    `${round(widthMm)} × ${pct} / 100`,
    (widthMm * pct) / 100,
    'mm',
  );
  const overallDiameterMm = show.line(
    'overall diameter',
    `${rimMm} + 2 × ${round(sectionHeightMm)}`,
    rimMm + 2 * sectionHeightMm,
    'mm',
  );
  return { sectionHeightMm, overallDiameterMm };
};

/** The estimated parts of a size, in words; null if all of it is stated. */
const estimateOf = (notation: Notation): string | null => {
  if (notation === 'inch' || notation === 'inch-low') return 'inch sizes do not state a height';
  if (notation === 'letter') return 'letters code the width (unconfirmed table)';
  if (notation === 'slick') return 'a slick states its tread width; the section is wider';
  return null;
};

/** The numbers of a marking, with its lines shown. Throws `InputError`. */
const measure = (text: string, rules: RuleValues | undefined, show: Show): TireSize => {
  const m = parseMarking(text);
  const { head } = m;
  const rimDiameterMm = show.line(
    'rim',
    `table, ${m.rimDiameterIn} in`,
    nominalRimMm(m.rimDiameterIn)!,
    'mm',
  );
  show.basis(
    'published',
    'UN Regulation No. 75, nominal rim diameters and H = S × ratio / 100, D = d + 2H',
  );
  const widthMm = head.widthMm ?? ruleNumber(letterRuleKey(head.letters!), rules, show);
  const sectionWidthMm = show.line(
    head.notation === 'slick' ? 'tread width' : 'section width',
    `${head.text}, as printed`,
    widthMm,
    'mm',
  );
  const estimate = estimateOf(head.notation);
  if (estimate) {
    show.basis('memory', estimate);
    show.caution('Values not in this size are estimates. Measure before you rely on them.');
    show.verdict('check');
  }
  const { sectionHeightMm, overallDiameterMm } = heights(
    { head, widthMm, rimMm: rimDiameterMm },
    rules,
    show,
  );
  let likelyErrorMm: number | null = null;
  if (head.aspectRatio === null && head.overallDiameterMm === null) {
    const errorPct = ruleNumber('size.likelyErrorPct', rules, show);
    likelyErrorMm = show.line(
      'diameter likely off by',
      `${errorPct}% of the height, twice`,
      (2 * sectionHeightMm * errorPct) / 100,
      'mm',
    );
  }
  const circumferenceMm = show.line(
    'circumference',
    `π × ${round(overallDiameterMm)}`,
    Math.PI * overallDiameterMm,
    'mm',
  );
  const load = m.loadIndex === null ? null : maxLoadKg(m.loadIndex)!;
  const speed = m.speedSymbol === null ? null : maxSpeedKmh(m.speedSymbol)!;
  if (load !== null) show.line('max load', `load index ${m.loadIndex}`, load, 'kg');
  if (speed !== null) {
    show.line('up to', `speed symbol ${m.speedSymbol}`, speed, 'km/h');
    show.basis('published', 'ISO 4000-1, load index and speed symbol');
  }
  return {
    notation: head.notation,
    canonical: m.canonical,
    size: m.size,
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
    notForHighway: m.notForHighway,
    estimated: estimate !== null,
    likelyErrorMm,
  };
};

/**
 * The numbers of a sidewall marking.
 *
 * `marking` up to 40 characters: metric (140/70-17 66H TL, 205/80R12), inch (3.00-21, 2 3/4-17, 5.10-18), letter-coded
 * (MT90B16), flotation (25x8-12, 11x7.10-5) or slick (33.0/10.5-15). What a size does not state
 * comes from the rules of the group Sizes, and the result says so with its likely error. Throws
 * `InputError` where the marking stops making sense. Source: UN Regulation No. 75; ISO 4000-1.
 */
export const tireSize = defineWorking<{ marking: string; rules?: RuleValues }, TireSize>({
  name: 'tire-size',
  title: 'Tire dimensions',
  input: () => ({
    marking: markingField('The size as printed on the sidewall'),
    rules: ruleValues(),
  }),
  example: { marking: '140/70-17 66H TL' },
  work: ({ marking, rules }, show) => measure(marking, rules, show),
});

/** The numbers of a marking alone, without lines. Throws `InputError`. */
export const readTire = (marking: string, rules?: RuleValues): TireSize =>
  measure(marking, rules, SILENT);

/** The same, or null where the marking makes no sense. */
export const tryReadTire = (marking: string, rules?: RuleValues): TireSize | null => {
  try {
    return readTire(marking, rules);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
};
