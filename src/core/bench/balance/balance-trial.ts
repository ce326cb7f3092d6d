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
  says: 'Mass and place of the heavy spot from one trial mass',
  input: () => ({
    restDeg: angle('Place at the bottom without the trial mass'),
    trialMassG: quantity('g', 0.5, 500, 'The trial mass'),
    trialDeg: angle('Place of the trial mass'),
    restWithTrialDeg: angle('Place at the bottom with the trial mass'),
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
        'The trial mass sits in line with the heavy spot, so the rest cannot turn.',
        `the trial mass a quarter turn away, at ${degText(restDeg + 90)} or ${degText(restDeg - 90)}`,
      );
    if (Math.abs(shiftDeg) < leastShiftDeg)
      throw new InputError(
        'restWithTrialDeg',
        'The rest hardly moved: the trial mass is too small to tell.',
        `a heavier trial mass, so that the rest moves by ${leastShiftDeg}° or more`,
      );
    const leftDeg = angleBetween(restWithTrialDeg, trialDeg);
    if (Math.sign(shiftDeg) !== Math.sign(offDeg) || Math.sign(leftDeg) !== Math.sign(offDeg))
      throw new InputError(
        'restWithTrialDeg',
        'The rest did not turn toward the trial mass, so one of the readings is wrong.',
        `a rest between ${degText(restDeg)} and ${degText(trialDeg)}: settle again from both sides`,
      );
    const heavyMassG = show.line(
      'heavy spot',
      'trial mass × sin(rest to trial) / sin(shift)',
      (trialMassG * sinDeg(leftDeg)) / sinDeg(shiftDeg),
      'g',
    );
    show.basis('measured', 'two rests and one trial mass');
    show.basis('published', 'statics: the sum of both masses hangs straight down');
    if (Math.abs(shiftDeg) < 2 * leastShiftDeg || Math.abs(leftDeg) < 2 * leastShiftDeg) {
      show.verdict('check');
      show.caution(
        'A small turn on one side makes the mass uncertain: a trial nearer in mass to the heavy spot tells more.',
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
