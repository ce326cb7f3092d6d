import { marking, quantity, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { readTire, type TireSize } from '../tires';
import { defineWorking, reason, SILENT, type Reason, type Show } from '../../base/working';

interface TubeStretch {
  /** Round the tube, laid flat twice. */
  tubeGirthMm: number;
  /** Round the space between tire and rim. */
  spaceGirthMm: number;
  stretchPct: number;
  reason: Reason;
}

/** Perimeter of an ellipse from its half axes. Source: Ramanujan (1914), second approximation. */
export const ellipseGirthMm = (a: number, b: number): number => {
  const h = ((a - b) / (a + b)) ** 2;
  return Math.PI * (a + b) * (1 + (3 * h) / (10 + Math.sqrt(4 - 3 * h)));
};

/** The stretch of a tube in a tire, from its width laid flat. */
export const stretchOf = (
  size: TireSize,
  flatWidthMm: number,
  rules: RuleValues | undefined,
  show: Show = SILENT,
): TubeStretch => {
  const sideMm = ruleNumber('tube.carcassMm', rules, show);
  const crownMm = ruleNumber('tube.crownMm', rules, show);
  const tubeGirthMm = show.line('girth of the tube', `2 × ${flatWidthMm}`, 2 * flatWidthMm, 'mm');
  const widthMm = show.line(
    'width of the space',
    `section width − 2 × ${sideMm}`,
    Math.max(1, size.sectionWidthMm - 2 * sideMm),
    'mm',
  );
  const heightMm = show.line(
    'height of the space',
    `section height − ${crownMm}`,
    Math.max(1, size.sectionHeightMm - crownMm),
    'mm',
  );
  const spaceGirthMm = show.line(
    'girth of the space',
    'perimeter of an ellipse',
    ellipseGirthMm(widthMm / 2, heightMm / 2),
    'mm',
  );
  const stretchPct = show.line(
    'stretch',
    `${Math.round(spaceGirthMm)} / ${Math.round(tubeGirthMm)} − 1`,
    (spaceGirthMm / tubeGirthMm - 1) * 100,
    'pct',
  );
  const lowPct = ruleNumber('tube.stretchLowPct', rules, show);
  const highPct = ruleNumber('tube.stretchHighPct', rules, show);
  const stopPct = ruleNumber('tube.stretchStopPct', rules, show);
  const by = [{ value: stretchPct, unit: 'pct' as const }];
  const why =
    stretchPct < lowPct
      ? reason('stop', 'Too big for this tire: it folds, and a fold pinches.')
      : stretchPct > stopPct
        ? reason('stop', 'Stretches {0}: thin, runs hot.', by)
        : stretchPct > highPct
          ? reason('check', 'Stretches {0}, more than usual.', by)
          : reason('good', 'Stretches {0}.', by);
  return { tubeGirthMm, spaceGirthMm, stretchPct, reason: why };
};

/**
 * The stretch of a tube in a tire: its flat width twice, against the girth of the space between
 * tire and rim.
 *
 * `flatWidthMm` 15 to 300. The space is taken as an ellipse of the section less the carcass; the thicknesses and the
 * limits are rules, from memory. Throws `InputError` for a marking that makes no sense.
 * Source: perimeter of an ellipse, Ramanujan's second approximation.
 */
export const tubeStretch = defineWorking<
  { tire: string; flatWidthMm: number; rules?: RuleValues },
  TubeStretch
>({
  name: 'tube-stretch',
  title: 'Tube stretch',
  input: () => ({
    tire: marking('The tire that goes on'),
    flatWidthMm: quantity('mm', 15, 300, 'Width of the tube laid flat'),
    rules: ruleValues(),
  }),
  example: { tire: '110/90-19', flatWidthMm: 105 },
  work({ tire, flatWidthMm, rules }, show) {
    const stretch = stretchOf(readTire(tire, rules), flatWidthMm, rules, show);
    show.basis('published', 'perimeter of an ellipse, Ramanujan’s second approximation');
    show.verdict(stretch.reason.verdict);
    return stretch;
  },
});
