import { oneOf, quantity, ruleValues, boolean } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import {
  defineWorking,
  reason,
  worstOf,
  type Reason,
  type Show,
  type Verdict,
} from '../../base/working';

/** The ways a wheel turns by hand with the brake let go. */
export const SPINS = ['free', 'all round', 'at one place', 'stuck'] as const;
export type Spin = (typeof SPINS)[number];

export const SPIN_WORDS: Record<Spin, string> = {
  free: 'turns freely',
  'all round': 'drags all round',
  'at one place': 'drags at one place',
  stuck: 'does not turn',
};

interface Input {
  firm: boolean;
  spin: Spin;
  drum: boolean;
  pullN?: number;
  freePullN?: number;
  radiusMm?: number;
  rules?: RuleValues;
}

interface BrakeDrag {
  /** By pull at the tread; null where it was not measured. */
  dragNm: number | null;
  /** Of it the brake's own, less what bearings and seals take; null where that was not measured. */
  brakeNm: number | null;
  reasons: Reason[];
}

/** The meaning of each way of turning, with a disc and with a drum. Common practice. */
const SAYS: Record<Spin, { verdict: Verdict; disc: string; drum: string }> = {
  free: {
    verdict: 'good',
    disc: 'It turns freely with the brake let go.',
    drum: 'It turns freely with the brake let go.',
  },
  'all round': {
    verdict: 'check',
    disc: 'It drags all round: pads not back, pistons or slides stuck, or a spacer on the wrong side. A hot disc after the ride confirms it.',
    drum: 'It drags all round: adjuster too tight, or shoes not centered. Hold the brake on while you tighten the axle.',
  },
  'at one place': {
    verdict: 'check',
    disc: 'It drags at one place: measure the runout of the disc.',
    drum: 'It drags at one place: drum out of round, or the axle not through straight.',
  },
  stuck: {
    verdict: 'stop',
    disc: 'It does not turn: pads, caliper or spacers sit wrong. Do not ride.',
    drum: 'It does not turn: shoes, arm or spacers sit wrong. Do not ride.',
  },
};

/**
 * The judgment of the pull at the tread beside the hand's: a figure that contradicts the other, or
 * a brake that drags.
 */
const pullReasons = (
  measured: { pullN?: number; freePullN?: number; dragNm: number | null; rules?: RuleValues },
  show: Show,
): Reason[] => {
  const { pullN, freePullN, dragNm, rules } = measured;
  const newtons = (value: number) => ({ value, unit: 'N' as const, digits: 1 });
  const newtonMeters = (value: number) => ({ value, unit: 'Nm' as const, digits: 1 });
  if (pullN !== undefined && freePullN !== undefined && freePullN > pullN)
    return [
      reason(
        'check',
        'It pulls {0} with the pads apart and {1} with them in place: that cannot be. Measure both again.',
        [newtons(freePullN), newtons(pullN)],
      ),
    ];
  if (dragNm === null) return [];
  const [checkNm, stopNm] = [
    ruleNumber('brake.dragCheckNm', rules, show),
    ruleNumber('brake.dragStopNm', rules, show),
  ];
  if (dragNm > stopNm)
    return [
      reason('stop', 'It drags with {0}; {1} is the limit. Do not ride. Find out what holds it.', [
        newtonMeters(dragNm),
        newtonMeters(stopNm),
      ]),
    ];
  return dragNm > checkNm
    ? [
        reason('check', 'It drags at {0}; up to {1} is usual. Check pads, pistons and slides.', [
          newtonMeters(dragNm),
          newtonMeters(checkNm),
        ]),
      ]
    : [];
};

/**
 * Whether the brake works and lets go: firm at lever or pedal, and how the wheel turns by hand.
 *
 * `pullN` 0 to 500 at the tread at `radiusMm` 80 to 500, `freePullN` the same with the pads well apart. Never good
 * without a firm brake, nor with a pull that contradicts the hand; what drags too much is a rule.
 * Common practice; the manual's figure for the drag, where it has one, decides.
 */
export const brakeDrag = defineWorking<Input, BrakeDrag>({
  name: 'brake-drag',
  title: 'Brake check',
  input: () => ({
    firm: boolean('Firm at lever or pedal'),
    spin: oneOf(SPINS, 'How the wheel turns'),
    drum: boolean('A drum brake'),
    pullN: quantity('N', 0, 500, 'Pull at the tread to keep it turning').optional(),
    freePullN: quantity('N', 0, 500, 'Pull with the pads apart').optional(),
    radiusMm: quantity('mm', 80, 500, 'Axle to tread').optional(),
    rules: ruleValues(),
  }),
  example: { firm: true, spin: 'free', drum: false, pullN: 4, freePullN: 2.5, radiusMm: 318 },
  work({ firm, spin, drum, pullN, freePullN, radiusMm, rules }, show) {
    show.line('lever or pedal', 'pumped', firm ? 'firm' : 'not firm');
    show.line('by hand', 'brake let go', SPIN_WORDS[spin]);
    const torque = (n: number) => (n * radiusMm!) / 1000;
    const dragNm =
      pullN === undefined || radiusMm === undefined
        ? null
        : show.line('drag', 'pull × radius', torque(pullN), 'Nm');
    const brakeNm =
      dragNm === null || freePullN === undefined
        ? null
        : show.line(
            'of it from the brake',
            'drag − without pads',
            Math.max(0, dragNm - torque(freePullN)),
            'Nm',
          );
    show.basis('practice', 'pump until firm before it rolls; spin it with the brake released');
    const { verdict, disc: withDisc, drum: withDrum } = SAYS[spin];
    const reasons: Reason[] = [
      firm
        ? reason('good', drum ? 'The brake takes hold.' : 'The brake is firm.')
        : reason(
            'stop',
            drum
              ? 'The brake does not grip. Check that rod and arm are hooked up and adjusted.'
              : 'The brake is not firm. Keep pumping; if it stays soft, there is air in it. Do not hand it over.',
          ),
      reason(verdict, drum ? withDrum : withDisc),
      ...pullReasons({ pullN, freePullN, dragNm: brakeNm ?? dragNm, rules }, show),
    ];
    show.verdict(worstOf(reasons));
    show.caution(
      'Brake work is for licensed practice. If in doubt, it does not roll. The maker’s manual decides.',
    );
    return { dragNm, brakeNm, reasons };
  },
});
