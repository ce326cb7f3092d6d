import { marking, oneOf, quantity, ruleValues } from '../../base/fields';
import {
  rimWidthRuleKeys,
  RIM_WIDTH_SECTIONS_MM,
  ruleNumber,
  type RuleValues,
} from '../../base/rules';
import { INCH_IN_MM } from '../../base/units';
import { defineWorking, reason, SILENT, type Reason, type Show } from '../../base/working';
import { readTire, type TireSize } from './tire-size';

/** Rims that a tire goes on, and where this one lies. */
interface RimWidthFit {
  lowIn: number;
  highIn: number;
  reason: Reason;
}

/** The row of the table that is nearest in width. */
const nearestRow = (widthMm: number): number =>
  RIM_WIDTH_SECTIONS_MM.reduce((best, mm) =>
    Math.abs(mm - widthMm) < Math.abs(best - widthMm) ? mm : best,
  );

const IN_TOLERANCE = 0.005;

/**
 * The fit of a rim's width to a tire, by the shop's table. `fourWheels` for quads and
 * side-by-sides.
 */
export const fitRimWidth = (
  size: TireSize,
  rimWidthIn: number,
  fourWheels: boolean,
  rules: RuleValues | undefined,
  show: Show = SILENT,
): RimWidthFit => {
  const keys = rimWidthRuleKeys(nearestRow(size.sectionWidthMm));
  const ofWidth = (key: string) =>
    (size.sectionWidthMm * ruleNumber(key, rules, show)) / 100 / INCH_IN_MM;
  const lowIn = show.line(
    'narrowest rim',
    fourWheels ? 'percent of the section width' : 'table',
    fourWheels ? ofWidth('rimWidth.wideLowPct') : ruleNumber(keys.low, rules, show),
    'in',
  );
  const highIn = show.line(
    'widest rim',
    fourWheels ? 'percent of the section width' : 'table',
    fourWheels ? ofWidth('rimWidth.wideHighPct') : ruleNumber(keys.high, rules, show),
    'in',
  );
  show.line('this rim', 'as stamped', rimWidthIn, 'in');
  const outIn = Math.max(lowIn - rimWidthIn, rimWidthIn - highIn);
  const widths = [rimWidthIn, lowIn, highIn].map((value) => ({
    value,
    unit: 'in' as const,
    digits: 2,
  }));
  const range = 'the table has {1} to {2}';
  const is = 'A rim {0} wide';
  if (outIn <= 0)
    return { lowIn, highIn, reason: reason('good', `${is} suits it: ${range}.`, widths) };
  const marginIn = ruleNumber('rimWidth.marginIn', rules, show);
  const isLittle = outIn <= marginIn + IN_TOLERANCE;
  const side = rimWidthIn < lowIn ? 'narrow' : 'wide';
  return {
    lowIn,
    highIn,
    reason: reason(
      isLittle ? 'check' : 'stop',
      `${is} is ${isLittle ? 'a little' : 'too'} ${side}: ${range}.`,
      widths,
    ),
  };
};

interface Input {
  marking: string;
  rimWidthIn: number;
  wheels: 'two' | 'four';
  rules?: RuleValues;
}

/**
 * Whether a tire's section suits a rim's width.
 *
 * `rimWidthIn` as stamped, 1 to 14. The ranges are rules of the group Rim widths, from memory until the shop confirms
 * them.
 * Throws `InputError` for a marking that makes no sense.
 */
export const rimWidthFit = defineWorking<Input, RimWidthFit>({
  name: 'rim-width-fit',
  title: 'Tire and rim width',
  input: () => ({
    marking: marking('The tire that goes on'),
    rimWidthIn: quantity('in', 1, 14, 'Stamped rim width'),
    wheels: oneOf(['two', 'four'], 'Wheels of the machine'),
    rules: ruleValues(),
  }),
  example: { marking: '110/90-19', rimWidthIn: 2.15, wheels: 'two' },
  work({ marking: text, rimWidthIn, wheels, rules }, show) {
    const fit = fitRimWidth(readTire(text, rules), rimWidthIn, wheels === 'four', rules, show);
    show.verdict(fit.reason.verdict);
    if (fit.reason.verdict !== 'good') show.caution('The tire maker’s own table decides.');
    return fit;
  },
});
