import { canEndBy } from './plan-deadlines';
import { planLayers } from './plan-layers';
import { unpromised, type PlanLimits } from './plan-limits';
import type { PlanProblem, PlanWheel } from './plan-problem';
import { placedAgain, placedNext, type PlanState } from './plan-state';

/** Of these wheels the one with the least work first. */
const workOf = ({ blocks }: PlanWheel): number => blocks.reduce((sum, b) => sum + b.minutes, 0);

const firstFree = (free: readonly number[]): number => free.indexOf(Math.min(...free));

/**
 * A day of the wheels alone whose ends are limited: all others can follow them, unless some are
 * fixed by hand. `whole` makes a plan of the whole day of one of these.
 */
const limitedOnly = (problem: PlanProblem, limits: PlanLimits) => {
  const { ends } = limits;
  const isLimited = problem.wheels.map((w) => ends[w.visit]! < Infinity);
  const isFixed = problem.wheels.some((w, i) => !isLimited[i] && w.blocks.some((b) => b.fixed));
  const kept = problem.wheels.flatMap((_, w) => (isFixed || isLimited[w] ? [w] : []));
  const others = problem.wheels.map((_, w) => w).filter((w) => !kept.includes(w));
  const whole = (plan: PlanState): PlanState => {
    const limited = placedAgain(problem, plan, (w) => kept[w]!);
    return others
      .sort((a, b) => workOf(problem.wheels[a]!) - workOf(problem.wheels[b]!))
      .flatMap((w) => problem.wheels[w]!.blocks.map(() => w))
      .reduce((state, w) => placedNext(problem, state, w, firstFree(state.free))!, limited);
  };
  return {
    day: { ...unpromised(problem, limits), wheels: kept.map((w) => problem.wheels[w]!) },
    whole,
  };
};

/** A plan within limits, or that there is none; neither where the budget ended first. */
export interface Within {
  plan: PlanState | null;
  isOut: boolean;
  looked: number;
}

/** Whether there is a plan within limits, whenever its wheels are done. */
export const planWithin = (problem: PlanProblem, limits: PlanLimits, budget: number): Within => {
  const { day, whole } = limitedOnly(problem, limits);
  const canEnd = canEndBy(day, limits.ends);
  const { best, isWhole, looked } = planLayers<number>(day, {
    boundOf: (state) => (state.cost.lateMin <= limits.lateMostMin && canEnd(state) ? 0 : null),
    compare: () => 0,
    width: Infinity,
    budget,
    once: true,
    whenever: true,
  });
  return { plan: best && whole(best), isOut: isWhole && best === null, looked };
};
