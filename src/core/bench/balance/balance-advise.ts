import { angle, listOf, oneOf, quantity, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { angleBetween, degText } from '../../base/units';
import { defineWorking, reason, type Reason } from '../../base/working';
import {
  balancePlace,
  MAX_PLACES,
  SIDES,
  USUAL_RIM_MM,
  usualLengthMm,
  WEIGHT_KIND,
  type Piece,
  type Sides,
  type WeightStock,
} from './balance-place';
import { knownOf, PRIOR } from './balance-estimate';
import { believe, type Prior } from './belief';
import { doubtOf, isOutvoted, type Doubt } from './doubt';
import { chanceText } from './chance-text';
import { levelHour } from './level-check';
import { sumVectors, type MassVector } from './mass-vector';
import type { Advice } from './advice';
import { nextStep, SURE } from './next-step';
import { OBSERVATIONS, WEIGHTS_ON, type Observation } from './observation';
import { freeNear, madeOf, trialMasses } from './trial-pieces';

/** Input of the advice. */
export interface AdviseInput {
  seen: readonly Observation[];
  on?: readonly MassVector[];
  stock: WeightStock[];
  positions?: number[];
  sides: Sides;
  rimMm?: number;
  clearOf?: number[];
  rimWidthMm?: number;
  prior?: Prior;
  rules?: RuleValues;
}

export type BalanceAdvice = Advice & {
  reason: Reason;
  /**
   * The pieces to put on, with their sides: for a trial all at one place, on the side that is up.
   */
  place: Piece[];
  /**
   * Final pieces are made up to this, finer than the shop's limit where the belief is not sharp
   * enough for less.
   */
  limitG: number;
  /** The contradiction in the readings; null while they agree. */
  doubt: Doubt | null;
};

/**
 * Shares of the limit that final pieces are made up to: the roughest one that is about as sure
 * takes the fewest and lightest pieces. Basis: memory.
 */
const FINER = [0.8, 0.55, 0.3];
const ROUGHER = 0.06;
/** The text shown when the belief calls it balanced and the last readings do not. */
const UNPROVED =
  'The last readings don’t show a balanced wheel: it moves from level or keeps settling at one place. Check the weights and the stand, then start over.';
const spoken = (advice: Advice, doubt: Doubt | null): Reason => {
  const grams = (value: number) => ({ value, unit: 'g' as const, digits: 0 });
  const percent = 'chance' in advice ? chanceText(advice.chance) : '';
  switch (advice.do) {
    case 'settle':
      if (advice.turned)
        return reason(
          'check',
          'Turn the wheel around on the stand, end for end, and let it settle. A level stand gives the same place.',
        );
      return reason(
        'good',
        advice.from === null
          ? 'Let it settle: the heavy spot comes to the bottom, within the stand’s dead band.'
          : `Let it settle again, from the ${advice.from}: two sides cancel the friction.`,
      );
    case 'level':
      return reason(
        'good',
        `Hold ${degText(advice.deg)} level at ${levelHour(advice.at)} and let go. Balanced, it stays at 3 and at 9.`,
      );
    case 'spin':
      return reason('good', 'Spin it again on the machine: it confirms what is left.');
    case 'trial':
      return reason(
        'good',
        `{0} at ${degText(advice.deg)}, off the counterweight’s place on purpose: how far it moves gives the weight.`,
        [grams(advice.massG)],
      );
    case 'final':
      if (advice.check)
        return reason('good', 'It still moves. Add {0} more, weighed, to see how much is left.', [
          grams(advice.pieces.at(-1)!.massG),
        ]);
      return reason('good', `{0} at ${degText(advice.deg)}: ${percent} chance this balances it.`, [
        grams(advice.massG),
      ]);
    case 'done':
      return reason('good', `Balanced: ${percent} sure, on this stand.`);
    case 'look':
      if (advice.why === 'contradiction' && doubt) return reason('check', doubt.says);
      return advice.why === 'unproved'
        ? reason('check', UNPROVED)
        : reason(
            'check',
            'Not balanced, about {0} left, and nothing in stock is likely to do better.',
            [grams(advice.leftG)],
          );
  }
};

/**
 * The next thing to do so that a wheel is balanced after the fewest placements of weights: settle,
 * test, a trial mass set aside on purpose, the final pieces, or nothing more.
 *
 * `seen` as for `balance-estimate`; `stock` as for `balance-place`. Throws `InputError` when there is nothing in stock.
 * Source: each choice is played through on wheels as probable as the belief says, and the one most
 * likely to end it is taken.
 */
export const balanceAdvise = defineWorking<AdviseInput, BalanceAdvice>({
  name: 'balance-advise',
  title: 'Balance: next step',
  input: () => ({
    seen: OBSERVATIONS,
    on: WEIGHTS_ON.optional(),
    stock: listOf(WEIGHT_KIND, 12, 'The weights in stock'),
    positions: listOf(angle('A place for a weight'), MAX_PLACES, 'Places for weights').optional(),
    sides: oneOf(SIDES, 'Which sides of the rim'),
    rimMm: quantity('mm', 300, 3000, 'Rim circumference').optional(),
    rimWidthMm: quantity('mm', 20, 400, 'Width of the rim').optional(),
    clearOf: listOf(angle('Keep weights clear of'), 60, 'Keep weights clear of').optional(),
    prior: PRIOR.optional(),
    rules: ruleValues(),
  }),
  example: {
    seen: [
      { kind: 'settle', restDeg: 212, from: 'left', weights: [] },
      { kind: 'settle', restDeg: 208, from: 'right', weights: [] },
    ],
    stock: [
      { massG: 5, count: 20 },
      { massG: 10, count: 12 },
      { massG: 20, count: 6 },
    ],
    sides: 'one',
  },
  work({ seen, on = [], stock, positions, sides, rimMm, clearOf = [], prior, rules }, show) {
    const toleranceG = ruleNumber('balance.toleranceG', rules, show);
    const placed = ({ massG, deg }: MassVector, limitG: number) =>
      balancePlace.run({
        counterMassG: Math.min(1000, massG),
        counterDeg: deg,
        stock,
        sides,
        limitG,
        ...(rules ? { rules } : {}),
        ...(positions ? { positions } : {}),
        ...(rimMm ? { rimMm } : {}),
        clearOf,
      }).result.pieces;
    let limitG = toleranceG;
    const realize = (counter: MassVector, chanceOf: (pieces: readonly MassVector[]) => number) => {
      const made: { limitG: number; pieces: Piece[]; chance: number }[] = [];
      for (const share of FINER) {
        // As near as the bearings show, so that a level test stays.
        if (share * toleranceG > belief.bandG && share !== FINER.at(-1)) continue;
        const pieces = placed(counter, share * toleranceG);
        made.push({ limitG: share * toleranceG, pieces, chance: chanceOf(pieces) });
        if (made.at(-1)!.chance >= SURE) break;
      }
      const most = Math.max(...made.map((m) => m.chance));
      const best = made.find((m) => m.chance >= Math.min(SURE, most - ROUGHER))!;
      limitG = best.limitG;
      return best.pieces;
    };
    const known = knownOf(prior, rules);
    const belief = believe(seen, known);
    const found = doubtOf(belief, seen, known);
    const doubt = found && {
      ...found,
      settled:
        (found.story === null || found.story === 'rest mirrored') &&
        isOutvoted(belief, seen, known),
    };
    const advice = nextStep(
      {
        seen,
        known,
        on,
        doubt,
        stayAt: (deg, massG) => {
          const taken = on.map((p) => p.deg);
          if (!positions)
            return freeNear(deg, usualLengthMm(massG), [0, ...clearOf], rimMm ?? USUAL_RIM_MM);
          const free = positions.filter(
            (p) => taken.filter((t) => Math.abs(angleBetween(p, t)) < 0.5).length < 2,
          );
          const off = (p: number) => Math.abs(angleBetween(p, deg));
          return free.reduce<number | null>(
            (best, p) => (best === null || off(p) < off(best) ? p : best),
            null,
          );
        },
        toleranceG,
        lightestG: Math.min(...stock.filter((k) => k.count > 0).map((k) => k.massG)),
        trialsG: trialMasses(stock),
        trialAt: (deg, massG) => {
          const lengths = (madeOf(massG, stock) ?? []).map((each) => usualLengthMm(each));
          return freeNear(deg, Math.max(0, ...lengths), [0, ...clearOf], rimMm ?? USUAL_RIM_MM);
        },
        realize,
      },
      belief,
    );
    const why = spoken(advice, doubt);
    if (doubt) {
      show.verdict('check');
      show.caution(doubt.says);
    }
    show.line('rule', 'the first of the advisor’s rules that applies', advice.rule);
    show.line('next', 'by the chance that it ends here or with the weights after', advice.do);
    if ('massG' in advice) {
      show.line(
        'mass',
        advice.do === 'final' ? 'against the mean of the belief' : 'of the weights in stock',
        advice.massG,
        'g',
      );
      show.line('at', 'from the valve', advice.deg, 'deg');
    }
    const learns = 'learns' in advice ? advice.learns : undefined;
    if (learns) {
      show.line('the heavy spot may be off by, now', 'one standard deviation', learns.nowG, 'g');
      show.line('and after this', 'expected, on average over the belief', learns.thenG, 'g');
    }
    if ('chance' in advice)
      show.line(
        'chance that it is then balanced',
        'share of the belief',
        advice.chance * 100,
        'pct',
      );
    show.basis('published', 'order statistics of the uniform distribution; Bayes’ rule');
    show.basis('practice', 'settle from both sides; weights opposite the heavy spot');
    show.verdict(why.verdict);
    const { massG: trialG, deg } = advice.do === 'trial' ? advice : { massG: 0, deg: 0 };
    const place =
      advice.do === 'final'
        ? advice.check
          ? [...on, ...advice.pieces.slice(on.length)].map((p): Piece => ({
              side: sides === 'inner' ? 'inner' : 'near',
              ...p,
            }))
          : placed(advice, limitG)
        : (madeOf(trialG, stock) ?? []).map((massG): Piece => ({ massG, deg, side: 'near' }));
    if (advice.do === 'final')
      show.line('weights add up to', 'as vectors', sumVectors(place).massG, 'g');
    return { ...advice, reason: why, place, limitG, doubt: found };
  },
});
