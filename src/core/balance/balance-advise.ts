import { angle, count, listOf, oneOf, quantity, record, ruleValues } from '../fields';
import { ruleNumber, type RuleValues } from '../rules';
import { degText } from '../units';
import { defineWorking, reason, type Reason } from '../working';
import { balancePlace, type Piece, type WeightStock } from './balance-place';
import { knownOf, PRIOR } from './balance-estimate';
import type { Prior } from './belief';
import { sumVectors, type MassVector } from './mass-vector';
import { nextStep, type Advice } from './next-step';
import { OBSERVATIONS, WEIGHTS_ON, type Observation } from './observation';

interface Input {
  seen: readonly Observation[];
  on?: readonly MassVector[];
  stock: WeightStock[];
  positions?: number[];
  sides: 'both' | 'one';
  prior?: Prior;
  rules?: RuleValues;
}

export type BalanceAdvice = Advice & {
  reason: Reason;
  /** For final weights: the pieces, with their sides. */
  place: Piece[];
};

/** Pieces that are taped on together for a trial, at most. */
const TRIAL_PIECES = 3;

/** Masses that a few pieces of the stock make up. */
const trialMasses = (stock: readonly WeightStock[]): number[] => {
  let sums = new Set<number>([0]);
  for (let i = 0; i < TRIAL_PIECES; i++) sums = new Set([...sums].flatMap((s) => [s, ...stock.filter((k) => k.count > i).map((k) => s + k.massG)]));
  return [...sums].filter((m) => m > 0).sort((a, b) => a - b);
};

const spoken = (advice: Advice): Reason => {
  const grams = (value: number) => ({ value, unit: 'g' as const, digits: 0 });
  const percent = `${Math.round('chance' in advice ? advice.chance * 100 : 0)} in 100`;
  switch (advice.do) {
    case 'settle': return reason('good', advice.from === null ? 'Let it settle: the heavy spot comes to the bottom, within what the bearings hide.' : `Let it settle again, from the ${advice.from}: two sides cancel the friction.`);
    case 'level': return reason('good', `Hold ${degText(advice.deg)} level and let go: what is left shows there first.`);
    case 'trial': return reason('good', `{0} at ${degText(advice.deg)}, off the counterweight\u2019s place on purpose: the way the rest moves tells the mass.`, [grams(advice.massG)]);
    case 'final': return reason('good', `{0} at ${degText(advice.deg)}: balanced with a chance of ${percent}.`, [grams(advice.massG)]);
    case 'done': return reason('good', `Balanced, as far as this stand can tell: ${percent}.`);
  }
};

/**
 * The next thing to do so that a wheel is balanced after the fewest placements of weights: settle, test, a trial mass set
 * aside on purpose, the final pieces, or nothing more.
 *
 * `seen` as for `balance-estimate`; `stock` as for `balance-place`. Throws `InputError` when there is nothing in stock.
 * Source: each choice is played through on wheels as probable as the belief says, and the one most likely to end it is taken.
 */
export const balanceAdvise = defineWorking<Input, BalanceAdvice>({
  name: 'balance-advise',
  says: 'What to do next so that the wheel is balanced in the fewest tries',
  input: {
    seen: OBSERVATIONS,
    on: WEIGHTS_ON.optional(),
    stock: listOf(record({ massG: quantity('g', 0.5, 200, 'Mass of a piece'), count: count(0, 10_000, 'Pieces in stock') }, 'A kind of weight'), 12, 'The weights in stock'),
    positions: listOf(angle('A place for a piece'), 80, 'The places a piece can go').optional(),
    sides: oneOf(['both', 'one'], 'Which sides of the rim'),
    prior: PRIOR.optional(),
    rules: ruleValues(),
  },
  example: {
    seen: [{ kind: 'settle', restDeg: 212, from: 'left', weights: [] }, { kind: 'settle', restDeg: 208, from: 'right', weights: [] }],
    stock: [{ massG: 5, count: 20 }, { massG: 10, count: 12 }, { massG: 20, count: 6 }], sides: 'one',
  },
  work({ seen, on = [], stock, positions, sides, prior, rules }, show) {
    const toleranceG = ruleNumber('balance.toleranceG', rules, show);
    // Pieces are made up finer than the limit, which is for the whole wheel.
    const placed = ({ massG, deg }: MassVector) =>
      balancePlace.run({ counterMassG: Math.min(1000, massG), counterDeg: deg, stock, sides, rules: { ...rules, 'balance.toleranceG': toleranceG * 0.3 }, ...(positions ? { positions } : {}) }).result.pieces;
    const advice = nextStep({ seen, known: knownOf(prior, rules), on, toleranceG, trialsG: trialMasses(stock), realize: placed });
    const why = spoken(advice);
    show.line('next', 'by the chance that it ends here or with the weights after', advice.do);
    if ('massG' in advice) {
      show.line('mass', advice.do === 'final' ? 'against the mean of the belief' : 'of the pieces at hand', advice.massG, 'g');
      show.line('at', 'from the valve', advice.deg, 'deg');
    }
    if ('chance' in advice) show.line('chance that it is balanced then', 'share of the belief', advice.chance * 100, 'pct');
    show.basis('published', 'order statistics of the uniform distribution; Bayes\u2019 rule');
    show.basis('practice', 'settle from both sides; weights opposite the heavy spot');
    show.verdict(why.verdict);
    const place = advice.do === 'final' ? placed(advice) : [];
    if (advice.do === 'final') show.line('pieces come to', 'as vectors', sumVectors(place).massG, 'g');
    return { ...advice, reason: why, place };
  },
});
