import { airPractice } from './practice-air';
import { balancePractice } from './practice-balance';
import { leakPractice } from './practice-leak';
import { leversPractice } from './practice-levers';
import { pairPractice } from './practice-pair';
import { ringPractice } from './practice-ring';
import { sidewallPractice } from './practice-sidewall';
import { truePractice } from './practice-true';
import type { PracticeSpec } from './practice-spec';

/** Every kind of work that can be practiced, in the order of the work. A new one is a file and a line. */
export const PRACTICE = {
  sidewall: sidewallPractice,
  levers: leversPractice,
  true: truePractice,
  ring: ringPractice,
  pair: pairPractice,
  air: airPractice,
  leak: leakPractice,
  balance: balancePractice,
} as const satisfies Record<string, PracticeSpec>;
export type PracticeKind = keyof typeof PRACTICE;

/** The kinds by name, in that order. */
export const PRACTICE_KINDS = Object.keys(PRACTICE) as PracticeKind[];
