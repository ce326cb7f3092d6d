import type Joi from 'joi';
import type { MassVector, Piece } from '../bench/balance';
import { WEIGHTS_ON } from '../bench/balance';
import { listOf } from '../base/fields';
import { ruleNumber } from '../base/rules';
import { counted } from '../base/units';
import { seeded } from '../base/statistics';
import { weightPlaces } from '../fit/wheels';
import { defineWorking, reason, type Reason } from '../base/working';
import { advisedActs } from './advised-acts';
import {
  BALANCE_LEVELS,
  FRICTIONS,
  SHELVES,
  standAndShelf,
  type BalanceLevel,
} from './balance-levels';
import { hiddenStand, type HiddenStand } from './hidden-stand';
import { roundFields, type Played, type RoundInput } from './played';
import type { PracticeSpec } from './practice-spec';

/** A wheel is not tried oftener. */
const MAX_TRIES = 40;

/** The wheel to practice on: 36 spokes and a rim lock. */
export const PRACTICE_WHEEL = { build: 'spoked', spokes: 36, rimLockDegs: [210] } as const;
export const PRACTICE_PLACES: readonly number[] = weightPlaces({
  ...PRACTICE_WHEEL,
  rimLockDegs: [...PRACTICE_WHEEL.rimLockDegs],
});

/** The heavy spot that a seed hides: 8 to 70 g anywhere on the wheel. */
export const hiddenHeavy = (seed: number): MassVector => {
  const chance = seeded(seed * 7919 + 29);
  return { massG: 8 + 62 * chance(), deg: 360 * chance() };
};

/** Weights of a try. */
type Try = readonly MassVector[];

export interface BalancePlayed extends Played {
  heavy: MassVector;
  bandG: number;
  placements: number;
  leftG: number;
  advised: { tries: Piece[][]; placements: number; leftG: number; readings: number };
}

/** Tries that left more than those before them. */
const debriefOf = (tries: readonly Try[], stand: HiddenStand, limitG: number): Reason[] => {
  const left = [[], ...tries].map((on) => stand.leftG(on));
  const worse = left.filter((g, i) => i > 0 && g > left[i - 1]! + limitG).length;
  const early = left.slice(0, -1).findIndex((g, i) => i > 0 && g <= limitG);
  return [
    ...(worse > 0
      ? [
          reason(
            'check',
            `${counted(worse, 'placement')} made it worse. Let the wheel settle from both sides first.`,
          ),
        ]
      : []),
    ...(early > 0
      ? [
          reason(
            'check',
            `It was balanced after placement ${early}. Level test at 3 and 9 o’clock before you add more.`,
          ),
        ]
      : []),
  ];
};

const grams = (value: number) => ({ value, unit: 'g' as const, digits: 0 });

/**
 * A round of practice: what a hidden wheel was left with after one's own tries, and what the advice
 * would have done with it.
 *
 * `seed` 0 to a billion; `tries` at most 40. The same seed is the same wheel, so a round repeats.
 * Source: the simulated stand, a rigid wheel with friction; the advice of `balance-advise`.
 */
export const practiceBalance = defineWorking<RoundInput<BalanceLevel, Try>, BalancePlayed>({
  name: 'practice-balance',
  title: 'Practice: balance',
  input: () =>
    roundFields(
      BALANCE_LEVELS,
      listOf(
        WEIGHTS_ON as Joi.ArraySchema,
        MAX_TRIES,
        'Weights of each try; the last ones stay on',
      ),
    ),
  example: {
    seed: 7,
    level: 'usual stand, full shelf',
    acts: [
      [{ massG: 20, deg: 25 }],
      [
        { massG: 20, deg: 25 },
        { massG: 10, deg: 35 },
      ],
    ],
  },
  work({ seed, level, acts: tries, rules }, show) {
    const { friction, shelf } = standAndShelf(level);
    const toleranceG = ruleNumber('balance.toleranceG', rules, show);
    const heavy = hiddenHeavy(seed);
    const bandG = show.line('dead band of the stand', friction, FRICTIONS[friction], 'g');
    const stand = hiddenStand(heavy, bandG);
    show.line('hidden heavy spot', 'set by the wheel’s number', heavy.massG, 'g');
    show.line('at', 'from the valve', heavy.deg, 'deg');
    const limitG = Math.max(toleranceG, bandG);
    const leftG = show.line(
      'imbalance left after your last try',
      'heavy spot + weights, added as vectors',
      stand.leftG(tries.at(-1) ?? []),
      'g',
    );
    const within = leftG <= limitG + 1e-9;
    // A stand whose dead band is known to no one, as it was for who tried.
    const { 'balance.bandG': _, ...usual } = rules ?? {};
    const acts = [
      ...advisedActs(stand, {
        stock: SHELVES[shelf].map((k) => ({ ...k })),
        positions: [...PRACTICE_PLACES],
        sides: 'one',
        rules: usual,
      }),
    ];
    const advisedTries = acts.flatMap((a) =>
      a.do === 'trial' || a.do === 'final' ? [a.pieces] : [],
    );
    const advisedLeftG = show.line(
      'imbalance left as advised',
      counted(advisedTries.length, 'placement'),
      stand.leftG(advisedTries.at(-1) ?? []),
      'g',
    );
    show.line('your placements', 'times you put weights on', tries.length);
    show.basis('published', 'statics: masses add as vectors');
    show.basis(
      'practice',
      'balanced: within the shop’s tolerance, or the dead band of the stand if that is larger',
    );
    const saids = [grams(leftG), grams(limitG)];
    const why = within
      ? reason(
          'good',
          `Balanced: {0} left, within {1}, in ${counted(tries.length, 'placement')}.`,
          saids,
        )
      : reason('check', 'Still {0} left; the limit is {1}.', saids);
    show.verdict(why.verdict);
    return {
      heavy,
      bandG,
      placements: tries.length,
      leftG,
      good: within,
      cost: tries.length,
      advisedCost: advisedTries.length,
      debrief: debriefOf(tries, stand, limitG),
      // Pieces and places are shown by themselves, on the dial and beside it.
      advice: [],
      advised: {
        tries: advisedTries,
        placements: advisedTries.length,
        leftG: advisedLeftG,
        readings: acts.filter((a) => a.do === 'settle' || a.do === 'level').length,
      },
      reason: why,
    };
  },
});

/** The kind of practice as the screens have it. */
export const balancePractice: PracticeSpec = {
  title: 'Balance',
  does: 'A wheel with a hidden heavy spot, on a simulated stand. Balance it by hand in as few placements as you can.',
  levels: BALANCE_LEVELS,
  counts: ['placement', 'placements'],
  scores: practiceBalance,
};
