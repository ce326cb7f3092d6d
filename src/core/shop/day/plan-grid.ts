import type { PlanCost, PlanProblem } from './plan-problem';

const gcd = (a: number, b: number): number => (b === 0 ? Math.abs(a) : gcd(b, a % b));

/** The minutes of which all times of a day are whole numbers; at least 1. */
const gridOf = ({ visits, wheels }: PlanProblem): number => {
  const times = [
    ...visits.map((v) => v.dueMin ?? 0),
    ...wheels.flatMap((w) =>
      w.blocks.flatMap((b) => [b.minutes, b.standMinutes, b.notBeforeMin, b.fixed?.startMin ?? 0]),
    ),
  ];
  return Math.max(1, times.reduce(gcd, 0));
};

const scaled = (problem: PlanProblem, by: (minutes: number) => number): PlanProblem => ({
  ...problem,
  visits: problem.visits.map(({ dueMin }) => ({ dueMin: dueMin === null ? null : by(dueMin) })),
  wheels: problem.wheels.map((wheel) => ({
    ...wheel,
    blocks: wheel.blocks.map((b) => ({
      ...b,
      minutes: by(b.minutes),
      standMinutes: by(b.standMinutes),
      notBeforeMin: by(b.notBeforeMin),
      fixed: b.fixed && { ...b.fixed, startMin: by(b.fixed.startMin) },
    })),
  })),
});

/**
 * A day in steps of its grid, and how a cost of it is in minutes: fewer times to tell apart, the
 * same plans.
 */
export const onGrid = (
  problem: PlanProblem,
): { problem: PlanProblem; gridMin: number; inMinutes(cost: PlanCost): PlanCost } => {
  const gridMin = gridOf(problem);
  return {
    problem: gridMin === 1 ? problem : scaled(problem, (minutes) => minutes / gridMin),
    gridMin,
    inMinutes: ({ broken, lateMin, doneMin }) => ({
      broken,
      lateMin: lateMin * gridMin,
      doneMin: doneMin * gridMin,
    }),
  };
};
