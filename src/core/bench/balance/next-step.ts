import { normalDeg } from '../../base/units';
import { believe, cellAt, withinChance, type Belief, type Known } from './belief';
import { asksToTurn, deceivesTests, type Doubt, type Story } from './doubt';
import { lastFit } from './last-readings';
import {
  hasMoved,
  isAnswered,
  isLevel,
  movesEvenly,
  nextLevelTest,
  seenNear,
  setsOf,
  triedNear,
} from './level-check';
import { READ_DEG } from './likelihood';
import { fromVector, sumParts, sumVectors, toVector, type MassVector } from './mass-vector';
import type { Observation, Settle } from './observation';

/**
 * What a step is expected to teach: how far the heavy vector may be off, one standard deviation, now and after it.
 */
export interface Learns {
  nowG: number;
  thenG: number;
}

/** What to do next, and what is expected of it. */
export type Advice =
  /** `turned`: with the wheel turned around on its stand, which shows a stand that is not level. */
  | { do: 'settle'; from: 'left' | 'right' | null; turned?: true; learns?: Learns }
  /** The place is held at 3 o'clock (right) or at 9 o'clock. */
  | { do: 'level'; deg: number; at: 'left' | 'right' }
  /** On a machine, that is used from the start: spun again with what is on now. */
  | { do: 'spin' }
  | { do: 'trial'; massG: number; deg: number; chance: number; learns: Learns }
  /** `pieces` make up the counterweight; `chance` that they leave it balanced. */
  | {
      do: 'final';
      massG: number;
      deg: number;
      pieces: readonly MassVector[];
      chance: number;
      /** What is on stays, and a known piece more tells whether the belief is right. */
      check?: boolean;
    }
  /** Checked on the stand or by a machine with the weights that are on. */
  | { do: 'done'; chance: number }
  /**
   * What was seen contradicts itself, the last readings do not bear out a balanced wheel, or nothing in stock does
   * better: someone has to look.
   */
  | { do: 'look'; why: LookWhy; rule: LookRule; leftG: number };

type LookWhy = 'contradiction' | 'unproved' | 'shelf';

/** The rule by which someone has to look. */
type LookRule =
  | 'many sets in doubt'
  | 'many readings in doubt'
  | 'slip named'
  | 'still moves'
  | 'nothing better in stock';

/** What each rule goes by, in words. */
export const LOOK_RULES: Record<LookRule, string> = {
  'many sets in doubt': 'five sets of weights, and the readings still disagree',
  'many readings in doubt': 'five readings with these weights, and they still disagree',
  'slip named': 'one slip explains the readings far better than single errors do',
  'still moves': 'believed balanced, but the last readings don’t bear it out',
  'nothing better in stock': 'no weights in stock are likely to do better',
};

export interface AdviceInput {
  seen: readonly Observation[];
  known?: Known;
  /** What is on the wheel now. */
  on: readonly MassVector[];
  /** What contradicts itself of what was seen, and whether the other readings have settled it. */
  doubt?: (Doubt & { settled: boolean }) | null;
  toleranceG: number;
  /** Where a single piece can stay, nearest to a place; null where nothing is free. */
  stayAt?: (deg: number, massG: number) => number | null;
  /** The lightest piece at hand; null where there is none. */
  lightestG?: number | null;
  /** Masses that a trial can have, from the pieces at hand. */
  trialsG: readonly number[];
  /** Where a trial of this mass can be taped, nearest to a place; null where nothing near is free. */
  trialAt?: (deg: number, massG: number) => number | null;
  /** The pieces that would go on for a counterweight; the counterweight itself where it is left out. */
  realize?: (
    counter: MassVector,
    chanceOf: (pieces: readonly MassVector[]) => number,
  ) => readonly MassVector[];
}

/** Sure enough to say that it is done. */
export const SURE = 0.95;
/** The last readings may fit a balanced wheel no worse than this. Basis: memory. */
const FITS = 0.2;
/** So sure by the readings with these weights, and with a known piece more or less, alone. */
const SURE_ALONE = 0.9;
/** Less likely than this it is not called balanced, whatever the stock has. */
const LIKELY = 0.5;
/** Slips that two resting places with the present weights are enough to name, and that more readings do not mend. */
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
/** Wheels that are played through for each choice, and how far aside of the counterweight's place a trial may go. */
const PLAYED = 40;
const ASIDE_DEG = [0, 15, 30, 45, 60, 80];
/** A final piece is preferred to a trial when it is about as good. */
const ALIKE = 0.02;
/** Trials whose worth differs by less are alike. */
const AS_GOOD = 0.02;
/** Weights are changed only for so much more of a chance. */
const BETTER = 0.08;
const RAD = Math.PI / 180;

/**
 * Spread of the middle of so many readings that lie anywhere in a band of half width 1. Source: order statistics of the
 * uniform distribution.
 */
export const middleSpread = (n: number): number => Math.sqrt(2 / ((n + 1) * (n + 2)));

const sameWeights = (a: readonly MassVector[], b: readonly MassVector[]): boolean => {
  const [p, q] = [sumParts(a), sumParts(b)];
  return Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.05;
};

interface Played {
  x: number;
  y: number;
  f: number;
}

/** Wheels that are as probable as the belief says, always the same ones. */
const played = (belief: Belief): Played[] => {
  const out: Played[] = [];
  let sum = 0;
  for (let i = 0; i < belief.mass.length && out.length < PLAYED; i++) {
    sum += belief.mass[i]!;
    while (out.length < PLAYED && sum >= (out.length + 0.5) / PLAYED) {
      const [x, y] = cellAt(belief, i);
      out.push({ x, y, f: belief.bandOf[i]! });
    }
  }
  return out;
};

/**
 * Variance of the heavy vector that is left on average of both axes together, once a wheel with these weights on was
 * let go
 * `rests` times: a rest tells the part across its own direction, to about the dead band.
 */
const leftOver = (
  { varX, varY, covXY }: Belief,
  { x, y, f }: Played,
  [wx, wy]: readonly [number, number],
  rests: number,
): number => {
  const det = Math.max(1e-9, (varX + 1e-3) * (varY + 1e-3) - covXY * covXY);
  const [a, b, c] = [(varY + 1e-3) / det, -covXY / det, (varX + 1e-3) / det];
  const [vx, vy] = [x + wx, y + wy];
  const r = Math.max(1e-6, Math.hypot(vx, vy));
  const [nx, ny] = [vy / r, -vx / r];
  const told = 1 / ((f * middleSpread(rests)) ** 2 + (r * READ_DEG * RAD) ** 2 / rests + 0.1);
  const [ja, jb, jc] = [a + told * nx * nx, b + told * nx * ny, c + told * ny * ny];
  return (ja + jc) / Math.max(1e-9, ja * jc - jb * jb);
};

/** Rests that weights are judged by. */
const RESTS = 3;

/**
 * How probable it is that these weights, or the ones put on after them, leave the wheel balanced: by what is then left
 * to chance.
 */
const worthOf = (
  belief: Belief,
  wheels: readonly Played[],
  weights: readonly [number, number],
  toleranceG: number,
): number => {
  let sum = 0;
  for (const wheel of wheels) {
    const limitG = Math.max(toleranceG, wheel.f);
    sum +=
      Math.hypot(wheel.x + weights[0], wheel.y + weights[1]) <= limitG
        ? 1
        : 1 - Math.exp(-(limitG ** 2) / leftOver(belief, wheel, weights, RESTS));
  }
  return sum / wheels.length;
};

/** What letting it go so often with these weights on is expected to teach. */
const learnt = (
  belief: Belief,
  wheels: readonly Played[],
  weights: readonly [number, number],
  rests: number,
): Learns => ({
  nowG: Math.sqrt(belief.varX + belief.varY),
  thenG: Math.sqrt(
    wheels.reduce((sum, wheel) => sum + leftOver(belief, wheel, weights, rests), 0) / wheels.length,
  ),
});

const otherSide = (last: Settle) =>
  ({ do: 'settle', from: last.from === 'left' ? 'right' : 'left' }) as const;

const otherSideOf = (from: Settle['from']): 'left' | 'right' =>
  from === 'left' ? 'right' : 'left';

/** The next thing to do so that the wheel is balanced after the fewest placements. */
export const nextStep = (
  {
    seen,
    known,
    on,
    doubt = null,
    toleranceG,
    trialsG,
    lightestG = trialsG[0] ?? null,
    trialAt = (deg) => deg,
    stayAt = trialAt,
    realize = (counter) => [counter],
  }: AdviceInput,
  given?: Belief,
): Advice => {
  const now = seen.slice(seen.findLastIndex((o) => !sameWeights(o.weights, on)) + 1);
  const rests = now.filter((o) => o.kind === 'settle');
  const settles = rests.filter((o) => !o.turned);
  const fast = now.some((o) => o.kind === 'machine');
  const byMachine =
    seen.some((o) => o.kind === 'machine') && !seen.some((o) => o.kind === 'settle');
  if (settles.length === 0 && !fast)
    return byMachine ? { do: 'spin' } : { do: 'settle', from: null };
  if (on.length === 0 && settles.length === 1 && !fast) return otherSide(settles[0]!);
  if (asksToTurn(doubt, now)) {
    const last = rests.at(-1)!;
    return { do: 'settle', from: last.turned ? otherSideOf(last.from) : 'left', turned: true };
  }
  const belief = given ?? believe(seen, known);
  const [ox, oy] = sumParts(on);
  const left = fromVector([belief.meanX + ox, belief.meanY + oy]);
  // A machine does not hide behind bearings.
  const believed = withinChance(belief, on, toleranceG, !fast);
  const last = lastFit(now, toleranceG, known?.bandG);
  const tests = now.filter((o) => o.kind === 'level');
  const doubts = doubt?.settled === false ? doubt : null;
  const look = (why: LookWhy, rule: LookRule): Advice => ({
    do: 'look',
    why,
    rule,
    leftG: left.massG,
  });
  // On fine bearings the least that is left moves: a known piece more that turns it round bounds it, by the readings
  // with and without the piece alone.
  const bracketedBy = (): number | null => {
    const near = seenNear(seen, on, toleranceG);
    if (settles.length < 2 || triedNear(seen, on, toleranceG) === 0 || !movesEvenly(near))
      return null;
    const alone = believe(near, known?.bandG === undefined ? {} : { bandG: known.bandG });
    const sure = withinChance(alone, on, toleranceG, true);
    return sure >= SURE_ALONE ? sure : null;
  };
  // What the readings with these weights bear out by themselves; null where they do not call it balanced.
  const proof = ((): number | null => {
    if (deceivesTests(doubt)) return null;
    if (fast || isLevel(now)) return last.fit >= FITS ? last.fit : null;
    return bracketedBy();
  })();
  // Never above what the last readings bear out.
  const chance = Math.min(believed, proof ?? last.fit);
  const isCrowded = last.crowded && settles.length < MAX_SETTLES;
  if (believed >= SURE && !isCrowded && proof !== null) return { do: 'done', chance };
  // Weights changed again and again do not mend what contradicts itself.
  if (doubt && setsOf(seen) >= MAX_SETS) return look('contradiction', 'many sets in doubt');
  if (doubts?.story && NAMED.includes(doubts.story) && (settles.length >= 2 || fast))
    return look('contradiction', 'slip named');
  if (doubts && now.length >= ENOUGH) return look('contradiction', 'many readings in doubt');
  const levelNext = (): Advice => ({ do: 'level', ...nextLevelTest(now, left.deg) });
  const gainG = belief.bandG * (middleSpread(settles.length) - middleSpread(settles.length + 1));
  if (
    !fast &&
    (settles.length < 2 || isCrowded || (settles.length < MAX_SETTLES && gainG > WORTH_G))
  )
    return {
      ...otherSide(settles.at(-1)!),
      learns: learnt(belief, played(belief), sumParts(on), 1),
    };
  if (believed >= SURE && !isAnswered(now)) return levelNext();
  // It still moves on fine bearings though little is believed to be left: a known piece more against it tells whether
  // that is so, and a belief that is wrong is found out by it.
  const onePieceMore = (): Advice | null => {
    if (doubts || lightestG === null || lightestG > toleranceG) return null;
    if (triedNear(seen, on, CHECKS * toleranceG) >= CHECKS) return null;
    const against = normalDeg(left.deg + 180);
    const pieces = [...on, { massG: lightestG, deg: stayAt(against, lightestG) ?? against }];
    const thenIs = withinChance(belief, pieces, toleranceG, true);
    return { do: 'final', ...sumVectors(pieces), pieces, chance: thenIs, check: true };
  };
  if (believed >= SURE) return onePieceMore() ?? look('unproved', 'still moves');
  // With weights on it may be balanced though its rest does not say so: a level test tells.
  const mayBe = left.massG < 2.5 * Math.max(toleranceG, belief.bandG);
  if (!fast && on.length > 0 && mayBe && !hasMoved(now) && !isAnswered(now)) return levelNext();
  // Before other weights are asked for, what contradicts itself is read again.
  if (doubts) {
    if (fast) return { do: 'spin' };
    return tests.length < 2 ? levelNext() : otherSide(settles.at(-1)!);
  }
  const wheels = played(belief);
  const mean = fromVector([-belief.meanX, -belief.meanY]);
  const pieces = realize(mean, (made) => withinChance(belief, made, toleranceG, true));
  const made = sumParts(pieces);
  const finalWorth = worthOf(belief, wheels, made, toleranceG) + ALIKE;
  const trials: { massG: number; deg: number; worth: number }[] = [];
  for (const massG of trialsG)
    for (const aside of ASIDE_DEG)
      for (const sign of aside === 0 ? [1] : [1, -1]) {
        // To the degree: nobody tapes it on nearer than that.
        const deg = trialAt(normalDeg(Math.round(mean.deg + sign * aside)), massG);
        if (deg === null) continue;
        const worth = worthOf(belief, wheels, toVector({ massG, deg }), toleranceG);
        if (worth > finalWorth) trials.push({ massG, deg, worth });
      }
  // Of those about as good, the lightest: less tape, and less to hurt the stand.
  const most = trials.reduce((m, t) => Math.max(m, t.worth), 0);
  const best = trials
    .filter((t) => t.worth > most - AS_GOOD)
    .sort((a, b) => a.massG - b.massG || b.worth - a.worth)[0];
  if (best)
    return {
      do: 'trial',
      massG: best.massG,
      deg: best.deg,
      chance: withinChance(belief, [best], toleranceG, true),
      learns: learnt(belief, wheels, toVector(best), RESTS),
    };
  const then = withinChance(belief, pieces, toleranceG, true);
  // When nothing in stock is likely to do better, the wheel is as good as this stand can tell.
  if (on.length > 0 && then < believed + BETTER) {
    if (believed >= LIKELY && proof !== null) return { do: 'done', chance };
    if (!isAnswered(now) && !fast) return levelNext();
    return (
      onePieceMore() ??
      (believed >= LIKELY
        ? look('unproved', 'still moves')
        : look('shelf', 'nothing better in stock'))
    );
  }
  return { do: 'final', massG: mean.massG, deg: mean.deg, pieces, chance: then };
};
