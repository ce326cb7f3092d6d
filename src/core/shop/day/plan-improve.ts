import { seeded } from '../../base/statistics';
import { compareCosts, type PlanProblem } from './plan-problem';
import { placedOf, type PlanState } from './plan-state';
import { turnPlans } from './turn-plan';

/** So many turns are put elsewhere by chance at once. */
const SHAKES = 3;
const SEED = 7;

/** The turn at `from` put in at `to`; all in between move up. */
const move = (turns: Uint8Array, from: number, to: number): void => {
  const wheel = turns[from]!;
  if (from < to) turns.copyWithin(from, from + 1, to + 1);
  else turns.copyWithin(to + 1, to, from);
  turns[to] = wheel;
};

/** Two wheels in each other's place. */
const swap = (turns: Uint8Array, a: number, b: number): void => {
  for (let i = 0; i < turns.length; i++) {
    if (turns[i] === a) turns[i] = b;
    else if (turns[i] === b) turns[i] = a;
  }
};

/**
 * A whole plan made better by one small change at a time, a turn earlier or later or two wheels
 * swapped, then shaken and made better again, until `tries` plans have been looked at: never worse
 * than it came, and the same each time. Source: iterated local search, common practice of
 * scheduling.
 */
export const improved = (
  problem: PlanProblem,
  plan: PlanState,
  tries: number,
  seed = SEED,
): PlanState => {
  let left = tries;
  const chance = seeded(seed);
  const { costOf, stateOf } = turnPlans(problem);
  const turns = Uint8Array.from(placedOf(plan), (p) => p.wheel);
  const pairs = problem.wheels.flatMap((a, i) =>
    problem.wheels.flatMap((b, j) =>
      j > i && a.blocks.length === b.blocks.length ? [[i, j] as const] : [],
    ),
  );
  let cost = Infinity;
  /** Whether the turns as they are now are better; they count as looked at. */
  const isBetter = (): boolean => {
    left--;
    const now = costOf(turns);
    if (now >= cost) return false;
    cost = now;
    return true;
  };
  /** Goes on from each better neighbor until there is none. */
  const settle = (): void => {
    for (let found = true; found;) {
      found = false;
      for (let from = 0; from < turns.length; from++)
        for (let to = 0; to < turns.length; to++) {
          if (to === from || turns[to] === turns[from]) continue;
          if (left <= 0) return;
          move(turns, from, to);
          if (isBetter()) found = true;
          else move(turns, to, from);
        }
      for (const [a, b] of pairs) {
        if (left <= 0) return;
        swap(turns, a, b);
        if (isBetter()) found = true;
        else swap(turns, a, b);
      }
    }
  };
  if (left <= 0) return plan;
  isBetter();
  settle();
  let best = { turns: turns.slice(), cost };
  while (left > 0) {
    turns.set(best.turns);
    for (let i = 0; i < SHAKES; i++)
      move(turns, Math.floor(chance() * turns.length), Math.floor(chance() * turns.length));
    cost = Infinity;
    isBetter();
    if (cost < Infinity) settle();
    if (cost < best.cost) best = { turns: turns.slice(), cost };
  }
  if (best.cost === Infinity) return plan;
  const found = stateOf(best.turns);
  return compareCosts(found.cost, plan.cost) < 0 ? found : plan;
};
