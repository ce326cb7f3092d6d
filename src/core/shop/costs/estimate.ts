import { InputError } from '../../base/errors';
import { count, listOf, oneOf, record, ruleValues, text } from '../../base/fields';
import { ruleNumber, ruleWord, type RuleValues } from '../../base/rules';
import { formatMoney } from '../../base/units';
import { BUILDS, type Build } from '../../fit/wheels';
import { defineWorking, reason, worstOf, type Reason, type Show } from '../../base/working';

/**
 * A wheel to be charged for. Times in whole seconds: spent so far, and what is left, in the middle
 * and nine times in ten.
 */
export interface ChargedWheel {
  name: string;
  build: Build;
  parts: { what: string; count: number; priceMinor: number | null }[];
  spentS: number;
  leftMedianS: number;
  leftNinetyS: number;
  /** Tires that go to recycling. */
  tiresToDispose: number;
}

interface Input {
  wheels: ChargedWheel[];
  /** The approved amount; left out if there was none. */
  agreedMinor?: number;
  rules?: RuleValues;
}

export interface Estimate {
  currency: string;
  partsMinor: number;
  /**
   * In the middle, and nine times in ten at most; the same where labour is charged by the wheel.
   */
  labourMinor: number;
  labourHighMinor: number;
  feeMinor: number;
  taxMinor: number;
  totalMinor: number;
  /** Nine times in ten no more. */
  highMinor: number;
  /** Some price is not known, so the total is too small. */
  incomplete: boolean;
  /** So much more than was agreed that it is asked again; null where nothing was agreed. */
  askAgain: boolean | null;
  reasons: Reason[];
}

/** Labour for one wheel where it is charged by the wheel. */
const WHEEL_RATES: Record<Build, string> = {
  spoked: 'labour.spokedMinor',
  cast: 'labour.castMinor',
  split: 'labour.splitMinor',
  beadlock: 'labour.beadlockMinor',
};

interface Labour {
  labourMinor: number;
  labourHighMinor: number;
}

/** By the wheel: what its build costs, whatever it takes. */
const byWheel: LabourBy = (wheels, rules, show, say) => {
  const rates = wheels.map(({ name, build }) => {
    const rate = ruleNumber(WHEEL_RATES[build], rules, show);
    show.line(`labour, ${name}`, build, say(rate));
    return rate;
  });
  const labourMinor = rates.reduce((n, rate) => n + rate, 0);
  return { labourMinor, labourHighMinor: labourMinor };
};

/** By the hour: what was worked and what is left, of all wheels together. */
const byHour: LabourBy = (wheels, rules, show, say) => {
  const rate = ruleNumber('labour.hourMinor', rules, show);
  const hours = (left: (w: ChargedWheel) => number) =>
    wheels.reduce((n, w) => n + w.spentS + left(w), 0) / HOUR_S;
  const middle = hours((w) => w.leftMedianS);
  // All wheels at their longest at once is rarer than one in ten: the bill is lower in nine of ten.
  const most = hours((w) => w.leftNinetyS);
  const [labourMinor, labourHighMinor] = [Math.round(middle * rate), Math.round(most * rate)];
  show.line('labour', `${middle.toFixed(2)} h × ${say(rate)}`, say(labourMinor));
  if (labourHighMinor > labourMinor)
    show.line('labor, 90% chance', `${most.toFixed(2)} h × ${say(rate)}`, say(labourHighMinor));
  return { labourMinor, labourHighMinor };
};

type LabourBy = (
  wheels: readonly ChargedWheel[],
  rules: RuleValues | undefined,
  show: Show,
  say: (minor: number) => string,
) => Labour;

const labourOf: LabourBy = (...how) =>
  (ruleWord('labour.by', how[1]) === 'the hour' ? byHour : byWheel)(...how);

/**
 * A percentage of money, exact to a thousandth of the smallest coin: 115% of 10000 is 11500, not a
 * fraction less.
 */
const percentOf = (minor: number, pct: number): number => Math.round(minor * pct * 10) / 1000;

const HOUR_S = 3600;
const MAX_S = 30 * 86_400;

const money = (label: string) => count(0, 100_000_000, label);
const seconds = (label: string) => count(0, MAX_S, `${label}, in seconds`);

/**
 * The cost of a visit: parts, labour by the wheel or by the hour, disposal fee and tax, with a
 * range where labour goes by the hour and the time is uncertain.
 *
 * Amounts in the smallest coin; labour by the hour is taken for all wheels together and, like tax,
 * rounded half up once. Rates, fee, tax, and how far beyond what was agreed it is asked again are
 * the shop’s rules. A price that is not known counts nothing, and the result says so. Once the work
 * is done it is what the work came to.
 */
export const estimate = defineWorking<Input, Estimate>({
  name: 'estimate',
  title: 'Estimate and final cost',
  input: () => ({
    wheels: listOf(
      record(
        {
          name: text(120, 'The wheel'),
          build: oneOf(BUILDS, 'Rim build'),
          parts: listOf(
            record(
              {
                what: text(120, 'What it is'),
                count: count(1, 1000, 'Count'),
                priceMinor: money('Price').allow(null),
              },
              'A part',
            ),
            60,
            'Its parts',
          ),
          spentS: seconds('Worked so far'),
          leftMedianS: seconds('Time left, median'),
          leftNinetyS: seconds('Time left, 90%'),
          tiresToDispose: count(0, 4, 'Tires to recycling'),
        },
        'A wheel',
      ),
      8,
      'The wheels',
    ),
    agreedMinor: money('Approved up to').optional(),
    rules: ruleValues(),
  }),
  example: {
    wheels: [
      {
        name: 'rear wheel',
        build: 'spoked',
        parts: [
          { what: 'tire 100/90-19', count: 1, priceMinor: 9250 },
          { what: 'tube', count: 1, priceMinor: 1490 },
        ],
        spentS: 0,
        leftMedianS: 5400,
        leftNinetyS: 7200,
        tiresToDispose: 1,
      },
    ],
    agreedMinor: 15_000,
    rules: {
      'labour.by': 'the hour',
      'labour.hourMinor': 4800,
      'cost.disposalMinor': 400,
      'cost.taxPct': 8,
    },
  },
  work({ wheels, agreedMinor, rules }, show) {
    wheels.forEach((wheel, i) => {
      if (wheel.leftNinetyS < wheel.leftMedianS)
        throw new InputError(
          `wheels[${i}].leftNinetyS`,
          'Nine times in ten it would take less than in the middle.',
          `Enter at least ${wheel.leftMedianS}`,
        );
    });
    const currency = ruleWord('cost.currency', rules);
    const say = (minor: number) => formatMoney(minor, currency);
    const parts = wheels.flatMap((w) => w.parts);
    const partsMinor = parts.reduce((n, p) => n + p.count * (p.priceMinor ?? 0), 0);
    for (const { what, count: n, priceMinor } of parts)
      show.line(
        what,
        priceMinor === null ? `${n} × price not known` : `${n} × ${say(priceMinor)}`,
        priceMinor === null ? '–' : say(n * priceMinor),
      );
    const { labourMinor, labourHighMinor } = labourOf(wheels, rules, show, say);
    const tires = wheels.reduce((n, w) => n + w.tiresToDispose, 0);
    const feeMinor = tires * ruleNumber('cost.disposalMinor', rules, show);
    if (feeMinor > 0) show.line('disposal', `${tires} × fee`, say(feeMinor));
    const taxPct = ruleNumber('cost.taxPct', rules, show);
    const taxed = ruleWord('labour.taxed', rules) === 'yes';
    const taxOf = (labour: number) =>
      Math.floor(percentOf(partsMinor + feeMinor + (taxed ? labour : 0), taxPct) + 0.5);
    const taxMinor = taxOf(labourMinor);
    if (taxMinor > 0)
      show.line('tax', `${taxPct}% of parts, fee${taxed ? ' and labor' : ''}`, say(taxMinor));
    const totalMinor = partsMinor + labourMinor + feeMinor + taxMinor;
    const highMinor = partsMinor + labourHighMinor + feeMinor + taxOf(labourHighMinor);
    show.line('total', 'parts + labor + disposal + tax', say(totalMinor));
    if (highMinor > totalMinor) show.line('90% chance', 'with that labor', say(highMinor));
    const beyondPct = ruleNumber('labour.beyondPct', rules, show);
    const limit =
      agreedMinor === undefined ? null : Math.floor(percentOf(agreedMinor, 100 + beyondPct));
    const askAgain = limit === null ? null : totalMinor > limit;
    const incomplete = parts.some((p) => p.priceMinor === null);
    const reasons = [
      ...(askAgain
        ? [
            reason(
              'stop',
              `${say(totalMinor)} is over the approved ${say(agreedMinor!)}. Get the rider’s OK before going on.`,
            ),
          ]
        : []),
      ...(askAgain === false && highMinor > limit!
        ? [reason('check', `It could reach ${say(highMinor)}; ${say(agreedMinor!)} is approved.`)]
        : []),
      ...(labourMinor === 0 && wheels.length > 0
        ? [reason('check', 'No labor rate set. Add one under Rules, Costs.')]
        : []),
      ...(incomplete ? [reason('check', 'Some prices are missing, so the total is too low.')] : []),
    ];
    show.verdict(worstOf(reasons));
    return {
      currency,
      partsMinor,
      labourMinor,
      labourHighMinor,
      feeMinor,
      taxMinor,
      totalMinor,
      highMinor,
      incomplete,
      askAgain,
      reasons,
    };
  },
});
