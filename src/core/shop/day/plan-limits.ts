import type { PlanProblem } from './plan-problem';

/**
 * The demand on a plan that is better than all found so far: which promises it keeps, and how late
 * the others are.
 */
export interface PlanLimits {
  /** The wheels of each visit end no later; Infinity where nothing limits them. */
  ends: readonly number[];
  /** Visits that may be late, and by how many minutes together at most. */
  late: readonly number[];
  lateMostMin: number;
}

/** Only these visits are late, by so much together at most; all other promises are kept. */
export const limitsFor = (
  { visits }: PlanProblem,
  late: readonly number[],
  lateMostMin: number,
): PlanLimits => ({
  late,
  lateMostMin,
  ends: visits.map(({ dueMin }, v) =>
    dueMin === null ? Infinity : dueMin + (late.includes(v) ? lateMostMin : 0),
  ),
});

/**
 * The same day for plans within limits: that they are held is seen elsewhere, so that lateness
 * counts only where several visits share it.
 */
export const unpromised = (problem: PlanProblem, { late }: PlanLimits): PlanProblem => ({
  ...problem,
  visits: problem.visits.map(({ dueMin }, v) => ({
    dueMin: late.length > 1 && late.includes(v) ? dueMin : null,
  })),
});

/** By then all is done, no matter who does it: no one waits for more than what is not there yet. */
export const horizonOf = ({ wheels }: PlanProblem): number => {
  const blocks = wheels.flatMap((w) => w.blocks);
  const latest = Math.max(
    0,
    ...blocks.map((b) => Math.max(b.notBeforeMin, b.fixed?.startMin ?? 0)),
  );
  return latest + blocks.reduce((sum, b) => sum + b.minutes, 0);
};
