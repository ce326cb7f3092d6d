import { PRACTICE, PRACTICE_KINDS, type PracticeKind } from './kinds';

/** A round that someone played, as it is sent in. */
export interface PracticeTried {
  id: string;
  who: string;
  kind: PracticeKind;
  level: string;
  seed: number;
  acts: readonly unknown[];
  tookS: number;
}

/** A round with its score, as worked out from its wheel and its acts. `at` ISO 8601. */
export interface PracticeScore extends Omit<PracticeTried, 'acts'> {
  at: string;
  good: boolean;
  cost: number;
  advisedCost: number;
}

/** A learner's record at one level: the median cost of passed rounds. */
interface PracticeStanding {
  rounds: number;
  good: number;
  /** Null while no round ended so. */
  medianCost: number | null;
  medianAdvised: number | null;
}

const middle = (values: readonly number[]): number | null => {
  const sorted = [...values].sort((a, b) => a - b);
  const half = Math.floor(sorted.length / 2);
  return sorted.length === 0
    ? null
    : sorted.length % 2 === 1
      ? sorted[half]!
      : (sorted[half - 1]! + sorted[half]!) / 2;
};

/** The standing of these rounds, as they are. */
export const standingOf = (rounds: readonly PracticeScore[]): PracticeStanding => {
  const good = rounds.filter((r) => r.good);
  return {
    rounds: rounds.length,
    good: good.length,
    medianCost: middle(good.map((r) => r.cost)),
    medianAdvised: middle(good.map((r) => r.advisedCost)),
  };
};

/** The last rounds of a level are what someone can do now. Basis: memory. */
const LAST = 5;
/** Of them so many have to end as they should, before the next level is worth it. Basis: memory. */
const ENOUGH = 4;

/** The next thing to practice, and why. */
export interface NextRound {
  kind: PracticeKind;
  level: string;
  why: string;
}

/** The last rounds of a level: how many passed, of how many. */
const lately = (rounds: readonly PracticeScore[], kind: PracticeKind, level: string) => {
  const last = rounds
    .filter((r) => r.kind === kind && r.level === level)
    .sort((a, b) => (a.at < b.at ? 1 : -1))
    .slice(0, LAST);
  return { of: last.length, good: last.filter((r) => r.good).length };
};

/**
 * The next level of a kind: the first that is not sure yet, the easiest first; null if all of them
 * are. `rounds` of one person.
 */
export const nextOf = (rounds: readonly PracticeScore[], kind: PracticeKind): NextRound | null => {
  for (const level of PRACTICE[kind].levels) {
    const { of, good } = lately(rounds, kind, level);
    if (of === 0) return { kind, level, why: 'not tried yet' };
    if (good < ENOUGH) return { kind, level, why: `${good} of the last ${of} passed` };
  }
  return null;
};

/**
 * A learner’s record in a kind of practice, and what to try next in it; null where all levels
 * passed.
 */
interface KindStanding {
  kind: PracticeKind;
  standing: PracticeStanding;
  next: NextRound | null;
}

/** A person's practice, kind by kind, and the next level in each. `rounds` of one person. */
export const learnerOf = (rounds: readonly PracticeScore[]): KindStanding[] =>
  PRACTICE_KINDS.map((kind) => ({
    kind,
    standing: standingOf(rounds.filter((r) => r.kind === kind)),
    next: nextOf(rounds, kind),
  }));

/** The shared results of a person. */
export interface ShownPractice {
  who: string;
  rounds: number;
  /** When the last round was played, ISO 8601; null before the first. */
  lastAt: string | null;
  kinds: KindStanding[];
}

/** `rounds` of one person. */
export const shownPractice = (who: string, rounds: readonly PracticeScore[]): ShownPractice => ({
  who,
  rounds: rounds.length,
  lastAt: rounds.reduce<string | null>(
    (last, r) => (last === null || r.at > last ? r.at : last),
    null,
  ),
  kinds: learnerOf(rounds),
});
