import { lateTogether, machineBound, type Load } from './machine-bound';
import { onlyOneLate, type Promised } from './one-late';
import { onBench, type PlanCost, type PlanProblem } from './plan-problem';
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

/** What there is too little of: hands, the only bench, the stand. Promises in the order of their dues. */
interface Scarce {
  promised: readonly (Promised & { visit: number })[];
  doneAt: (work: number) => number;
}

/** The fewest promises that are broken if only this was scarce. Source: Moore and Hodgson, over work instead of time. */
const fewestBroken = ({ promised, doneAt }: Scarce): number => {
  const taken: number[] = [];
  let total = 0;
  let broken = 0;
  for (const { work, dueMin } of promised) {
    taken.push(work);
    total += work;
    if (doneAt(total) <= dueMin) continue;
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

/** How late the one promise is at least that is not kept, whichever it is. */
const lateOfOne = (scarce: readonly Scarce[], lateAlone: ReadonlyMap<number, number>): number => {
  const late = new Map(lateAlone);
  for (const { promised, doneAt } of scarce)
    onlyOneLate(promised, doneAt).forEach((min, i) => {
      const { visit } = promised[i]!;
      late.set(visit, Math.max(late.get(visit) ?? 0, min));
    });
  // One that is late by itself is the one.
  const who = lateAlone.size > 0 ? [...lateAlone.keys()] : [...late.keys()];
  return Math.min(...who.map((v) => late.get(v)!));
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
  const atStand: Load[] = [];
  const atBench: Load[] = [];
  for (let w = 0; w < wheels.length; w++) {
    const { blocks, visit } = wheels[w]!;
    if (state.next[w] === blocks.length) continue;
    let at = Math.max(state.ready[w]!, free[0]!);
    let work = 0;
    const stand: Load = { visit, from: 0, minutes: 0, after: 0 };
    const bench: Load = { visit, from: 0, minutes: 0, after: 0 };
    for (let b = state.next[w]!; b < blocks.length; b++) {
      const block = blocks[b]!;
      const { minutes, standMinutes, notBeforeMin, fixed } = block;
      const start = Math.max(at, notBeforeMin, fixed?.startMin ?? 0);
      at = start + minutes;
      work += minutes;
      // Work that follows is counted without what it waits for.
      if (standMinutes > 0) Object.assign(stand, { from: at - standMinutes, minutes: standMinutes, after: 0 });
      else stand.after += minutes;
      if (!onBench(block)) bench.after += minutes;
      else {
        if (bench.minutes === 0) bench.from = start;
        bench.minutes += minutes;
      }
    }
    // A wheel that needs it no more ends as it does alone.
    atStand.push(stand.minutes > 0 ? stand : { visit, from: at, minutes: 0, after: 0 });
    atBench.push(bench.minutes > 0 ? bench : { visit, from: at, minutes: 0, after: 0 });
    isOpen[visit] = true;
    ends[visit] = Math.max(ends[visit]!, at);
    works[visit]! += work;
    doneAlone += at;
    workOfWheels.push(work);
  }
  let [broken, lateMin] = [0, 0];
  const promised: (Promised & { visit: number })[] = [];
  const lateAlone = new Map<number, number>();
  for (let v = 0; v < visits.length; v++) {
    const { dueMin } = visits[v]!;
    if (!isOpen[v] || dueMin === null) continue;
    promised.push({ visit: v, work: works[v]!, dueMin });
    if (ends[v]! <= dueMin) continue;
    broken++;
    lateMin += ends[v]! - dueMin;
    lateAlone.set(v, ends[v]! - dueMin);
  }
  promised.sort((a, b) => a.dueMin - b.dueMin);
  let total = 0;
  let latest = 0;
  for (const { work, dueMin } of promised) {
    total += work;
    latest = Math.max(latest, Math.ceil(doneBy(free, total)) - dueMin);
  }
  // The first k promises take all hands for no less than the k least works.
  let least = 0;
  const soonest = promised
    .map((p) => p.work)
    .sort((a, b) => a - b)
    .map((work) => Math.ceil(doneBy(free, (least += work))));
  latest = Math.max(
    latest,
    lateTogether(
      soonest,
      promised.map((p) => p.dueMin),
    ),
  );
  const scarce: Scarce[] = [{ promised, doneAt: (work) => doneBy(free, work) }];
  let doneMin = Math.max(doneAlone, doneTogether(free, workOfWheels));
  for (const [loads, from] of [
    [atStand, state.stand],
    ...(state.benches.length === 1 ? [[atBench, state.benches[0]!] as const] : []),
  ] as const) {
    if (loads.every((l) => l.minutes === 0)) continue;
    const found = machineBound(loads, from, visits);
    doneMin = Math.max(doneMin, found.doneMin);
    latest = Math.max(latest, found.lateMin);
    scarce.push({ promised: found.promised.sort((a, b) => a.dueMin - b.dueMin), doneAt: (w) => from + w });
  }
  broken = Math.max(broken, latest > 0 ? 1 : 0, ...scarce.map(fewestBroken));
  // With a second one broken it would cost more already.
  if (broken === 1) latest = Math.max(latest, lateOfOne(scarce, lateAlone));
  return {
    broken: state.cost.broken + broken,
    lateMin: state.cost.lateMin + Math.max(lateMin, latest),
    doneMin: state.cost.doneMin + doneMin,
  };
};
