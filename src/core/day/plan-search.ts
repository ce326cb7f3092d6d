import { boundOf } from './plan-bound';
import { onGrid } from './plan-grid';
import { improved } from './plan-improve';
import { planLayers } from './plan-layers';
import { compareCosts, type Placed, type PlanCost, type PlanProblem } from './plan-problem';
import { planProof } from './plan-proof';
import { placedOf, type PlanState } from './plan-state';

export interface PlanFound {
  placed: Placed[];
  cost: PlanCost;
  /** No plan costs less than this. */
  bound: PlanCost;
  /** The plan is the best there is. */
  proven: boolean;
}

/** One plan that is made better by small changes for so many looked-at states. */
const TRIES_SHARE = 0.5;
/** So many states of the budget are looked at once more where prices alone do not prove it. */
const WHOLE_SHARE = 0.3;
/** At each depth the first, quick look keeps so many. */
const QUICK_WIDTH = 40;

const planFound = (plan: PlanState, bound: PlanCost): PlanFound => {
  const proven = compareCosts(bound, plan.cost) >= 0;
  return { placed: placedOf(plan), cost: plan.cost, bound: proven ? plan.cost : bound, proven };
};

/** All plans that cost less than this, by the bounds of promises: where promises are few that ends; null where it does not. */
const wholeLook = (problem: PlanProblem, less: PlanCost, budget: number): { best: PlanState | null } | null => {
  const { best, isWhole } = planLayers<PlanCost>(problem, {
    boundOf: (state) => {
      const bound = boundOf(problem, state, less);
      return compareCosts(bound, less) >= 0 ? null : bound;
    },
    compare: compareCosts,
    width: Infinity,
    budget,
    once: true,
  });
  return isWhole ? { best } : null;
};

const bestOnGrid = (problem: PlanProblem, budget: number): PlanFound | null => {
  const quick = planLayers<PlanCost>(problem, {
    boundOf: (state) => boundOf(problem, state),
    compare: compareCosts,
    width: QUICK_WIDTH,
    budget: Infinity,
  });
  // Nothing was left out on the way.
  if (quick.isWhole) return quick.best && planFound(quick.best, quick.best.cost);
  const tries = budget / TRIES_SHARE;
  const first = quick.best && improved(problem, quick.best, tries);
  const proof = planProof(problem, first, budget);
  if (!proof?.best) return null;
  const { bound } = proof;
  if (compareCosts(bound, proof.best.cost) >= 0) return planFound(proof.best, bound);
  const best = improved(problem, proof.best, tries);
  const whole = wholeLook(problem, best.cost, budget * WHOLE_SHARE);
  return whole ? planFound(whole.best ?? best, (whole.best ?? best).cost) : planFound(best, bound);
};

/**
 * The best plan of a day: exact where the budget of looked-at states lasts, else the best found and what no plan can
 * beat. Null where what is fixed by hand leaves no plan. `budget` at least 1000.
 */
export const bestPlan = (day: PlanProblem, budget: number): PlanFound | null => {
  const { problem, gridMin, inMinutes } = onGrid(day);
  const found = bestOnGrid(problem, budget);
  if (!found) return null;
  return {
    ...found,
    cost: inMinutes(found.cost),
    bound: inMinutes(found.bound),
    placed: found.placed.map((p) => ({ ...p, startMin: p.startMin * gridMin, endMin: p.endMin * gridMin })),
  };
};
