import { onBench, type Placed, type PlanCost, type PlanProblem } from './plan-problem';

/**
 * A plan up to here. A further block goes behind everything that its person, its bench and the
 * stand have done, so that these times are all that counts for what follows.
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
  /** The sum of the ends of all blocks placed. */
  endsMin: number;
  /** Over finished wheels and visits alone. */
  cost: PlanCost;
  last: { placed: Placed; before: PlanState } | null;
}

export const emptyState = ({ people, benches, wheels, visits }: PlanProblem): PlanState => ({
  next: new Uint8Array(wheels.length),
  free: new Array<number>(people).fill(0),
  // Where there is a bench for everyone, none is ever waited for.
  benches: benches >= people ? [] : new Array<number>(benches).fill(0),
  stand: 0,
  ready: new Array<number>(wheels.length).fill(0),
  visitDone: new Array<number>(visits.length).fill(0),
  endsMin: 0,
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

/**
 * Copies what a state says of times and costs into another one of the same problem; not the way
 * that led to it.
 */
const copyInto = (from: PlanState, into: PlanState): void => {
  into.next.set(from.next);
  for (let p = 0; p < from.free.length; p++) into.free[p] = from.free[p]!;
  for (let b = 0; b < from.benches.length; b++) into.benches[b] = from.benches[b]!;
  into.stand = from.stand;
  for (let w = 0; w < from.ready.length; w++) into.ready[w] = from.ready[w]!;
  for (let v = 0; v < from.visitDone.length; v++) into.visitDone[v] = from.visitDone[v]!;
  into.endsMin = from.endsMin;
  into.cost.broken = from.cost.broken;
  into.cost.lateMin = from.cost.lateMin;
  into.cost.doneMin = from.cost.doneMin;
};

/** A bench is taken until `end`; the others stay in their order. */
const takeBench = (benches: number[], at: number, end: number): void => {
  let to = at;
  for (; to + 1 < benches.length && benches[to + 1]! < end; to++) benches[to] = benches[to + 1]!;
  benches[to] = end;
};

/**
 * Writes into `into` the state with a wheel's next block given to a person, without the way that
 * led to it: made to be asked very often. Returns when the block ends, or null where what is fixed
 * does not let it stand.
 */
export const placeInto = (
  problem: PlanProblem,
  state: PlanState,
  wheel: number,
  person: number,
  into: PlanState,
): number | null => {
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
  copyInto(state, into);
  into.next[wheel]!++;
  into.free[person] = end;
  if (bench >= 0) takeBench(into.benches, bench, end);
  if (block.standMinutes > 0) into.stand = end;
  into.ready[wheel] = end;
  into.endsMin += end;
  if (into.next[wheel]! < blocks.length) return end;
  into.visitDone[visit] = Math.max(state.visitDone[visit]!, end);
  into.cost.doneMin += end;
  const { dueMin } = problem.visits[visit]!;
  const late = dueMin === null ? 0 : Math.max(0, into.visitDone[visit]! - dueMin);
  if (late > 0 && isVisitOver(problem, into.next, visit)) {
    into.cost.broken++;
    into.cost.lateMin += late;
  }
  return end;
};

/**
 * The state with a wheel's next block given to a person; null where what is fixed does not let it
 * stand.
 */
export const placedNext = (
  problem: PlanProblem,
  state: PlanState,
  wheel: number,
  person: number,
): PlanState | null => {
  const next = emptyState(problem);
  const endMin = placeInto(problem, state, wheel, person, next);
  if (endMin === null) return null;
  const block = state.next[wheel]!;
  const startMin = endMin - problem.wheels[wheel]!.blocks[block]!.minutes;
  return { ...next, last: { placed: { wheel, block, person, startMin, endMin }, before: state } };
};

/** All blocks of a whole plan, in the order in which they were placed. */
export const placedOf = (state: PlanState): Placed[] => {
  const all: Placed[] = [];
  for (let at = state; at.last; at = at.last.before) all.push(at.last.placed);
  return all.reverse();
};

/**
 * The same turns with what they cost by another problem, of the same wheels or of more: `wheelOf`
 * says which is which.
 */
export const placedAgain = (
  problem: PlanProblem,
  plan: PlanState,
  wheelOf = (wheel: number) => wheel,
): PlanState =>
  placedOf(plan).reduce(
    (state, { wheel, person }) => placedNext(problem, state, wheelOf(wheel), person)!,
    emptyState(problem),
  );
