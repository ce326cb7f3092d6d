import { lateTogether, machineBound, type Load } from './machine-bound';
import { onBench, type PlanCost, type PlanProblem, type PlanWheel } from './plan-problem';
import type { PlanState } from './plan-state';

/**
 * When so much work is done where everyone works on one thing at once; `free` in ascending order.
 */
const doneBy = (free: readonly number[], work: number): number => {
  let left = work;
  for (let hands = 1; hands < free.length; hands++) {
    const until = (free[hands]! - free[hands - 1]!) * hands;
    if (left <= until) return free[hands - 1]! + left / hands;
    left -= until;
  }
  return free.at(-1)! + left / free.length;
};

/** A promise by the work that is left for it. */
interface Promised {
  work: number;
  dueMin: number;
}

/** The scarce things: hands, the only bench, the stand. Promises in the order of their dues. */
interface Scarce {
  promised: readonly Promised[];
  doneAt: (work: number) => number;
}

/**
 * The fewest promises that are broken if only this was scarce. Source: Moore and Hodgson, over work
 * instead of time.
 */
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
 * The least sum of ends where only hands are scarce and a wheel may change hands at any time: the
 * shortest first, each to the one who is free first. Source: McNaughton 1959, changing hands gains
 * nothing; the shortest first holds also where people begin at different times.
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

/** The work left of a day: by wheel, and by visit. */
interface Left {
  /** Of each wheel that is not finished. */
  works: number[];
  /** The sum of their ends where each is worked by itself. */
  doneAlone: number;
  atStand: Load[];
  atBench: Load[];
  /**
   * Work of each visit, and its end where each wheel is worked by itself; those that are over have
   * none left.
   */
  visits: { work: number; end: number; isOpen: boolean }[];
}

/** The work left for a wheel from its next block on, at `at` the earliest. */
const leftOfWheel = ({ blocks, visit }: PlanWheel, from: number, at: number) => {
  let end = at;
  let work = 0;
  const stand: Load = { visit, from: 0, minutes: 0, after: 0 };
  const bench: Load = { visit, from: 0, minutes: 0, after: 0 };
  for (const block of blocks.slice(from)) {
    const { minutes, standMinutes, notBeforeMin, fixed } = block;
    const start = Math.max(end, notBeforeMin, fixed?.startMin ?? 0);
    end = start + minutes;
    work += minutes;
    // Work that follows is counted without what it waits for.
    if (standMinutes > 0)
      Object.assign(stand, { from: end - standMinutes, minutes: standMinutes, after: 0 });
    else stand.after += minutes;
    if (!onBench(block)) bench.after += minutes;
    else {
      if (bench.minutes === 0) bench.from = start;
      bench.minutes += minutes;
    }
  }
  // Where it needs it no more it ends as it does alone.
  const alone: Load = { visit, from: end, minutes: 0, after: 0 };
  return {
    end,
    work,
    stand: stand.minutes > 0 ? stand : alone,
    bench: bench.minutes > 0 ? bench : alone,
  };
};

const leftOf = ({ wheels, visits }: PlanProblem, state: PlanState, firstFree: number): Left => {
  const left: Left = {
    works: [],
    doneAlone: 0,
    atStand: [],
    atBench: [],
    visits: visits.map((_, v) => ({ work: 0, end: state.visitDone[v]!, isOpen: false })),
  };
  for (let w = 0; w < wheels.length; w++) {
    const wheel = wheels[w]!;
    if (state.next[w] === wheel.blocks.length) continue;
    const { end, work, stand, bench } = leftOfWheel(
      wheel,
      state.next[w]!,
      Math.max(state.ready[w]!, firstFree),
    );
    const visit = left.visits[wheel.visit]!;
    visit.isOpen = true;
    visit.end = Math.max(visit.end, end);
    visit.work += work;
    left.doneAlone += end;
    left.works.push(work);
    left.atStand.push(stand);
    left.atBench.push(bench);
  }
  return left;
};

/**
 * The least lateness of promises that only hands are scarce for: the latest one, and all of them
 * together.
 */
const lateByHands = ({ promised, doneAt }: Scarce): number => {
  let total = 0;
  let latest = 0;
  for (const { work, dueMin } of promised) {
    total += work;
    latest = Math.max(latest, Math.ceil(doneAt(total)) - dueMin);
  }
  // The first k promises take all hands for no less than the k least works.
  let least = 0;
  const soonest = promised
    .map((p) => p.work)
    .sort((a, b) => a - b)
    .map((work) => Math.ceil(doneAt((least += work))));
  return Math.max(
    latest,
    lateTogether(
      soonest,
      promised.map((p) => p.dueMin),
    ),
  );
};

/**
 * No plan that goes on from here costs less: each wheel by itself, all of them where only hands are
 * scarce (one pair of hands as fast as all people together does everything at least as soon), and
 * all of them where only the stand or the one bench is.
 */
export const boundOf = (problem: PlanProblem, state: PlanState): PlanCost => {
  const { visits } = problem;
  const free = [...state.free].sort((a, b) => a - b);
  const left = leftOf(problem, state, free[0]!);
  const promised = left.visits
    .flatMap(({ work, end, isOpen }, v) => {
      const { dueMin } = visits[v]!;
      return isOpen && dueMin !== null
        ? [{ work, dueMin, lateAlone: Math.max(0, end - dueMin) }]
        : [];
    })
    .sort((a, b) => a.dueMin - b.dueMin);
  const late = promised.filter((p) => p.lateAlone > 0);
  const hands: Scarce = { promised, doneAt: (work) => doneBy(free, work) };
  const found = {
    broken: Math.max(late.length, fewestBroken(hands)),
    lateMin: Math.max(
      late.reduce((sum, p) => sum + p.lateAlone, 0),
      lateByHands(hands),
    ),
    doneMin: Math.max(left.doneAlone, doneTogether(free, left.works)),
  };
  const scarce = [hands];
  const machines: [Load[], number][] = [[left.atStand, state.stand]];
  if (state.benches.length === 1) machines.push([left.atBench, state.benches[0]!]);
  for (const [loads, from] of machines) {
    if (loads.every((l) => l.minutes === 0)) continue;
    const { doneMin, lateMin, promised: works } = machineBound(loads, from, visits);
    found.doneMin = Math.max(found.doneMin, doneMin);
    found.lateMin = Math.max(found.lateMin, lateMin);
    scarce.push({
      promised: works.sort((a, b) => a.dueMin - b.dueMin),
      doneAt: (work) => from + work,
    });
  }
  found.broken = Math.max(found.lateMin > 0 ? 1 : 0, found.broken, ...scarce.map(fewestBroken));
  return {
    broken: state.cost.broken + found.broken,
    lateMin: state.cost.lateMin + found.lateMin,
    doneMin: state.cost.doneMin + found.doneMin,
  };
};
