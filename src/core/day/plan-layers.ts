import { compareCosts, type PlanProblem } from './plan-problem';
import { emptyState, placedNext, type PlanState } from './plan-state';

/** A state with the least that any plan from it costs, by whatever measure. */
interface Node<Bound> {
  state: PlanState;
  bound: Bound;
  times: number[];
}

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

/** Nothing is worse with `a` than with `b`, of the same blocks placed. */
const dominates = (a: Node<unknown>, b: Node<unknown>, whenever: boolean): boolean => {
  if (!whenever && a.state.cost.doneMin > b.state.cost.doneMin) return false;
  if (a.state.cost.broken > b.state.cost.broken || a.state.cost.lateMin > b.state.cost.lateMin) return false;
  for (let i = 0; i < a.times.length; i++) if (a.times[i]! > b.times[i]!) return false;
  return true;
};

/**
 * What may follow: every wheel's next block, for everybody who differs from the others; `once` in the order of their ends.
 * One that ends before the last one placed was to be placed before it, which changed nothing else; only where benches are
 * few it would have taken another one.
 */
const following = (problem: PlanProblem, state: PlanState, namesCount: boolean, once: boolean): PlanState[] => {
  const found: PlanState[] = [];
  const lastEnd = !once || state.benches.length > 0 ? 0 : Math.max(...state.free);
  for (let w = 0; w < problem.wheels.length; w++) {
    if (state.next[w] === problem.wheels[w]!.blocks.length) continue;
    const tried = new Set<number>();
    for (let p = 0; p < state.free.length; p++) {
      if (!namesCount && tried.has(state.free[p]!)) continue;
      tried.add(state.free[p]!);
      const next = placedNext(problem, state, w, p);
      if (next && next.last!.placed.endMin >= lastEnd) found.push(next);
    }
  }
  return found;
};

interface LayersOptions<Bound> {
  /** The least that plans from a state cost; null where none of them is wanted. */
  boundOf(state: PlanState): Bound | null;
  compare(a: Bound, b: Bound): number;
  /** So many states stay at each depth, and so many are looked at. */
  width: number;
  budget: number;
  /** Each plan is come by once only, its blocks in the order of their ends; else by any order, which finds good ones sooner. */
  once?: boolean;
  /** Only whether there is a plan counts, not when its wheels are done. */
  whenever?: boolean;
}

interface Layers {
  best: PlanState | null;
  /** Nothing was left out but what cannot be better: `best` is the best there is. */
  isWhole: boolean;
  looked: number;
}

/**
 * Plans block after block: at each depth all states that as many blocks lead to, without those to which another one is
 * nowhere worse. Left-shifted plans, placed in the order in which their blocks end, are all of this form.
 */
export const planLayers = <Bound>(
  problem: PlanProblem,
  { boundOf, compare, width, budget, once = false, whenever = false }: LayersOptions<Bound>,
): Layers => {
  const namesCount = problem.wheels.some((w) => w.blocks.some((b) => b.fixed));
  const depths = problem.wheels.reduce((n, w) => n + w.blocks.length, 0);
  let layer: PlanState[] = [emptyState(problem)];
  let isWhole = true;
  let looked = 0;
  for (let depth = 0; depth < depths; depth++) {
    const kept = new Map<number, Node<Bound>[]>();
    for (const state of layer) {
      if (looked >= budget) return { best: null, isWhole: false, looked };
      for (const next of following(problem, state, namesCount, once)) {
        looked++;
        const bound = boundOf(next);
        if (bound === null) continue;
        const node = { state: next, bound, times: timesOf(problem, next, namesCount) };
        const key = keyOf(next.next);
        const same = kept.get(key);
        if (!same) kept.set(key, [node]);
        else if (!same.some((other) => dominates(other, node, whenever))) {
          const stay = same.filter((other) => !dominates(node, other, whenever));
          stay.push(node);
          kept.set(key, stay);
        }
      }
    }
    const nodes = [...kept.values()].flat();
    if (nodes.length > width) {
      nodes.sort((a, b) => compare(a.bound, b.bound));
      nodes.length = width;
      isWhole = false;
    }
    layer = nodes.map((n) => n.state);
  }
  const best = layer.reduce<PlanState | null>(
    (b, state) => (b === null || compareCosts(state.cost, b.cost) < 0 ? state : b),
    null,
  );
  return { best, isWhole, looked };
};
