import { normalDeg } from '../../base/units';
import type { Advice, AdviceInput, LookWhy } from './advice';
import { withinChance, type Belief } from './belief';
import { asksToTurn, type Story } from './doubt';
import { hasMoved, isAnswered, nextLevelTest, setsOf, triedNear } from './level-check';
import { sumParts, sumVectors } from './mass-vector';
import type { Settle } from './observation';
import { learnt, middleSpread, played } from './played-wheels';
import { readingsNow, situationOf, type ReadingsNow, type Situation } from './situation';

/** Sure enough to say that it is done. */
export const SURE = 0.95;
/** Less likely than this it is not called balanced, whatever the stock has. */
const LIKELY = 0.5;
/**
 * Slips that two resting places with the present weights are enough to name, and that more readings
 * do not mend.
 */
const NAMED: readonly Story[] = [
  'weights mirrored',
  'weights opposite',
  'heavier than entered',
  'lighter than entered',
  'level swapped',
  'same answer',
  'something changed',
  'stand not level',
];
/** Readings of one and the same rest that are worth asking for at most. */
const MAX_SETTLES = 4;
/** Another settle is worth asking for when it tells so many grams more. Basis: memory. */
const WORTH_G = 0.3;
/** Readings with the same weights after which a doubt is for the fitter to settle. */
const ENOUGH = 5;
/** Sets of weights after which a doubt is for the fitter to settle, whatever the others say. */
const MAX_SETS = 5;
/** Times that a known piece more is tried beside the same weights. */
const CHECKS = 2;
/** Weights are changed only for so much more of a chance. */
const BETTER = 0.08;

const otherSide = (from: Settle['from']): 'left' | 'right' => (from === 'left' ? 'right' : 'left');

const levelNext = ({ now, left }: Situation): Advice => ({
  do: 'level',
  ...nextLevelTest(now, left.deg),
});

const settleAgain = ({ settles }: ReadingsNow): Advice => ({
  do: 'settle',
  from: otherSide(settles.at(-1)?.from ?? null),
});

const isCrowded = ({ settles, isCrowded: crowded }: Situation): boolean =>
  crowded && settles.length < MAX_SETTLES;

const look = ({ left }: Situation, why: LookWhy): Advice => ({
  do: 'look',
  why,
  leftG: left.massG,
});

/**
 * It still moves on fine bearings though little is believed to be left: a known piece more against
 * it tells whether that is so, and exposes a wrong belief. Null when there is no such piece, or it
 * was tried.
 */
const onePieceMore = ({ input, doubts, left, belief }: Situation): Advice | null => {
  const { seen, on, toleranceG, trialsG, trialAt = (deg: number) => deg } = input;
  const { lightestG = trialsG[0] ?? null, stayAt = trialAt } = input;
  if (doubts || lightestG === null || lightestG > toleranceG) return null;
  if (triedNear(seen, on, CHECKS * toleranceG) >= CHECKS) return null;
  const against = normalDeg(left.deg + 180);
  const pieces = [...on, { massG: lightestG, deg: stayAt(against, lightestG) ?? against }];
  const chance = withinChance(belief, pieces, toleranceG, true);
  return { do: 'final', ...sumVectors(pieces), pieces, chance, check: true };
};

/** A rule advises, or leaves it to the next one. */
interface Rule<Known> {
  /** Shown in the math. */
  name: string;
  advise(known: Known, input: AdviceInput): Advice | null;
}

/** Rules for a wheel of which too little was read for a belief. */
const FIRST_RULES: readonly Rule<ReadingsNow>[] = [
  {
    name: 'nothing read with these weights',
    advise: ({ settles, isFast, isByMachine }) => {
      if (settles.length > 0 || isFast) return null;
      return isByMachine ? { do: 'spin' } : { do: 'settle', from: null };
    },
  },
  {
    name: 'bare wheel, from both sides',
    advise: (readings, { on }) =>
      on.length === 0 && readings.settles.length === 1 && !readings.isFast
        ? settleAgain(readings)
        : null,
  },
  {
    name: 'is the stand level',
    advise: ({ now, rests }, { doubt = null }) => {
      const last = rests.at(-1);
      if (!last || !asksToTurn(doubt, now)) return null;
      return { do: 'settle', from: last.turned ? otherSide(last.from) : 'left', turned: true };
    },
  },
];

/** Rules by what is believed of the wheel, in order: the first that advises decides. */
const RULES: readonly Rule<Situation>[] = [
  {
    name: 'balanced, and the last readings bear it out',
    advise: (s) =>
      s.believed >= SURE && !isCrowded(s) && s.proof !== null
        ? { do: 'done', chance: s.chance }
        : null,
  },
  {
    // Weights changed again and again do not mend a contradiction.
    name: 'five sets of weights, and the readings still disagree',
    advise: (s, { doubt, seen }) =>
      doubt && setsOf(seen) >= MAX_SETS ? look(s, 'contradiction') : null,
  },
  {
    name: 'one slip explains the readings far better than single errors do',
    advise: (s) =>
      s.doubts?.story && NAMED.includes(s.doubts.story) && (s.settles.length >= 2 || s.isFast)
        ? look(s, 'contradiction')
        : null,
  },
  {
    name: 'five readings with these weights, and they still disagree',
    advise: (s) => (s.doubts && s.now.length >= ENOUGH ? look(s, 'contradiction') : null),
  },
  {
    name: 'another rest tells more',
    advise: (s) => {
      const { settles, isFast, belief, input } = s;
      if (isFast) return null;
      const n = settles.length;
      const gainG = belief.bandG * (middleSpread(n) - middleSpread(n + 1));
      if (n >= 2 && !isCrowded(s) && !(n < MAX_SETTLES && gainG > WORTH_G)) return null;
      const from = otherSide(settles.at(-1)?.from ?? null);
      return { do: 'settle', from, learns: learnt(belief, played(belief), sumParts(input.on), 1) };
    },
  },
  {
    name: 'believed balanced: test it level',
    advise: (s) => (s.believed >= SURE && !isAnswered(s.now) ? levelNext(s) : null),
  },
  {
    name: 'believed balanced, but it moves: a known piece more',
    advise: (s) => (s.believed >= SURE ? onePieceMore(s) : null),
  },
  {
    name: 'believed balanced, but the last readings don’t bear it out',
    advise: (s) => (s.believed >= SURE ? look(s, 'unproved') : null),
  },
  {
    // With weights on it may be balanced though its rest does not say so.
    name: 'weights on, little left: test it level',
    advise: (s, { on, toleranceG }) => {
      const mayBe = s.left.massG < 2.5 * Math.max(toleranceG, s.belief.bandG);
      const isOpen = !hasMoved(s.now) && !isAnswered(s.now);
      return !s.isFast && on.length > 0 && mayBe && isOpen ? levelNext(s) : null;
    },
  },
  {
    name: 'the readings disagree: read again before weights change',
    advise: (s) => {
      if (!s.doubts) return null;
      if (s.isFast) return { do: 'spin' };
      return s.tests.length < 2 ? levelNext(s) : settleAgain(s);
    },
  },
  {
    name: 'the change most likely to end it',
    advise: (s, { on }) => {
      const change = s.change();
      const isBetter = change.chance >= s.believed + BETTER;
      return change.do === 'trial' || on.length === 0 || isBetter ? change : null;
    },
  },
  {
    name: 'nothing in stock does better, and the last readings bear it out',
    advise: (s) =>
      s.believed >= LIKELY && s.proof !== null ? { do: 'done', chance: s.chance } : null,
  },
  {
    name: 'nothing in stock does better: test it level',
    advise: (s) => (!isAnswered(s.now) && !s.isFast ? levelNext(s) : null),
  },
  { name: 'nothing in stock does better: a known piece more', advise: onePieceMore },
  {
    name: 'no weights in stock are likely to do better',
    advise: (s) => look(s, s.believed >= LIKELY ? 'unproved' : 'shelf'),
  },
];

/** The next thing to do, and the name of the rule that decided it. */
export type NextStep = Advice & { rule: string };

const decide = <Known>(
  rules: readonly Rule<Known>[],
  known: Known,
  input: AdviceInput,
): NextStep | null => {
  for (const { name, advise } of rules) {
    const advice = advise(known, input);
    if (advice) return { ...advice, rule: name };
  }
  return null;
};

/**
 * The next thing to do so that the wheel is balanced after the fewest placements: the first rule
 * that advises decides. `given` is the belief by `input`, if it is at hand.
 */
export const nextStep = (input: AdviceInput, given?: Belief): NextStep => {
  const readings = readingsNow(input);
  const step =
    decide(FIRST_RULES, readings, input) ??
    decide(RULES, situationOf(input, readings, given), input);
  if (step === null) throw new Error('no rule advises');
  return step;
};
