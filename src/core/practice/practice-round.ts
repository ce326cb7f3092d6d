import Joi from 'joi';
import type { MassVector, Piece, WeightStock } from '../balance';
import { WEIGHTS_ON } from '../balance';
import { count, listOf, oneOf, ruleValues } from '../fields';
import { ruleNumber, type RuleValues } from '../rules';
import { seeded } from '../statistics';
import { weightPlaces } from '../wheels';
import { defineWorking, reason, type Reason } from '../working';
import { advisedActs } from './advised-acts';
import { hiddenStand } from './hidden-stand';

/** Stands to practice on, by what their bearings hide, in grams. */
export const FRICTIONS = { light: 1, usual: 3, heavy: 6 } as const;
export type Friction = keyof typeof FRICTIONS;

/** Shelves to practice with, of pieces that are crimped on spokes: pieces of every size, large ones only, or hardly any. */
export const SHELVES = {
  full: [
    { massG: 5, count: 24, lengthMm: 0 },
    { massG: 10, count: 24, lengthMm: 0 },
    { massG: 20, count: 12, lengthMm: 0 },
  ],
  coarse: [
    { massG: 10, count: 12, lengthMm: 0 },
    { massG: 20, count: 12, lengthMm: 0 },
  ],
  few: [
    { massG: 5, count: 2, lengthMm: 0 },
    { massG: 10, count: 2, lengthMm: 0 },
    { massG: 20, count: 2, lengthMm: 0 },
    { massG: 30, count: 1, lengthMm: 0 },
  ],
} as const satisfies Record<string, readonly WeightStock[]>;
export type Shelf = keyof typeof SHELVES;

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

interface Input {
  seed: number;
  friction: Friction;
  shelf: Shelf;
  /** The weights of each try, the last one those that stayed. */
  tries: readonly (readonly MassVector[])[];
  rules?: RuleValues;
}

export interface PracticeRound {
  heavy: MassVector;
  bandG: number;
  placements: number;
  leftG: number;
  /** Within the limit, or within what this stand can show. */
  within: boolean;
  advised: { tries: Piece[][]; placements: number; leftG: number; readings: number };
  reason: Reason;
}

const grams = (value: number) => ({ value, unit: 'g' as const, digits: 0 });

/**
 * A round of practice: what a hidden wheel was left with after one's own tries, and what the advice would have done
 * with it.
 *
 * `seed` 0 to a billion; `tries` at most 40. The same seed is the same wheel, so a round can be worked out again.
 * Source: the simulated stand, a rigid wheel with friction; the advice of `balance-advise`.
 */
export const practiceRound = defineWorking<Input, PracticeRound>({
  name: 'practice-round',
  says: 'A hidden wheel: your own tries beside the advice',
  input: () => ({
    seed: count(0, 1_000_000_000, 'Number of the hidden wheel'),
    friction: oneOf(Object.keys(FRICTIONS), 'The stand'),
    shelf: oneOf(Object.keys(SHELVES), 'The shelf'),
    tries: listOf(WEIGHTS_ON as Joi.ArraySchema, 40, 'The weights of each try'),
    rules: ruleValues(),
  }),
  example: {
    seed: 7,
    friction: 'usual',
    shelf: 'full',
    tries: [
      [{ massG: 20, deg: 25 }],
      [
        { massG: 20, deg: 25 },
        { massG: 10, deg: 35 },
      ],
    ],
  },
  work({ seed, friction, shelf, tries, rules }, show) {
    const toleranceG = ruleNumber('balance.toleranceG', rules, show);
    const heavy = hiddenHeavy(seed);
    const bandG = show.line('the stand hides', friction, FRICTIONS[friction], 'g');
    const stand = hiddenStand(heavy, bandG);
    show.line('hidden heavy spot', 'by the number of the wheel', heavy.massG, 'g');
    show.line('at', 'from the valve', heavy.deg, 'deg');
    const limitG = Math.max(toleranceG, bandG);
    const leftG = show.line(
      'left after your last try',
      'hidden spot + weights, as vectors',
      stand.leftG(tries.at(-1) ?? []),
      'g',
    );
    const within = leftG <= limitG + 1e-9;
    // A stand whose dead band is known to nobody, as it was for who tried.
    const { 'balance.bandG': _, ...usual } = rules ?? {};
    const acts = [
      ...advisedActs(stand, {
        stock: SHELVES[shelf].map((k) => ({ ...k })),
        positions: [...PRACTICE_PLACES],
        sides: 'one',
        rules: usual,
      }),
    ];
    const advisedTries = acts.flatMap((a) => (a.do === 'trial' || a.do === 'final' ? [a.pieces] : []));
    const advisedLeftG = show.line(
      'left as advised',
      `${advisedTries.length} placements`,
      stand.leftG(advisedTries.at(-1) ?? []),
      'g',
    );
    show.line('your placements', 'times weights were put on', tries.length);
    show.basis('published', 'statics: masses add as vectors');
    show.basis('practice', 'a wheel is balanced within the shop’s limit, or within what its stand can show');
    const saids = [grams(leftG), grams(limitG)];
    const why = within
      ? reason('good', `Balanced: {0} left, within {1}, in ${tries.length} placements.`, saids)
      : reason('check', '{0} left: more than {1}.', saids);
    show.verdict(why.verdict);
    return {
      heavy,
      bandG,
      placements: tries.length,
      leftG,
      within,
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
