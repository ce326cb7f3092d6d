import { InputError } from '../../base/errors';
import { angle, quantity, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { angleBetween, degText, normalDeg } from '../../base/units';
import { defineWorking } from '../../base/working';

interface Input {
  restDeg: number;
  trialMassG: number;
  trialDeg: number;
  restWithTrialDeg: number;
  rules?: RuleValues;
}

/** The heavy spot and what stands against it, at the weight radius. */
interface BalanceTrial {
  heavyMassG: number;
  heavyDeg: number;
  counterMassG: number;
  counterDeg: number;
}

const sinDeg = (deg: number) => Math.sin((deg * Math.PI) / 180);

/**
 * Heavy spot from two rests: as it is, and with one trial mass on.
 *
 * Angles in degrees clockwise from the valve, the place that came to rest at the bottom;
 * `trialMassG` 0.5 to 500. Throws `InputError` for a trial that cannot tell: no shift, in line with
 * the heavy spot, or turned the wrong way. Source: statics, the sum of two vectors lies along the
 * second rest.
 */
export const balanceTrial = defineWorking<Input, BalanceTrial>({
  name: 'balance-trial',
  title: 'Heavy spot from a trial weight',
  input: () => ({
    restDeg: angle('Bottom without the trial weight'),
    trialMassG: quantity('g', 0.5, 500, 'Trial weight'),
    trialDeg: angle('Place of the trial weight'),
    restWithTrialDeg: angle('Bottom with the trial weight'),
    rules: ruleValues(),
  }),
  example: { restDeg: 212, trialMassG: 25, trialDeg: 302, restWithTrialDeg: 247 },
  work({ restDeg, trialMassG, trialDeg, restWithTrialDeg, rules }, show) {
    const leastShiftDeg = ruleNumber('balance.leastShiftDeg', rules, show);
    const shiftDeg = show.line(
      'the rest moved',
      `${degText(restDeg)} to ${degText(restWithTrialDeg)}`,
      angleBetween(restDeg, restWithTrialDeg),
      'deg',
    );
    const offDeg = show.line(
      'trial off the heavy spot',
      `${degText(restDeg)} to ${degText(trialDeg)}`,
      angleBetween(restDeg, trialDeg),
      'deg',
    );
    if (Math.abs(sinDeg(offDeg)) < sinDeg(leastShiftDeg))
      throw new InputError(
        'trialDeg',
        'The trial weight is in line with the heavy spot, so the wheel cannot turn.',
        `Tape the trial weight a quarter turn away, at ${degText(restDeg + 90)} or ${degText(restDeg - 90)}`,
      );
    if (Math.abs(shiftDeg) < leastShiftDeg)
      throw new InputError(
        'restWithTrialDeg',
        'It hardly moved: the trial weight is too small to tell.',
        `Use a heavier trial weight: the rest must move by ${leastShiftDeg}° or more`,
      );
    const leftDeg = angleBetween(restWithTrialDeg, trialDeg);
    if (Math.sign(shiftDeg) !== Math.sign(offDeg) || Math.sign(leftDeg) !== Math.sign(offDeg))
      throw new InputError(
        'restWithTrialDeg',
        'It did not turn toward the trial weight, so one of the readings is wrong.',
        `Settle again from both sides: a rest between ${degText(restDeg)} and ${degText(trialDeg)}`,
      );
    const heavyMassG = show.line(
      'heavy spot',
      'trial weight × sin(rest to trial) / sin(shift)',
      (trialMassG * sinDeg(leftDeg)) / sinDeg(shiftDeg),
      'g',
    );
    show.basis('measured', 'two settles and one trial weight');
    show.basis('published', 'statics: the sum of both masses hangs straight down');
    if (Math.abs(shiftDeg) < 2 * leastShiftDeg || Math.abs(leftDeg) < 2 * leastShiftDeg) {
      show.verdict('check');
      show.caution(
        'A small turn makes the weight uncertain. A trial weight closer to the heavy spot’s weight tells more.',
      );
    } else show.verdict('good');
    const heavyDeg = normalDeg(restDeg);
    const counterDeg = show.line(
      'counterweight at',
      'opposite the heavy spot',
      normalDeg(restDeg + 180),
      'deg',
    );
    return { heavyMassG, heavyDeg, counterMassG: heavyMassG, counterDeg };
  },
});
