import { quantity, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { checkRound, firstHarmonic, READINGS_FIELD, type RunoutReading } from '../truing';
import { placeText } from '../../base/units';
import { InputError } from '../../base/errors';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface Input {
  readings: RunoutReading[];
  limitMm?: number;
  rules?: RuleValues;
}

interface DiscRunout {
  /** Highest less lowest reading. */
  totalMm: number;
  highDeg: number;
  limitMm: number;
  reasons: Reason[];
}

/**
 * Runout of a brake disc, by the dial indicator on its face.
 *
 * Readings side to side, −20 to 20 mm, at six places or more round the disc, angles from the valve;
 * `limitMm` of the manual 0.02 to 2, else a rule from memory. Throws `InputError` for too few
 * places. Common practice.
 */
export const discRunout = defineWorking<Input, DiscRunout>({
  name: 'disc-runout',
  title: 'Brake disc runout',
  input: () => ({
    readings: READINGS_FIELD,
    limitMm: quantity('mm', 0.02, 2, 'Limit in the manual').optional(),
    rules: ruleValues(),
  }),
  example: {
    readings: [0, 45, 90, 135, 180, 225, 270, 315].map((angleDeg, i) => ({
      angleDeg,
      lateralMm: [0.02, 0.07, 0.09, 0.06, 0, -0.05, -0.08, -0.04][i]!,
    })),
    limitMm: 0.25,
  },
  work({ readings, limitMm, rules }, show) {
    const places = readings.flatMap((r) =>
      r.lateralMm === undefined ? [] : [{ angleDeg: r.angleDeg, value: r.lateralMm }],
    );
    if (places.length === 0)
      throw new InputError(
        'readings',
        'No reading from side to side.',
        'Measure on the face of the disc',
      );
    checkRound(places.map((p) => p.angleDeg));
    const values = places.map((p) => p.value);
    const totalMm = show.line(
      'runout',
      'highest − lowest',
      Math.max(...values) - Math.min(...values),
      'mm',
    );
    const { highDeg } = firstHarmonic(places)!;
    show.line('high at', 'once-a-turn part', placeText(highDeg));
    const mayMm = limitMm ?? ruleNumber('disc.runoutMm', rules, show);
    show.line('limit', limitMm === undefined ? 'rule' : 'manual', mayMm, 'mm');
    if (limitMm !== undefined) show.basis('manual', 'limit of the disc');
    show.basis('measured', 'dial indicator on the disc face');
    const figures = [
      { value: totalMm, unit: 'mm' as const, digits: 2 },
      { value: mayMm, unit: 'mm' as const, digits: 2 },
    ];
    const reasons = [
      totalMm <= mayMm + 1e-9
        ? limitMm === undefined
          ? reason(
              'check',
              'Runout {0}, within {1} (unconfirmed). The manual’s limit is unknown.',
              figures,
            )
          : reason('good', 'Runout {0}; manual limit {1}.', figures)
        : reason(
            'stop',
            `Runout {0}, limit {1}: high at ${placeText(highDeg)}. Clean hub and disc faces, torque the bolts again, measure again. Replace a bent disc.`,
            figures,
          ),
    ];
    show.verdict(worstOf(reasons));
    show.caution('Disc runout pushes the pads back: the lever goes soft and pulses.');
    return { totalMm, highDeg, limitMm: mayMm, reasons };
  },
});
