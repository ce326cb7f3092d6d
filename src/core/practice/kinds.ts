import type { Working } from '../base/working';
import { AIR_LEVELS } from './hidden-air';
import { LEVER_LEVELS } from './hidden-bead';
import { LEAK_LEVELS } from './hidden-leak';
import { PAIR_LEVELS } from './hidden-pair';
import { RING_LEVELS } from './hidden-ring';
import { SPOKE_LEVELS } from './hidden-spokes';
import type { Played } from './played';
import { practiceAir } from './practice-air';
import { practiceBalance } from './practice-balance';
import { SIDEWALL_LEVELS } from './hidden-sidewall';
import { practiceLeak } from './practice-leak';
import { practiceLevers } from './practice-levers';
import { practicePair } from './practice-pair';
import { practiceSidewall } from './practice-sidewall';
import { practiceRing } from './practice-ring';
import { practiceTrue } from './practice-true';
import { BALANCE_LEVELS } from './balance-levels';

/** Kinds of work that can be practiced, in the order of the work. */
export const PRACTICE_KINDS = [
  'sidewall',
  'levers',
  'true',
  'ring',
  'pair',
  'air',
  'leak',
  'balance',
] as const;
export type PracticeKind = (typeof PRACTICE_KINDS)[number];

interface KindSpec {
  title: string;
  /** What one does, in a sentence. */
  does: string;
  levels: readonly string[];
  /** What a round costs, one and many. */
  counts: readonly [string, string];
  /** Scores a round: input `{ seed, level, acts, rules }`. */
  scores: { name: string; run(input: never): Working<Played> };
}

/** What each kind of practice is. */
export const PRACTICE: Record<PracticeKind, KindSpec> = {
  sidewall: {
    title: 'Sidewall',
    does: 'A wheel that wants a tire, and what lies on the rack. Say which one suits, and which one must be refused, and why.',
    levels: SIDEWALL_LEVELS,
    counts: ['answer', 'answers'],
    scores: practiceSidewall,
  },
  levers: {
    title: 'Levers',
    does: 'A second bead on a rim that you have not measured. Where to begin, how long a bite, when to push down, press the lock in and feel for the tube: get it over without a pinch, in few moves.',
    levels: LEVER_LEVELS,
    counts: ['move', 'moves'],
    scores: practiceLevers,
  },
  air: {
    title: 'Seating',
    does: 'A tire that does not want to seat. Find the limit that binds, lubricate, fill, let it out again, in as few tries as the ladder takes; and know when to stop.',
    levels: AIR_LEVELS,
    counts: ['try', 'tries'],
    scores: practiceAir,
  },
  true: {
    title: 'Truing',
    does: 'A laced wheel at the indicator, with nipples that are off. Read it, turn few nipples, read again, until it runs true.',
    levels: SPOKE_LEVELS,
    counts: ['nipple', 'nipples'],
    scores: practiceTrue,
  },
  ring: {
    title: 'Ring',
    does: 'A beadlock ring with its bolts just started. Measure the crush, bring it down evenly, torque it; or call it off before anything is clamped.',
    levels: RING_LEVELS,
    counts: ['move', 'moves'],
    scores: practiceRing,
  },
  pair: {
    title: 'Pair',
    does: 'Tires for a driven axle, and a tape. Bring them to the measuring pressure, tape them, and say which two are a pair; where none are, find the air that brings the smaller one up, or know that none does.',
    levels: PAIR_LEVELS,
    counts: ['move', 'moves'],
    scores: practicePair,
  },
  leak: {
    title: 'Leak or weather',
    does: 'A standing tire, and a gauge. Read it on days of your choice, and say whether it leaks or whether it is the weather.',
    levels: LEAK_LEVELS,
    counts: ['day', 'days'],
    scores: practiceLeak,
  },
  balance: {
    title: 'Balance',
    does: 'A wheel with a hidden heavy spot, on a stand that turns on the screen. Balance it by hand in as few placements as you can.',
    levels: BALANCE_LEVELS,
    counts: ['placement', 'placements'],
    scores: practiceBalance,
  },
};
