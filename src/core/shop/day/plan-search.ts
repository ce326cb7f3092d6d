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

/** So many small changes at most are tried on a plan before the proof, and after it. */
const TRIES = 120_000;
/** Other changes than before. */
const AFTER = 11;
/**
 * At each depth the first, quick look keeps so many; more where what is fixed by hand leaves none
 * of them.
 */
const WIDTHS = [40, 400, 4000];
/** A day for which budgets and widths are meant; one with more of them is given less. */
const USUAL = { wheels: 8, blocks: 24 };
/** By this power of it, since each of its states takes longer as well. */
const LONGER = 4;

/** 1 for a usual day; less for a larger one. */
const shareOf = ({ wheels }: PlanProblem): number =>
  Math.min(
    1,
    USUAL.wheels / wheels.length,
    USUAL.blocks / wheels.reduce((n, w) => n + w.blocks.length, 0),
  );

/** The first plan that is come by, and whether it is the best. */
const firstLook = (problem: PlanProblem): { best: PlanState | null; isWhole: boolean } => {
  let look: { best: PlanState | null; isWhole: boolean } = { best: null, isWhole: false };
  for (const width of WIDTHS) {
    look = planLayers<PlanCost>(problem, {
      boundOf: (state) => boundOf(problem, state),
      compare: compareCosts,
      width: Math.ceil(width * shareOf(problem)),
      budget: Infinity,
    });
    if (look.best || look.isWhole) break;
  }
  return look;
};

const planFound = (plan: PlanState, bound: PlanCost): PlanFound => {
  const proven = compareCosts(bound, plan.cost) >= 0;
  return { placed: placedOf(plan), cost: plan.cost, bound: proven ? plan.cost : bound, proven };
};

const bestOnGrid = (problem: PlanProblem, budget: number): PlanFound | null => {
  const quick = firstLook(problem);
  // Nothing was left out on the way.
  if (quick.isWhole) return quick.best && planFound(quick.best, quick.best.cost);
  const tries = Math.min(TRIES, budget);
  const first = quick.best && improved(problem, quick.best, tries);
  const proof = planProof(problem, first, budget * shareOf(problem) ** LONGER);
  if (!proof?.best) return null;
  const { best, bound } = proof;
  return planFound(
    compareCosts(bound, best.cost) >= 0 ? best : improved(problem, best, tries, AFTER),
    bound,
  );
};

/**
 * The best plan of a day: exact where the budget of looked-at states lasts, else the best found and
 * what no plan can beat. Null where no plan is found that leaves what is fixed by hand in its
 * place. `budget` at least 1000, as for eight whole wheels: of more it is less, so that it takes
 * about as long.
 */
export const bestPlan = (day: PlanProblem, budget: number): PlanFound | null => {
  const { problem, gridMin, inMinutes } = onGrid(day);
  const found = bestOnGrid(problem, budget);
  if (!found) return null;
  return {
    ...found,
    cost: inMinutes(found.cost),
    bound: inMinutes(found.bound),
    placed: found.placed.map((p) => ({
      ...p,
      startMin: p.startMin * gridMin,
      endMin: p.endMin * gridMin,
    })),
  };
};
