import { performance } from 'node:perf_hooks';
import { bestPlan } from '../../src/core/shop/day/plan-search';
import { fullMorning, randomDay, solvedDay } from '../plan-days';

/**
 * The plan of the day: how long it takes, how often it is proved, beside a solver on small days.
 * Prints; judges nothing.
 */

/** As many looked-at states as a plan has, and as one that is looked at closely. */
const BUDGET = 1_000_000;
const CLOSELY = 40_000_000;
const DAYS = 40;
const MORNINGS = 30;

const middle = (all: number[]): number => all.sort((a, b) => a - b)[Math.floor(all.length / 2)]!;

const main = async () => {
  const ours: number[] = [];
  const theirs: number[] = [];
  let equal = 0;
  for (let seed = 0; seed < DAYS; seed++) {
    const day = randomDay(seed, 3);
    let from = performance.now();
    const mine = bestPlan(day, BUDGET);
    ours.push(performance.now() - from);
    from = performance.now();
    const solved = await solvedDay(day);
    theirs.push(performance.now() - from);
    if (JSON.stringify(mine?.cost) === JSON.stringify(solved ?? undefined)) equal++;
  }
  console.log(
    `up to 3 wheels: ${middle(ours).toFixed(1)} ms in the middle, the solver ${middle(theirs).toFixed(0)} ms; as good in ${equal} of ${DAYS}`,
  );
  for (const [wheels, budget] of [
    [4, BUDGET],
    [6, BUDGET],
    [8, BUDGET],
    [8, CLOSELY],
    [12, BUDGET],
  ] as const) {
    const times: number[] = [];
    let proved = 0;
    for (let seed = 0; seed < DAYS; seed++) {
      const all = randomDay(seed + 5000, wheels * 2, 7);
      const day = { ...all, people: 2, benches: 2, wheels: all.wheels.slice(0, wheels) };
      const from = performance.now();
      if (bestPlan(day, budget)!.proven) proved++;
      times.push(performance.now() - from);
    }
    const most = Math.max(...times);
    console.log(
      `up to ${wheels} wheels, 2 people, ${budget} states: ${middle(times).toFixed(0)} ms in the middle, ${most.toFixed(0)} ms at most; proved in ${proved} of ${DAYS}`,
    );
  }
  for (const [wheels, budget] of [
    [8, BUDGET],
    [8, CLOSELY],
    [12, BUDGET],
  ] as const) {
    const times: number[] = [];
    const gaps: number[] = [];
    let proved = 0;
    for (let seed = 0; seed < MORNINGS; seed++) {
      const from = performance.now();
      const { proven, cost, bound } = bestPlan(fullMorning(seed, wheels), budget)!;
      times.push(performance.now() - from);
      if (proven) proved++;
      else if (cost.lateMin === bound.lateMin) gaps.push(1 - bound.doneMin / cost.doneMin);
    }
    const gap =
      gaps.length > 0 ? `; ${gaps.length} within ${(100 * Math.max(...gaps)).toFixed(1)}%` : '';
    console.log(
      `full mornings, ${wheels} wheels, ${budget} states: ${middle(times).toFixed(0)} ms in the middle, ${Math.max(...times).toFixed(0)} ms at most; proved in ${proved} of ${MORNINGS}${gap}`,
    );
  }
};
void main();
