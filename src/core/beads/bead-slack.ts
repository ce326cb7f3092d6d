import { InputError } from '../errors';
import { quantity, ruleValues } from '../fields';
import { ruleNumber, type RuleValues } from '../rules';
import { defineWorking, reason, type Reason } from '../working';

interface Input {
  beadMm: number;
  wellMm: number;
  flangeMm: number;
  axialMm: number;
  /** Tube, strip and lock that lie in the well. */
  fillMm?: number;
  /** Arc of the far side that is down in the well, 0 to 360. */
  arcInWellDeg?: number;
  rules?: RuleValues;
}

export interface BeadSlack {
  /** Bead diameter less the way it has to span; negative is short. */
  slackMm: number;
  /** The same with the far side up on its seat. */
  onSeatMm: number;
  how: 'by hand' | 'levers' | 'stop';
  reason: Reason;
}

/** With this much of the far side down the bead has dropped as far as it can. Basis: memory. */
const FULL_ARC_DEG = 120;

/**
 * Bead slack: whether a bead can pass the flange, and how far levers must bring it.
 *
 * All diameters and the axial distance from far side to flange in mm; `fillMm` 0 to 30 makes the well shallower;
 * `arcInWellDeg` how much of the far side is down. Throws `InputError` for a well that is not smaller than the bead, or
 * a flange that is not larger. Source: geometry of a stiff hoop,
 * slack = Db − √(((Dw + Df) / 2)² + a²). What counts as easy is a rule.
 */
export const beadSlack = defineWorking<Input, BeadSlack>({
  name: 'bead-slack',
  says: 'Whether a bead can pass the flange',
  input: () => ({
    beadMm: quantity('mm', 80, 700, 'Diameter of the bead'),
    wellMm: quantity('mm', 60, 700, 'Diameter in the well'),
    flangeMm: quantity('mm', 80, 750, 'Diameter over the flange'),
    axialMm: quantity('mm', 0, 400, 'From the far side in the well to the flange, along the axle'),
    fillMm: quantity('mm', 0, 30, 'Thickness of what lies in the well').optional(),
    arcInWellDeg: quantity('deg', 0, 360, 'Arc of the far side that is down in the well').optional(),
    rules: ruleValues(),
  }),
  example: { beadMm: 434, wellMm: 404, flangeMm: 458, axialMm: 44 },
  work({ beadMm, wellMm, flangeMm, axialMm, fillMm = 0, arcInWellDeg = 360, rules }, show) {
    if (wellMm >= beadMm)
      throw new InputError('wellMm', 'The well is no smaller than the bead.', `less than the bead, ${beadMm} mm`);
    if (flangeMm <= beadMm)
      throw new InputError('flangeMm', 'The flange is no larger than the bead.', `more than the bead, ${beadMm} mm`);
    const slackAt = (farMm: number) => beadMm - Math.hypot((farMm + flangeMm) / 2, axialMm);
    // The far side never sits higher than its seat, however much lies in the well.
    const bottomMm = show.line(
      'far side, in the well',
      fillMm > 0 ? `${wellMm} + 2 × ${fillMm}` : 'well',
      Math.min(beadMm, wellMm + 2 * fillMm),
      'mm',
    );
    const share = Math.min(1, arcInWellDeg / FULL_ARC_DEG);
    const farMm =
      share < 1
        ? show.line(
            'far side, partly down',
            `${beadMm} − ${share.toFixed(2)} × (${beadMm} − ${bottomMm})`,
            beadMm - share * (beadMm - bottomMm),
            'mm',
          )
        : bottomMm;
    const slackMm = show.line(
      'slack',
      `${beadMm} − √(((${farMm.toFixed(1)} + ${flangeMm}) / 2)² + ${axialMm}²)`,
      slackAt(farMm),
      'mm',
    );
    const onSeatMm = show.line(
      'with the far side on its seat',
      `${beadMm} − √(((${beadMm} + ${flangeMm}) / 2)² + ${axialMm}²)`,
      slackAt(beadMm),
      'mm',
    );
    show.basis('published', 'geometry of a hoop that does not stretch');
    if (share < 1) show.basis('memory', `with ${FULL_ARC_DEG}° of the far side down the bead is as low as it goes`);
    const handMm = ruleNumber('bead.handMm', rules, show);
    const leversMm = ruleNumber('bead.leversMm', rules, show);
    const short = [{ value: -slackMm, unit: 'mm' as const, digits: 1 }];
    const how = slackMm >= handMm ? 'by hand' : slackMm >= -leversMm ? 'levers' : 'stop';
    const why =
      how === 'by hand'
        ? reason('good', 'There is slack: by hand.')
        : how === 'levers'
          ? reason('good', 'Levers pass it easily.')
          : share < 1
            ? reason('stop', '{0} short: the far side is not down in the well. Push it down first.', short)
            : reason(
                'stop',
                '{0} short with the far side down: a shallow well, something in it, or a wrong size. Find out why.',
                short,
              );
    show.verdict(why.verdict);
    show.caution('More force is the wrong answer.');
    return { slackMm, onSeatMm, how, reason: why };
  },
});
