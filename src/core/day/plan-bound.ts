import type { PlanCost, PlanProblem } from './plan-problem';
import type { PlanState } from './plan-state';

/** When so much work is done where everybody works on one thing at once; `free` in ascending order. */
const doneBy = (free: readonly number[], work: number): number => {
  let left = work;
  for (let hands = 1; hands < free.length; hands++) {
    const until = (free[hands]! - free[hands - 1]!) * hands;
    if (left <= until) return free[hands - 1]! + left / hands;
    left -= until;
  }
  return free.at(-1)! + left / free.length;
};

/** The fewest promises that are broken if only hands were scarce. Source: Moore and Hodgson, over work instead of time. */
const fewestBroken = (free: readonly number[], visits: readonly { work: number; dueMin: number }[]): number => {
  const taken: number[] = [];
  let total = 0;
  let broken = 0;
  for (const { work, dueMin } of visits) {
    taken.push(work);
    total += work;
    if (doneBy(free, total) <= dueMin) continue;
    const largest = taken.indexOf(Math.max(...taken));
    total -= taken.splice(largest, 1)[0]!;
    broken++;
  }
  return broken;
};

/**
 * The least sum of ends where only hands are scarce and a wheel may change hands at any time: the shortest first, each
 * to whoever is free first. Source: McNaughton 1959, changing hands gains nothing; the shortest first holds also where
 * people begin at different times.
 */
const doneTogether = (free: readonly number[], works: readonly number[]): number => {
  const taken = [...free];
  let done = 0;
  for (const work of [...works].sort((a, b) => a - b)) {
    let first = 0;
    for (let p = 1; p < taken.length; p++) if (taken[p]! < taken[first]!) first = p;
    taken[first]! += work;
    done += taken[first]!;
  }
  return done;
};

/**
 * No plan that goes on from here costs less: each wheel by itself, and all of them where only hands are scarce (one pair
 * of hands as fast as all people together does everything at least as soon).
 */
export const boundOf = ({ wheels, visits }: PlanProblem, state: PlanState): PlanCost => {
  const free = [...state.free].sort((a, b) => a - b);
  const works = new Array<number>(visits.length).fill(0);
  const ends = [...state.visitDone];
  const isOpen = new Array<boolean>(visits.length).fill(false);
  const workOfWheels: number[] = [];
  let doneAlone = 0;
  for (let w = 0; w < wheels.length; w++) {
    const { blocks, visit } = wheels[w]!;
    if (state.next[w] === blocks.length) continue;
    let at = Math.max(state.ready[w]!, free[0]!);
    let work = 0;
    for (let b = state.next[w]!; b < blocks.length; b++) {
      const { minutes, notBeforeMin, fixed } = blocks[b]!;
      at = Math.max(at, notBeforeMin, fixed?.startMin ?? 0) + minutes;
      work += minutes;
    }
    isOpen[visit] = true;
    ends[visit] = Math.max(ends[visit]!, at);
    works[visit]! += work;
    doneAlone += at;
    workOfWheels.push(work);
  }
  let [broken, lateMin] = [0, 0];
  const promised: { work: number; dueMin: number }[] = [];
  for (let v = 0; v < visits.length; v++) {
    const { dueMin } = visits[v]!;
    if (!isOpen[v] || dueMin === null) continue;
    promised.push({ work: works[v]!, dueMin });
    if (ends[v]! <= dueMin) continue;
    broken++;
    lateMin += ends[v]! - dueMin;
  }
  promised.sort((a, b) => a.dueMin - b.dueMin);
  let total = 0;
  let latest = 0;
  for (const { work, dueMin } of promised) {
    total += work;
    latest = Math.max(latest, Math.ceil(doneBy(free, total)) - dueMin);
  }
  return {
    broken: state.cost.broken + Math.max(broken, fewestBroken(free, promised)),
    lateMin: state.cost.lateMin + Math.max(lateMin, latest),
    doneMin: state.cost.doneMin + Math.max(doneAlone, doneTogether(free, workOfWheels)),
  };
};
