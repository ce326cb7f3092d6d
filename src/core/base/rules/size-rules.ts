import type { Rule } from './rule';

const memory = 'Recalled, not looked up. Confirm with the maker’s table.';

const estimate = (
  key: string,
  label: string,
  value: number,
  unit: Rule['unit'],
  min: number,
  max: number,
): Rule => ({
  key,
  says: label,
  group: 'Sizes',
  value,
  unit,
  basis: 'memory',
  note: memory,
  min,
  max,
});

/** Width by the letters of a cruiser size. */
const LETTERS: Readonly<Record<string, number>> = {
  MH: 80,
  MJ: 90,
  MM: 100,
  MN: 110,
  MP: 120,
  MR: 120,
  MT: 130,
  MU: 140,
  MV: 150,
};

/** The rule that holds the width of a letter size, `MT` to `size.letterMtMm`. */
export const letterRuleKey = (letters: string): string =>
  `size.letter${letters[0]}${letters[1]!.toLowerCase()}Mm`;

/** Rim widths by section width: the narrowest and the widest rim, in inches. Basis: memory. */
const RIM_WIDTHS: readonly (readonly [sectionMm: number, lowIn: number, highIn: number])[] = [
  [60, 1.4, 1.85],
  [70, 1.4, 1.85],
  [80, 1.6, 2.15],
  [90, 1.6, 2.5],
  [100, 1.85, 2.75],
  [110, 1.85, 3],
  [120, 2.15, 3.75],
  [130, 2.15, 4],
  [140, 2.15, 4.5],
  [150, 3.5, 4.5],
  [160, 4, 5],
  [170, 4, 5.5],
  [180, 5, 6],
  [190, 5.5, 6],
  [200, 5.5, 6.5],
  [240, 7.5, 9],
];

/** Section widths that the rim-width table has a row for. */
export const RIM_WIDTH_SECTIONS_MM: readonly number[] = RIM_WIDTHS.map(([mm]) => mm);

/** The two rules of a row of the rim-width table. */
export const rimWidthRuleKeys = (sectionMm: number): { low: string; high: string } => ({
  low: `rimWidth.s${sectionMm}LowIn`,
  high: `rimWidth.s${sectionMm}HighIn`,
});

const rimWidth = (key: string, label: string, value: number, min = 0.5, note = memory): Rule => ({
  key,
  says: label,
  group: 'Rim widths',
  value,
  unit: 'in',
  basis: 'memory',
  note,
  min,
  max: 14,
});

/** Values that a size does not state, and the rims it goes on. */
export const SIZE_RULES: readonly Rule[] = [
  estimate(
    'size.inchHeightPct',
    'Height of an inch size (4.00-18), of its width',
    100,
    'pct',
    60,
    120,
  ),
  estimate(
    'size.inchLowHeightPct',
    'Height of a low-section inch size (4.60-18), of its width',
    90,
    'pct',
    60,
    120,
  ),
  estimate('size.likelyErrorPct', 'Estimated height: likely error', 5, 'pct', 0, 30),
  ...Object.entries(LETTERS).map(([letters, mm]) =>
    estimate(letterRuleKey(letters), `Width of the letters ${letters}`, mm, 'mm', 50, 250),
  ),
  ...RIM_WIDTHS.flatMap(([mm, low, high]) => {
    const keys = rimWidthRuleKeys(mm);
    return [
      rimWidth(keys.low, `Narrowest rim for a ${mm} wide tire`, low),
      rimWidth(keys.high, `Widest rim for a ${mm} wide tire`, high),
    ];
  }),
  rimWidth(
    'rimWidth.marginIn',
    'Outside the table: check up to',
    0.25,
    0,
    'Recalled. Further out is a stop.',
  ),
  {
    key: 'rimWidth.wideLowPct',
    says: 'Four wheels: narrowest rim, of the section width',
    group: 'Rim widths',
    value: 60,
    unit: 'pct',
    basis: 'memory',
    note: memory,
    min: 30,
    max: 120,
  },
  {
    key: 'rimWidth.wideHighPct',
    says: 'Four wheels: widest rim, of the section width',
    group: 'Rim widths',
    value: 95,
    unit: 'pct',
    basis: 'memory',
    note: memory,
    min: 30,
    max: 120,
  },
];
