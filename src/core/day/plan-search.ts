import { boundOf } from './plan-bound';
import { compareCosts, type Placed, type PlanCost, type PlanProblem } from './plan-problem';
import { improved } from './plan-improve';
import { emptyState, placedNext, placedOf, type PlanState } from './plan-state';

export interface PlanFound {
  placed: Placed[];
  cost: PlanCost;
  /** No plan costs less than this. */
  bound: PlanCost;
  /** The plan is the best there is. */
  proven: boolean;
}

/** A state with the least that any plan from it costs. */
interface Node {
  state: PlanState;
  bound: PlanCost;
}

/** One plan that is made better by small changes for so many looked-at states. */
const TRIES_SHARE = 10;
/** At each depth the first, quick look keeps so many. */
const QUICK_WIDTH = 120;
/** A depth is cut to so many where the budget would not last. */
const LEAST_WIDTH = 40;

const BASE = 4;

const keyOf = (next: Uint8Array): number => {
  let key = 0;
  for (const n of next) key = key * BASE + n;
  return key;
};

/** Times before the first free person stand for that person's time: nothing can begin earlier. */
const timesOf = (problem: PlanProblem, state: PlanState, namesCount: boolean): number[] => {
  const free = namesCount ? state.free : [...state.free].sort((a, b) => a - b);
  const first = Math.min(...state.free);
  const times = [...free, Math.max(state.stand, first)];
  for (const b of state.benches) times.push(Math.max(b, first));
  const ends = new Array<number>(problem.visits.length).fill(0);
  for (let w = 0; w < problem.wheels.length; w++) {
    const { blocks, visit } = problem.wheels[w]!;
    if (state.next[w] === blocks.length) continue;
    let at = Math.max(state.ready[w]!, first, blocks[state.next[w]!]!.notBeforeMin);
    times.push(at);
    for (let b = state.next[w]!; b < blocks.length; b++)
      at = Math.max(at, blocks[b]!.notBeforeMin) + blocks[b]!.minutes;
    ends[visit] = Math.max(ends[visit]!, at);
  }
  // A wheel that was done before the visit's other ones can be does not count any more.
  for (let v = 0; v < ends.length; v++)
    if (ends[v]! > 0 && problem.visits[v]!.dueMin !== null) times.push(Math.max(state.visitDone[v]!, ends[v]!));
  return times;
};

interface Kept extends Node {
  times: number[];
}

/** Nothing is worse with `a` than with `b`, of the same blocks placed. */
const dominates = (a: Kept, b: Kept): boolean => {
  if (compareCosts(a.state.cost, b.state.cost) > 0 || a.state.cost.doneMin > b.state.cost.doneMin) return false;
  if (a.state.cost.broken > b.state.cost.broken || a.state.cost.lateMin > b.state.cost.lateMin) return false;
  for (let i = 0; i < a.times.length; i++) if (a.times[i]! > b.times[i]!) return false;
  return true;
};

/** What may follow: every wheel's next block, for everybody who differs from the others. */
const following = (problem: PlanProblem, state: PlanState, namesCount: boolean): PlanState[] => {
  const found: PlanState[] = [];
  for (let w = 0; w < problem.wheels.length; w++) {
    if (state.next[w] === problem.wheels[w]!.blocks.length) continue;
    const tried = new Set<number>();
    for (let p = 0; p < state.free.length; p++) {
      if (!namesCount && tried.has(state.free[p]!)) continue;
      tried.add(state.free[p]!);
      const next = placedNext(problem, state, w, p);
      if (next) found.push(next);
    }
  }
  return found;
};

/** Plans block after block, at most `width` states at each depth, and no more than `budget` in all. */
const explored = (
  problem: PlanProblem,
  width: number,
  budget: number,
  atMost: PlanCost | null,
): { best: PlanState | null; cut: PlanCost | null; looked: number } => {
  const namesCount = problem.wheels.some((w) => w.blocks.some((b) => b.fixed));
  const depths = problem.wheels.reduce((n, w) => n + w.blocks.length, 0);
  const start = emptyState(problem);
  let layer: Node[] = [{ state: start, bound: boundOf(problem, start) }];
  let cut: PlanCost | null = null;
  let looked = 0;
  for (let depth = 0; depth < depths; depth++) {
    const kept = new Map<number, Kept[]>();
    for (const { state } of layer)
      for (const next of following(problem, state, namesCount)) {
        looked++;
        const bound = boundOf(problem, next, atMost);
        if (atMost && compareCosts(bound, atMost) >= 0) continue;
        const node: Kept = { state: next, bound, times: timesOf(problem, next, namesCount) };
        const key = keyOf(next.next);
        const same = kept.get(key);
        if (!same) kept.set(key, [node]);
        else if (!same.some((other) => dominates(other, node))) {
          const stay = same.filter((other) => !dominates(node, other));
          stay.push(node);
          kept.set(key, stay);
        }
      }
    layer = [...kept.values()].flat();
    // What is left of the budget is shared by the depths to come.
    const share = Math.max(LEAST_WIDTH, Math.floor((budget - looked) / ((depths - depth) * problem.people * 2)));
    const most = Math.min(width, share);
    if (layer.length > most) {
      layer.sort((a, b) => compareCosts(a.bound, b.bound));
      const dropped = layer[most]!.bound;
      if (cut === null || compareCosts(dropped, cut) < 0) cut = dropped;
      layer = layer.slice(0, most);
    }
  }
  const best = layer.reduce<Node | null>(
    (b, n) => (b === null || compareCosts(n.state.cost, b.state.cost) < 0 ? n : b),
    null,
  );
  return { best: best?.state ?? null, cut, looked };
};

const planFound = (plan: PlanState, bound: PlanCost): PlanFound => ({
  placed: placedOf(plan),
  cost: plan.cost,
  bound,
  proven: compareCosts(bound, plan.cost) >= 0,
});

/**
 * The best plan of a day: exact where the budget of looked-at states lasts, else the best found and what no plan can
 * beat. Null where what is fixed by hand leaves no plan. `budget` at least 1000.
 *
 * Exact, since left-shifted plans placed in the order in which their blocks end are all of this form, and a state is
 * left out only where another one is nowhere worse or its bound is not better than what was found.
 */
export const bestPlan = (problem: PlanProblem, budget: number): PlanFound | null => {
  const quick = explored(problem, QUICK_WIDTH, budget, null);
  // Nothing was left out on the way.
  if (quick.cut === null) return quick.best && planFound(quick.best, quick.best.cost);
  const first = quick.best && improved(problem, quick.best, budget / TRIES_SHARE);
  const whole = explored(problem, Infinity, budget, first?.cost ?? null);
  const found = whole.best ?? first;
  if (!found) return null;
  if (whole.cut === null || compareCosts(whole.cut, found.cost) >= 0) return planFound(found, found.cost);
  const best = improved(problem, found, budget / TRIES_SHARE);
  return planFound(best, compareCosts(whole.cut, best.cost) < 0 ? whole.cut : best.cost);
};
