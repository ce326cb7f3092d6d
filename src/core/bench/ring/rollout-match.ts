import { InputError } from '../../base/errors';
import { oneOf, quantity, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { PAIRS, type PairKind } from '../../fit/wheels';
import { defineWorking, reason, worstOf, type Reason } from '../../base/working';

interface Input {
  leftMm: number;
  rightMm: number;
  measuringKpa: number;
  pair?: PairKind;
  /** Of the smaller one. */
  stretchMmPerKpa?: number;
  /** The highest pressure for the smaller tire. */
  limitKpa?: number;
  trackMm?: number;
  rules?: RuleValues;
}

export interface RolloutMatch {
  /** Left less right. */
  differenceMm: number;
  smaller: 'left' | 'right' | null;
  /**
   * Air on the smaller one that takes the difference up; null where nothing is to be corrected, or
   * no one can know.
   */
  correct: { side: 'left' | 'right'; addKpa: number; toKpa: number } | null;
  /**
   * The circle that the smaller wheel runs on if nothing slips; null without a track or a
   * difference.
   */
  circleRadiusM: number | null;
  reasons: Reason[];
}

/** Rules of each kind of pair. */
const RULES: Record<PairKind, { good: string; tolerable: string; correct: string }> = {
  'drag rears': {
    good: 'rollout.goodMm',
    tolerable: 'rollout.tolerableMm',
    correct: 'rollout.correctMm',
  },
  'driven axle of four': {
    good: 'rollout.axleGoodMm',
    tolerable: 'rollout.axleTolerableMm',
    correct: 'rollout.axleCorrectMm',
  },
  'rear and driven sidecar': {
    good: 'rollout.sidecarGoodMm',
    tolerable: 'rollout.sidecarTolerableMm',
    correct: 'rollout.sidecarCorrectMm',
  },
};

/** Two tires of a pair that differ by more were misread. Basis: memory. */
const MISREAD = 0.1;
/** Below this a tape says nothing. */
const SAME_MM = 0.05;

/**
 * Whether two driven wheels match in rollout, and what air corrects them.
 *
 * Circumferences 300 to 4000 mm at the measuring pressure; `stretchMmPerKpa` of the smaller tire
 * from two of its readings at two pressures; `limitKpa` what it may hold; `trackMm` between the
 * middles of the treads. Throws `InputError` for two that differ by a tenth. Common practice for
 * drag rears, rules from memory for other pairs. Source of the circle: geometry, radius = track ×
 * circumference / difference.
 */
export const rolloutMatch = defineWorking<Input, RolloutMatch>({
  name: 'rollout-match',
  title: 'Driven pair match',
  input: () => ({
    leftMm: quantity('mm', 300, 4000, 'Rollout, left'),
    rightMm: quantity('mm', 300, 4000, 'Rollout, right'),
    measuringKpa: quantity('kPa', 5, 400, 'Taped at'),
    pair: oneOf(PAIRS, 'Kind of pair').optional(),
    stretchMmPerKpa: quantity('mm', 0.001, 20, 'Growth of the smaller one per kPa').optional(),
    limitKpa: quantity('kPa', 5, 1000, 'Max pressure of the smaller one').optional(),
    trackMm: quantity('mm', 200, 4000, 'Track between them').optional(),
    rules: ruleValues(),
  }),
  example: {
    leftMm: 2509,
    rightMm: 2524,
    measuringKpa: 41.4,
    stretchMmPerKpa: 1.1,
    limitKpa: 100,
    trackMm: 1450,
  },
  work(
    {
      leftMm,
      rightMm,
      measuringKpa,
      pair = 'drag rears',
      stretchMmPerKpa,
      limitKpa,
      trackMm,
      rules,
    },
    show,
  ) {
    const smallerMm = Math.min(leftMm, rightMm);
    const differenceMm = show.line('difference', 'left − right', leftMm - rightMm, 'mm');
    const offMm = Math.abs(differenceMm);
    if (offMm > MISREAD * smallerMm)
      throw new InputError(
        leftMm > rightMm ? 'leftMm' : 'rightMm',
        `Left and right differ by ${((100 * offMm) / smallerMm).toFixed(0)}%: one is misread, or they are not a pair.`,
        `Tape again: two that differ by less than ${100 * MISREAD}%`,
      );
    const keys = RULES[pair];
    const goodMm = ruleNumber(keys.good, rules, show);
    const tolerableMm = ruleNumber(keys.tolerable, rules, show);
    const correctMm = ruleNumber(keys.correct, rules, show);
    show.basis('measured', 'both circumferences by tape');
    const smaller = offMm < SAME_MM ? null : leftMm < rightMm ? 'left' : 'right';
    const circleRadiusM =
      trackMm === undefined || smaller === null
        ? null
        : show.line(
            'circle of the smaller one',
            'track × circumference / difference',
            (trackMm * smallerMm) / offMm / 1000,
            'm',
          );
    if (circleRadiusM !== null)
      show.basis('published', 'geometry of two wheels on one axle that do not slip');

    const mm = (value: number) => ({ value, unit: 'mm' as const, digits: 1 });
    const kpa = (value: number) => ({ value, unit: 'kPa' as const, digits: 1 });
    const reasons: Reason[] = [];
    let correct: RolloutMatch['correct'] = null;
    if (offMm <= goodMm + 1e-9)
      reasons.push(reason('good', 'A match: {0} apart, {1} is good.', [mm(offMm), mm(goodMm)]));
    else if (offMm <= tolerableMm + 1e-9)
      reasons.push(reason('check', 'Tolerable: {0} apart, {1} is good.', [mm(offMm), mm(goodMm)]));
    else {
      reasons.push(
        offMm >= correctMm - 1e-9
          ? reason(
              'stop',
              `{0} apart; up to {1} is tolerable. Correct the ${smaller} one, the smaller.`,
              [mm(offMm), mm(tolerableMm)],
            )
          : reason(
              'check',
              `{0} apart, {1} is tolerable: tape both again, and correct the ${smaller} one if it stays so.`,
              [mm(offMm), mm(tolerableMm)],
            ),
      );
      if (!stretchMmPerKpa)
        reasons.push(
          reason('check', `Air needed is unknown. Tape the ${smaller} one at a second pressure.`),
        );
      else {
        const addKpa = show.line(
          'air to add',
          'difference / stretch',
          offMm / stretchMmPerKpa,
          'kPa',
        );
        const toKpa = show.line(
          'that makes',
          'measuring pressure + air',
          measuringKpa + addKpa,
          'kPa',
        );
        show.basis('measured', 'the smaller tire’s own stretch');
        if (limitKpa === undefined)
          reasons.push(
            reason('check', `Read the ${smaller} tire’s limit first: {0} is wanted in it.`, [
              kpa(toKpa),
            ]),
          );
        else if (toKpa > limitKpa + 1e-9)
          reasons.push(
            reason(
              'stop',
              'It would take {0}; the tire’s max is {1}. Change the tire; don’t add air.',
              [kpa(toKpa), kpa(limitKpa)],
            ),
          );
        if (limitKpa === undefined || toKpa <= limitKpa + 1e-9) {
          correct = { side: smaller!, addKpa, toKpa };
          reasons.push(
            reason('check', `Add {0} to the ${smaller} one, {1} in all, and tape it again.`, [
              kpa(addKpa),
              kpa(toKpa),
            ]),
          );
        }
      }
    }
    if (smaller !== null && circleRadiusM !== null && offMm > goodMm)
      reasons.push(
        reason('check', `It pulls ${smaller} (no-slip circle {0}).`, [
          { value: circleRadiusM, unit: 'm', digits: 0 },
        ]),
      );
    show.verdict(worstOf(reasons));
    show.caution('An unmatched pair steers the machine. Never past the tire’s own limit.');
    return { differenceMm, smaller, correct, circleRadiusM, reasons };
  },
});
