import type { PlanProblem } from './plan-problem';
import type { PlanState } from './plan-state';
import { growing } from './state-rows';

/** Of states with the same blocks placed those to which no other is nowhere worse. */
interface PlanFront {
  /**
   * Whether a state is one of them; then it takes the place `at`, and those it beats lose theirs.
   */
  takes(state: PlanState, at: number): boolean;
  isIn(at: number): boolean;
  clear(): void;
}

/** More than the blocks that a wheel goes through. */
const BASE = 4;
const NONE = -1;

/** The set of placed blocks, as a number. */
const keyOf = (next: Uint8Array): number => {
  let key = 0;
  for (let w = 0; w < next.length; w++) key = key * BASE + next[w]!;
  return key;
};

/**
 * Writes down what counts for all that follows a state, nothing of which may be worse: costs first.
 * Times before the first free person stand for that person's time: nothing can begin earlier.
 */
const timesInto = (
  { wheels, visits, people }: PlanProblem,
  state: PlanState,
  { namesCount, whenever, once }: { namesCount: boolean; whenever: boolean; once: boolean },
  out: Int32Array,
  ends: Int32Array,
): number => {
  let i = 0;
  out[i++] = whenever ? 0 : state.cost.doneMin;
  out[i++] = state.cost.broken;
  out[i++] = state.cost.lateMin;
  // In the order of its ends a plan stands for others only where none of its blocks ends later.
  out[i++] = once ? state.endsMin : 0;
  let first = Infinity;
  for (let p = 0; p < people; p++) {
    const at = state.free[p]!;
    if (at < first) first = at;
    let to = i + p;
    // In ascending order, unless who is who counts.
    for (; !namesCount && to > i && out[to - 1]! > at; to--) out[to] = out[to - 1]!;
    out[to] = at;
  }
  i += people;
  out[i++] = Math.max(state.stand, first);
  for (let b = 0; b < state.benches.length; b++) out[i++] = Math.max(state.benches[b]!, first);
  ends.fill(0);
  for (let w = 0; w < wheels.length; w++) {
    const { blocks, visit } = wheels[w]!;
    const next = state.next[w]!;
    if (next === blocks.length) continue;
    let at = Math.max(state.ready[w]!, first, blocks[next]!.notBeforeMin);
    out[i++] = at;
    for (let b = next; b < blocks.length; b++)
      at = Math.max(at, blocks[b]!.notBeforeMin) + blocks[b]!.minutes;
    ends[visit] = Math.max(ends[visit]!, at);
  }
  // A wheel that was done before the visit's other ones can be does not count anymore.
  for (let v = 0; v < visits.length; v++)
    if (ends[v]! > 0 && visits[v]!.dueMin !== null)
      out[i++] = Math.max(state.visitDone[v]!, ends[v]!);
  return i;
};

/**
 * Room for the states of one depth; `whenever` where only whether there is a plan counts, not when
 * its wheels are done, `once` where plans are come by in the order of their ends only.
 */
export const planFront = (problem: PlanProblem, whenever: boolean, once: boolean): PlanFront => {
  const namesCount = problem.wheels.some((w) => w.blocks.some((b) => b.fixed));
  const most = 5 + problem.people + problem.benches + problem.wheels.length + problem.visits.length;
  const times = new Int32Array(most);
  const ends = new Int32Array(problem.visits.length);
  const rows = growing(most);
  const after = growing(1);
  const isOut = growing(1);
  /** The first place of each key; the others follow it one by one. */
  const firstOf = new Map<number, number>();

  const takes = (state: PlanState, at: number): boolean => {
    const count = timesInto(problem, state, { namesCount, whenever, once }, times, ends);
    const key = keyOf(state.next);
    const first = firstOf.get(key) ?? NONE;
    const kept = rows.reserve(at);
    const next = after.reserve(at);
    const out = isOut.reserve(at);
    let before = NONE;
    for (let other = first; other !== NONE; other = next[other]!) {
      const from = other * most;
      let isBetter = true;
      let isWorse = true;
      for (let i = 0; i < count && (isBetter || isWorse); i++) {
        const difference = times[i]! - kept[from + i]!;
        if (difference > 0) isBetter = false;
        else if (difference < 0) isWorse = false;
      }
      if (isWorse) return false;
      if (!isBetter) {
        before = other;
        continue;
      }
      out[other] = 1;
      if (before !== NONE) next[before] = next[other]!;
      else if (next[other] === NONE) firstOf.delete(key);
      else firstOf.set(key, next[other]!);
    }
    kept.set(times, at * most);
    out[at] = 0;
    next[at] = firstOf.get(key) ?? NONE;
    firstOf.set(key, at);
    return true;
  };

  return { takes, isIn: (at) => isOut.numbers()[at] === 0, clear: () => firstOf.clear() };
};
