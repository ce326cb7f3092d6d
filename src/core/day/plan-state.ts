import { onBench, type Placed, type PlanCost, type PlanProblem } from './plan-problem';

/**
 * A plan up to here. A further block goes behind everything that its person, its bench and the stand have done, so that
 * these times are all that counts for what follows.
 */
export interface PlanState {
  /** Blocks placed of each wheel. */
  next: Uint8Array;
  /** Until when people and benches are taken, and the stand. */
  free: number[];
  benches: number[];
  stand: number;
  /** When each wheel's last block ended. */
  ready: number[];
  /** When the last of the finished wheels of each visit was done; 0 before. */
  visitDone: number[];
  /** Over finished wheels and visits alone. */
  cost: PlanCost;
  last: { placed: Placed; before: PlanState } | null;
}

export const emptyState = ({ people, benches, wheels, visits }: PlanProblem): PlanState => ({
  next: new Uint8Array(wheels.length),
  free: new Array<number>(people).fill(0),
  // Where there is a bench for everybody, none is ever waited for.
  benches: benches >= people ? [] : new Array<number>(benches).fill(0),
  stand: 0,
  ready: new Array<number>(wheels.length).fill(0),
  visitDone: new Array<number>(visits.length).fill(0),
  cost: { broken: 0, lateMin: 0, doneMin: 0 },
  last: null,
});

const least = (all: readonly number[]): number => {
  let found = 0;
  for (let i = 1; i < all.length; i++) if (all[i]! < all[found]!) found = i;
  return found;
};

/** Whether every wheel of a visit is finished. */
const isVisitOver = ({ wheels }: PlanProblem, next: Uint8Array, visit: number): boolean =>
  wheels.every((w, i) => w.visit !== visit || next[i] === w.blocks.length);

/** The state with a wheel's next block given to a person; null where what is fixed does not let it stand. */
export const placedNext = (problem: PlanProblem, state: PlanState, wheel: number, person: number): PlanState | null => {
  const { blocks, visit } = problem.wheels[wheel]!;
  const block = blocks[state.next[wheel]!]!;
  const bench = state.benches.length > 0 && onBench(block) ? least(state.benches) : -1;
  const head = block.minutes - block.standMinutes;
  let start = Math.max(state.free[person]!, state.ready[wheel]!, block.notBeforeMin);
  if (bench >= 0) start = Math.max(start, state.benches[bench]!);
  if (block.standMinutes > 0) start = Math.max(start, state.stand - head);
  if (block.fixed) {
    if (block.fixed.person !== person || start > block.fixed.startMin) return null;
    start = block.fixed.startMin;
  }
  const end = start + block.minutes;
  const next = state.next.slice();
  next[wheel]!++;
  const replaced = (all: readonly number[], at: number, by: number) => all.map((v, i) => (i === at ? by : v));
  let { visitDone, cost } = state;
  if (next[wheel] === blocks.length) {
    visitDone = replaced(visitDone, visit, Math.max(visitDone[visit]!, end));
    cost = { ...cost, doneMin: cost.doneMin + end };
    const { dueMin } = problem.visits[visit]!;
    const late = dueMin === null ? 0 : Math.max(0, visitDone[visit]! - dueMin);
    if (late > 0 && isVisitOver(problem, next, visit))
      cost = { ...cost, broken: cost.broken + 1, lateMin: cost.lateMin + late };
  }
  return {
    next,
    free: replaced(state.free, person, end),
    benches: bench < 0 ? state.benches : replaced(state.benches, bench, end).sort((a, b) => a - b),
    stand: block.standMinutes > 0 ? end : state.stand,
    ready: replaced(state.ready, wheel, end),
    visitDone,
    cost,
    last: { placed: { wheel, block: state.next[wheel]!, person, startMin: start, endMin: end }, before: state },
  };
};

/** All blocks of a whole plan, in the order in which they were placed. */
export const placedOf = (state: PlanState): Placed[] => {
  const all: Placed[] = [];
  for (let at = state; at.last; at = at.last.before) all.push(at.last.placed);
  return all.reverse();
};
