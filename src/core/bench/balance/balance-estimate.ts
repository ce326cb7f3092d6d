import { angle, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { defineWorking } from '../../base/working';
import { believe, withinChance, type Known, type Prior } from './belief';
import { doubtOf } from './doubt';
import { READ_DEG, WRONG } from './likelihood';
import { fromVector, sumParts, type MassVector } from './mass-vector';
import { OBSERVATIONS, WEIGHTS_ON, type Observation } from './observation';
import { regionOf } from './region';
import { regionShare } from './region-share';

interface Input {
  seen: readonly Observation[];
  on?: readonly MassVector[];
  prior?: Prior;
  rules?: RuleValues;
}

export interface BalanceEstimate {
  heavyMassG: number;
  heavyDeg: number;
  /** Standard deviation of the heavy vector along its own direction and across it. */
  alongG: number;
  acrossG: number;
  bandG: number;
  /** The smallest region that holds 90% of the belief, as corners in grams and degrees. */
  region: MassVector[];
  /**
   * The imbalance left with the weights on now, and how probable it is that the shop's limit is
   * met.
   */
  leftG: number;
  leftDeg: number;
  chance: number;
  consistent: boolean;
  /** The observation that disagrees with the others, counted from 0; null while all agree. */
  odd: number | null;
}

/** An observation that is more likely wrong than right does not go with the others. */
const ODD = 0.5;

export const PRIOR = record(
  {
    massG: quantity('g', 0, 1000, 'Imbalance of this wheel last time'),
    deg: angle('Where'),
    spreadG: quantity('g', 1, 200, 'Uncertainty'),
  },
  'Result of an earlier job',
);

/**
 * Prior knowledge of wheel and stand: an old answer, and the dead band once the shop has written it
 * down.
 */
export const knownOf = (prior: Prior | undefined, rules: RuleValues | undefined): Known => {
  const bandG = ruleNumber('balance.bandG', rules);
  return { ...(prior ? { prior } : {}), ...(bandG > 0 ? { bandG } : {}) };
};

/**
 * The belief about a wheel's heavy spot and the stand's friction, from everything seen of it so
 * far.
 *
 * `seen` in order, each with the weights that were on; `on` what is on now; `prior` what the wheel needed before.
 * Deterministic. Source: Bayes' rule on a grid; statics of a wheel with Coulomb friction: it rests
 * where its heavy direction lies within asin(f / v) of the bottom.
 */
export const balanceEstimate = defineWorking<Input, BalanceEstimate>({
  name: 'balance-estimate',
  title: 'Heavy spot estimate',
  input: () => ({
    seen: OBSERVATIONS,
    on: WEIGHTS_ON.optional(),
    prior: PRIOR.optional(),
    rules: ruleValues(),
  }),
  example: {
    seen: [
      { kind: 'settle', restDeg: 212, from: 'left', weights: [] },
      { kind: 'settle', restDeg: 208, from: 'right', weights: [] },
      { kind: 'settle', restDeg: 152, from: 'left', weights: [{ massG: 40, deg: 70 }] },
      { kind: 'settle', restDeg: 157, from: 'right', weights: [{ massG: 40, deg: 70 }] },
    ],
  },
  work({ seen, on = [], prior, rules }, show) {
    const toleranceG = ruleNumber('balance.toleranceG', rules, show);
    const known = knownOf(prior, rules);
    const belief = believe(seen, known);
    const { meanX, meanY, varX, varY, covXY, wrong } = belief;
    const heavy = fromVector([meanX, meanY]);
    const [ux, uy] = heavy.massG > 1e-9 ? [meanX / heavy.massG, meanY / heavy.massG] : [0, 1];
    show.line('seen', 'settles, level tests, swings, machine readings', seen.length);
    const heavyMassG = show.line('heavy spot', 'mean of the belief', heavy.massG, 'g');
    const heavyDeg = show.line('at', 'its direction', heavy.deg, 'deg');
    const alongG = show.line(
      'along it, either way',
      'one standard deviation',
      Math.sqrt(Math.max(0, varX * ux * ux + 2 * covXY * ux * uy + varY * uy * uy)),
      'g',
    );
    const acrossG = show.line(
      'across it, either way',
      'one standard deviation',
      Math.sqrt(Math.max(0, varX * uy * uy - 2 * covXY * ux * uy + varY * ux * ux)),
      'g',
    );
    const bandG = show.line(
      'dead band of the stand',
      known.bandG === undefined ? 'mean of the belief' : 'from the shop’s value and the readings',
      belief.bandG,
      'g',
    );
    const [wx, wy] = sumParts(on);
    const left = fromVector([meanX + wx, meanY + wy]);
    show.line('left with the weights on', 'heavy spot + weights', left.massG, 'g');
    const chance = withinChance(belief, on, toleranceG);
    show.line('chance that it is within tolerance', 'share of the belief', chance * 100, 'pct');
    const doubt = doubtOf(belief, seen, known);
    const worst = wrong.reduce((best, w, i) => (w > (wrong[best] ?? 0) ? i : best), 0);
    const odd = doubt ? doubt.reading : (wrong[worst] ?? 0) > ODD ? worst : null;
    show.basis('published', 'Bayes’ rule; statics with Coulomb friction');
    show.basis(
      'memory',
      `a place is read to ${READ_DEG}°, and ${WRONG * 1000}%0 of readings are plain wrong`,
    );
    if (prior) show.basis('measured', 'last imbalance of this wheel, as a hint');
    // Rests with nothing on say where it is heavy, and nothing of how heavy.
    const weighs = seen.some(
      (o) => o.kind === 'machine' || (o.kind !== 'swing' && o.weights.length > 0),
    );
    show.verdict(odd !== null || !weighs ? 'check' : 'good');
    if (seen.length === 0) show.caution('No readings yet. Let it settle from both sides.');
    else if (!weighs) show.caution('Weight unknown so far. Let it settle with a trial weight on.');
    if (odd !== null)
      show.caution(
        doubt?.says ?? `Reading ${odd + 1} doesn’t agree with the others. Take it again.`,
      );
    return {
      heavyMassG,
      heavyDeg,
      alongG,
      acrossG,
      bandG,
      region: regionOf(belief, regionShare(belief)).map(fromVector),
      leftG: left.massG,
      leftDeg: left.deg,
      chance,
      consistent: odd === null,
      odd,
    };
  },
});
