import { InputError } from '../../base/errors';
import { listOf, quantity, record, ruleValues, boolean } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { fitLine } from '../../base/statistics';
import { ZERO_CELSIUS_IN_K } from '../../base/units';
import { defineWorking, reason, type Reason } from '../../base/working';
import { atmosphereKpa } from './atmosphere-kpa';

/**
 * A standing tire, read cold: days since the first reading, what the gauge said, and how warm the
 * tire was.
 */
export interface StandingReading {
  day: number;
  gaugeKpa: number;
  tempC: number;
}

interface Input {
  readings: StandingReading[];
  tube: boolean;
  /** The finest step that the gauge shows. */
  gaugeStepKpa: number;
  altitudeM?: number;
  minimumKpa?: number;
  rules?: RuleValues;
}

export interface Leak {
  /**
   * Loss in a day at the first reading's temperature, with its 95% interval; null where it cannot
   * be told.
   */
  lossKpaPerDay: number | null;
  lowKpaPerDay: number | null;
  highKpaPerDay: number | null;
  /** The usual loss of such a tire. */
  ordinaryKpaPerDay: number;
  finding: 'slow leak' | 'ordinary' | 'cannot tell';
  /**
   * Days from the last reading until it falls under the minimum; null without a minimum, or where
   * it does not fall.
   */
  underMinimumInDays: number | null;
  /** Days still to wait until this gauge can tell; 0 once it can. */
  waitDays: number;
  /** Days from the last reading to the next one. */
  nextCheckDays: number;
  /** Every reading as it would be at the first one's temperature. */
  corrected: { day: number; gaugeKpa: number }[];
  reason: Reason;
}

/**
 * A loss has to be so many steps of the gauge before it is told from its rounding. Basis: memory.
 */
const STEPS_TO_TELL = 4;
/**
 * A rounded reading is uncertain by its step over the root of twelve: the spread of a uniform
 * error.
 */
const ROUNDING = Math.sqrt(12);
/**
 * A tire's temperature is known to a few degrees: its pressure is off by such a share of the
 * absolute. Basis: memory.
 */
const TEMPERATURE_SHARE = 0.015;

/**
 * Whether a standing tire leaks, from pressures taken over days, corrected for temperature.
 *
 * `readings` one to 200, `day` 0 to 3650, gauge pressures 0 to 1000 kPa, temperatures of the tire; `gaugeStepKpa` 0.01
 * to 20.
 * Throws `InputError` for readings of one day only that are more than one. Source: ideal gas at
 * constant volume on absolute pressure; least squares with Student's t. What is ordinary is a rule.
 */
export const leak = defineWorking<Input, Leak>({
  name: 'leak',
  title: 'Leak rate',
  input: () => ({
    readings: listOf(
      record(
        {
          day: quantity('days', 0, 3650, 'Days since the first reading'),
          gaugeKpa: quantity('kPa', 0, 1000, 'The gauge reading'),
          tempC: quantity('C', -60, 80, 'Temperature of the tire'),
        },
        'A reading',
      ),
      200,
      'Pressures of the standing tire',
    ),
    tube: boolean('With a tube'),
    gaugeStepKpa: quantity('kPa', 0.01, 20, 'Finest step of the gauge'),
    altitudeM: quantity('m', -500, 9000, 'Shop elevation').optional(),
    minimumKpa: quantity('kPa', 0, 1000, 'Minimum pressure').optional(),
    rules: ruleValues(),
  }),
  example: {
    readings: [
      { day: 0, gaugeKpa: 230, tempC: 21 },
      { day: 2, gaugeKpa: 223, tempC: 17 },
      { day: 5, gaugeKpa: 222, tempC: 22 },
      { day: 7, gaugeKpa: 214, tempC: 18 },
    ],
    tube: false,
    gaugeStepKpa: 1,
    minimumKpa: 200,
  },
  work({ readings, tube, gaugeStepKpa, altitudeM = 0, minimumKpa, rules }, show) {
    if (readings.length === 0)
      throw new InputError(
        'readings',
        'There is no reading.',
        'Enter at least one pressure with its temperature',
      );
    const sorted = [...readings].sort((a, b) => a.day - b.day);
    const [first, last] = [sorted[0]!, sorted.at(-1)!];
    if (sorted.length > 1 && first.day === last.day)
      throw new InputError(
        'readings',
        'All readings are from one moment.',
        'Measure on different days',
      );
    const outsideKpa = atmosphereKpa(altitudeM);
    const firstK = first.tempC + ZERO_CELSIUS_IN_K;
    const corrected = sorted.map(({ day, gaugeKpa, tempC }) => ({
      day,
      gaugeKpa: ((gaugeKpa + outsideKpa) * firstK) / (tempC + ZERO_CELSIUS_IN_K) - outsideKpa,
    }));
    const spanDays = show.line('span', 'last day − first day', last.day - first.day, 'days');
    show.line(
      'last, at the first one’s temperature',
      `(${last.gaugeKpa} + outside) × ${firstK.toFixed(2)} / ${(last.tempC + ZERO_CELSIUS_IN_K).toFixed(2)} − outside`,
      corrected.at(-1)!.gaugeKpa,
      'kPa',
    );
    const ordinaryKpaPerDay = show.line(
      'ordinary, in a day',
      'rule',
      ruleNumber(tube ? 'leak.tubePerDayKpa' : 'leak.tubelessPerDayKpa', rules, show),
      'kPa',
    );
    const waitDays = show.line(
      'to wait',
      `${STEPS_TO_TELL} steps of the gauge / ordinary − span`,
      Math.max(0, (STEPS_TO_TELL * gaugeStepKpa) / ordinaryKpaPerDay - spanDays),
      'days',
    );
    show.basis('published', 'ideal gas law at constant volume; US Standard Atmosphere 1976');
    show.basis('memory', `a loss of ${STEPS_TO_TELL} steps of the gauge is told from its rounding`);
    show.caution(
      'Check a tire that loses air before it rolls: bead, stem and core with soapy water.',
    );
    const soonDays = ruleNumber('recheck.pressureDays', rules, show);
    const usualDays = ruleNumber('leak.checkDays', rules, show);
    const none = {
      lossKpaPerDay: null,
      lowKpaPerDay: null,
      highKpaPerDay: null,
      ordinaryKpaPerDay,
      underMinimumInDays: null,
      waitDays,
      corrected,
    };
    // A fitter thinks in weeks.
    const rate = (perDay: number) => ({ value: perDay * 7, unit: 'kPa' as const, digits: 1 });
    const days = (value: number) => ({
      value: Math.max(1, Math.ceil(value)),
      unit: 'days' as const,
      digits: 0,
    });
    if (last.gaugeKpa < gaugeStepKpa) {
      show.verdict('stop');
      return {
        ...none,
        finding: 'cannot tell',
        nextCheckDays: soonDays,
        reason: reason(
          'stop',
          'The tire is flat, so there is no leak rate. Find out why it’s flat.',
        ),
      };
    }
    const empty = sorted.findIndex((r) => r.gaugeKpa < gaugeStepKpa);
    if (empty >= 0)
      throw new InputError(
        `readings[${readings.indexOf(sorted[empty]!)}].gaugeKpa`,
        'The tire was empty and was filled again between the readings.',
        'Enter readings since it was last filled',
      );
    if (sorted.length < 3) {
      show.verdict('check');
      return {
        ...none,
        finding: 'cannot tell',
        nextCheckDays: soonDays,
        reason: reason(
          'check',
          'Fewer than three readings can’t tell a leak from the weather. Read it again on other days.',
        ),
      };
    }
    // A tire does not gain air: a rise beyond gauge and temperature is air that was let in, or a
    // reading of another tire.
    const riseKpa = (kpa: number) =>
      Math.max(STEPS_TO_TELL * gaugeStepKpa, TEMPERATURE_SHARE * (kpa + outsideKpa));
    const rise = corrected.findIndex(
      (c, i) =>
        i > 0 &&
        c.gaugeKpa - Math.min(...corrected.slice(0, i).map((b) => b.gaugeKpa)) >
          riseKpa(c.gaugeKpa),
    );
    if (rise >= 0) {
      show.verdict('check');
      const lowest = Math.min(...corrected.slice(0, rise).map((b) => b.gaugeKpa));
      show.line(
        'rise',
        `by day ${sorted[rise]!.day}, corrected for temperature`,
        corrected[rise]!.gaugeKpa - lowest,
        'kPa',
      );
      return {
        ...none,
        finding: 'cannot tell',
        nextCheckDays: soonDays,
        reason: reason(
          'check',
          'It rose {0} within {1}: air was added or a reading is wrong. Start over from a later reading.',
          [
            { value: corrected[rise]!.gaugeKpa - lowest, unit: 'kPa' as const },
            days(sorted[rise]!.day - first.day),
          ],
        ),
      };
    }
    const fit = fitLine(
      corrected.map((c) => ({ x: c.day, y: c.gaugeKpa })),
      95,
      gaugeStepKpa / ROUNDING,
    );
    show.basis(
      'published',
      'least squares; Student’s t, NIST/SEMATECH e-Handbook of Statistical Methods',
    );
    const lossKpaPerDay = show.line(
      'loss in a day',
      'slope of the line, corrected for temperature',
      -fit.slope,
      'kPa',
    );
    const lowKpaPerDay = show.line('at least', '95% interval', -fit.slope - fit.half!, 'kPa');
    const highKpaPerDay = show.line('at most', '95% interval', -fit.slope + fit.half!, 'kPa');
    const nowKpa = fit.intercept + fit.slope * last.day;
    const underMinimumInDays =
      minimumKpa === undefined || lossKpaPerDay <= 0
        ? null
        : show.line(
            'under the minimum in',
            '(now − minimum) / loss',
            Math.max(0, (nowKpa - minimumKpa) / lossKpaPerDay),
            'days',
          );
    const found = {
      lossKpaPerDay,
      lowKpaPerDay,
      highKpaPerDay,
      ordinaryKpaPerDay,
      underMinimumInDays,
      corrected,
    };
    const told = (finding: Leak['finding'], why: Reason, wait: number): Leak => {
      show.verdict(why.verdict);
      // Before it is too soft, and when the gauge can tell; a leak is looked at soon.
      const wanted =
        finding === 'ordinary'
          ? usualDays
          : finding === 'slow leak'
            ? soonDays
            : Math.max(soonDays, Math.min(usualDays, Math.ceil(wait)));
      const nextCheckDays = show.line(
        'next check',
        'before it falls below the minimum',
        Math.max(1, Math.min(wanted, Math.floor(underMinimumInDays ?? wanted))),
        'days',
      );
      return { ...found, finding, waitDays: wait, nextCheckDays, reason: why };
    };
    if (lowKpaPerDay > ordinaryKpaPerDay)
      return told(
        'slow leak',
        reason('stop', 'A slow leak: {0} a week, at least {1}; {2} would be ordinary.', [
          rate(lossKpaPerDay),
          rate(lowKpaPerDay),
          rate(ordinaryKpaPerDay),
        ]),
        0,
      );
    if (highKpaPerDay <= ordinaryKpaPerDay)
      return told(
        'ordinary',
        reason('good', 'No leak: at most {0} a week; {1} is ordinary.', [
          rate(Math.max(0, highKpaPerDay)),
          rate(ordinaryKpaPerDay),
        ]),
        0,
      );
    return told(
      'cannot tell',
      waitDays > 0
        ? reason('check', 'Too soon to tell. With this gauge, wait {0} more.', [days(waitDays)])
        : reason(
            'check',
            'Can’t tell: {0} to {1} a week. Take more readings or use a finer gauge.',
            [rate(Math.max(0, lowKpaPerDay)), rate(highKpaPerDay)],
          ),
      waitDays,
    );
  },
});
