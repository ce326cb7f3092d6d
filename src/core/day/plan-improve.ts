import { seeded } from '../statistics';
import { compareCosts, type PlanProblem } from './plan-problem';
import { emptyState, placedNext, placedOf, type PlanState } from './plan-state';

/** Which wheel's next block goes to whom. */
interface Turn {
  wheel: number;
  person: number;
}

/** So many turns are put elsewhere by chance at once. */
const SHAKES = 2;
const SEED = 7;

/** The plan of these turns in their order; null where what is fixed does not let it stand. */
const planOf = (problem: PlanProblem, turns: readonly Turn[]): PlanState | null => {
  let state: PlanState | null = emptyState(problem);
  for (const { wheel, person } of turns) state = state && placedNext(problem, state, wheel, person);
  return state;
};

/** The turns with the one at `from` put in at `to`, for `person`. */
const moved = (turns: readonly Turn[], from: number, to: number, person: number): Turn[] => {
  const rest = turns.toSpliced(from, 1);
  rest.splice(to, 0, { wheel: turns[from]!.wheel, person });
  return rest;
};

/** The turns with two wheels in each other's place. */
const swapped = (turns: readonly Turn[], a: number, b: number): Turn[] =>
  turns.map(({ wheel, person }) => ({ wheel: wheel === a ? b : wheel === b ? a : wheel, person }));

/** All turns that differ by little: one of them earlier, later or for somebody else, or two wheels swapped. */
function* near({ people, wheels }: PlanProblem, turns: readonly Turn[]): Generator<Turn[]> {
  for (let from = 0; from < turns.length; from++)
    for (let to = 0; to < turns.length; to++)
      for (let person = 0; person < people; person++)
        if (to !== from || person !== turns[from]!.person) yield moved(turns, from, to, person);
  for (let a = 0; a < wheels.length; a++)
    for (let b = a + 1; b < wheels.length; b++)
      if (wheels[a]!.blocks.length === wheels[b]!.blocks.length) yield swapped(turns, a, b);
}

/** Some turns put elsewhere by chance, so that the search leaves where it was stuck; null where that is no plan. */
const shaken = (problem: PlanProblem, plan: PlanState, chance: () => number): PlanState | null => {
  const below = (n: number) => Math.floor(chance() * n);
  let turns: Turn[] = placedOf(plan);
  for (let i = 0; i < SHAKES; i++)
    turns = moved(turns, below(turns.length), below(turns.length), below(problem.people));
  return planOf(problem, turns);
};

/**
 * A whole plan made better by one small change at a time, then shaken and made better again, until `tries` plans have
 * been looked at: never worse than it came, and the same each time. Source: iterated local search, common practice of
 * scheduling.
 */
export const improved = (problem: PlanProblem, plan: PlanState, tries: number): PlanState => {
  let left = tries;
  const chance = seeded(SEED);
  const better = (at: PlanState): PlanState | null => {
    for (const turns of near(problem, placedOf(at))) {
      if (left-- <= 0) return null;
      const other = planOf(problem, turns);
      if (other && compareCosts(other.cost, at.cost) < 0) return other;
    }
    return null;
  };
  const settled = (from: PlanState): PlanState => {
    let at = from;
    for (let next = better(at); next; next = better(at)) at = next;
    return at;
  };
  let best = settled(plan);
  while (left > 0) {
    left--;
    const start = shaken(problem, best, chance);
    if (!start) continue;
    const other = settled(start);
    if (compareCosts(other.cost, best.cost) < 0) best = other;
  }
  return best;
};
