import { onBench, type PlanCost, type PlanProblem } from './plan-problem';
import { emptyState, placedNext, type PlanState } from './plan-state';

/**
 * A cost as one number, so that costs compare as numbers do: all of a rank is less than one of the
 * rank before.
 */
const RANK = 2 ** 21;

export const asNumber = ({ broken, lateMin, doneMin }: PlanCost): number =>
  (broken * RANK + lateMin) * RANK + doneMin;

/** No plan of these turns: what is fixed does not let it stand. */
const NONE = Infinity;

/**
 * Plans by the order of their turns alone: which wheel’s next block comes next. It goes to the person who
 * is free last of those who keep it waiting least, so that the others stay free. Made to be asked
 * very often: it keeps one room for all plans.
 */
export const turnPlans = (problem: PlanProblem) => {
  const { people, benches, wheels, visits } = problem;
  const free = new Float64Array(people);
  const bench = new Float64Array(benches >= people ? 0 : benches);
  const ready = new Float64Array(wheels.length);
  const next = new Uint8Array(wheels.length);
  const left = new Uint8Array(visits.length);
  const done = new Float64Array(visits.length);
  const counts = visits.map(
    (_, v) => wheels.filter((w) => w.visit === v && w.blocks.length > 0).length,
  );

  const earliest = (all: Float64Array): number => {
    let found = 0;
    for (let i = 1; i < all.length; i++) if (all[i]! < all[found]!) found = i;
    return found;
  };
  /** Of those who are free by then the last one, else the first who is. */
  const personFor = (from: number): number => {
    let found = -1;
    for (let p = 0; p < people; p++)
      if (free[p]! <= from && (found < 0 || free[p]! > free[found]!)) found = p;
    return found < 0 ? earliest(free) : found;
  };

  /**
   * The cost of the plan of these turns; the assignment is written into `people` if that is given.
   */
  const costOf = (turns: ArrayLike<number>, by?: Uint8Array): number => {
    free.fill(0);
    bench.fill(0);
    ready.fill(0);
    next.fill(0);
    done.fill(0);
    for (let v = 0; v < visits.length; v++) left[v] = counts[v]!;
    let stand = 0;
    let [broken, lateMin, doneMin] = [0, 0, 0];
    for (let i = 0; i < turns.length; i++) {
      const w = turns[i]!;
      const { blocks, visit } = wheels[w]!;
      const block = blocks[next[w]!]!;
      const head = block.minutes - block.standMinutes;
      let start = Math.max(ready[w]!, block.notBeforeMin);
      if (block.standMinutes > 0) start = Math.max(start, stand - head);
      const at = bench.length > 0 && onBench(block) ? earliest(bench) : -1;
      if (at >= 0) start = Math.max(start, bench[at]!);
      const person = block.fixed ? block.fixed.person : personFor(start);
      start = Math.max(start, free[person]!);
      if (block.fixed) {
        if (start > block.fixed.startMin) return NONE;
        start = block.fixed.startMin;
      }
      const end = start + block.minutes;
      free[person] = end;
      if (at >= 0) bench[at] = end;
      if (block.standMinutes > 0) stand = end;
      ready[w] = end;
      if (by) by[i] = person;
      if (++next[w]! < blocks.length) continue;
      doneMin += end;
      done[visit] = Math.max(done[visit]!, end);
      const { dueMin } = visits[visit]!;
      if (--left[visit]! > 0 || dueMin === null || done[visit]! <= dueMin) continue;
      broken++;
      lateMin += done[visit]! - dueMin;
    }
    return (broken * RANK + lateMin) * RANK + doneMin;
  };

  /** The plan of these turns, of which there is one. */
  const stateOf = (turns: ArrayLike<number>): PlanState => {
    const by = new Uint8Array(turns.length);
    costOf(turns, by);
    let state = emptyState(problem);
    for (let i = 0; i < turns.length; i++) state = placedNext(problem, state, turns[i]!, by[i]!)!;
    return state;
  };
  return { costOf, stateOf };
};
