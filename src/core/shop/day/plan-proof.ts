import { boundOf } from './plan-bound';
import { canEndBy } from './plan-deadlines';
import { horizonOf, limitsFor, unpromised, type PlanLimits } from './plan-limits';
import { planLayers } from './plan-layers';
import { pricedPlans, type Priced } from './plan-prices';
import { compareCosts, type PlanCost, type PlanProblem } from './plan-problem';
import { planWithin } from './plan-within';
import { emptyState, placedAgain, type PlanState } from './plan-state';

/** A plan, and what no plan beats. */
export interface Proof {
  best: PlanState | null;
  bound: PlanCost;
}

/** Choices of late visits at most that are gone through. */
const MAX_CHOICES = 200;
const ROUNDING = 1e-6;
/** The beam's smallest width at each depth, if optimality cannot be proved. */
const MIN_WIDTH = 20;
/** So many states are looked at to see whether limits can be held at all. */
const SHORT_LOOK = 5000;
/** The share of the budget that goes into proofs. */
const PROOF_SHARE = 0.95;

/** All choices of so many of these. */
const choices = (of: readonly number[], count: number): number[][] =>
  count === 0
    ? [[]]
    : of.flatMap((first, i) =>
        choices(of.slice(i + 1), count - 1).map((others) => [first, ...others]),
      );

/**
 * States that may still be looked at: to prove, and to follow the most promising ones where that
 * cannot be.
 */
interface Budget {
  proof: number;
  beam: number;
}

/** The least sum of ends among plans within limits that have less than `belowMin`. */
interface Deepened {
  best: PlanState | null;
  /** No plan within the limits has less. */
  atLeastMin: number;
  isProven: boolean;
}

interface Asked {
  limits: PlanLimits;
  priced: Priced;
  canEnd: (state: PlanState) => boolean;
}

/** Plans whose ends come to so much at most. */
const layersUpTo = (
  problem: PlanProblem,
  { priced, canEnd, limits }: Asked,
  mostMin: number,
  { width, budget, once }: { width: number; budget: number; once: boolean },
) =>
  planLayers<number>(unpromised(problem, limits), {
    boundOf: (state) => {
      const bound = priced.from(state);
      return bound > mostMin + ROUNDING || !canEnd(state) ? null : bound;
    },
    compare: (a, b) => a - b,
    width,
    budget,
    once,
    ...(once && {
      wantedLike: (sample: PlanState) => {
        const from = priced.fromLike(sample);
        return (state: PlanState) => from(state) <= mostMin + ROUNDING;
      },
    }),
  });

/** More than the ends of all wheels come to in any plan within limits. */
const beyond = (problem: PlanProblem, limits: PlanLimits): number => {
  const horizonMin = horizonOf(problem);
  return (
    1 + problem.wheels.reduce((sum, w) => sum + Math.min(horizonMin, limits.ends[w.visit]!), 0)
  );
};

/**
 * A good plan within limits, by following the most promising states; null where that finds none.
 */
const beam = (
  problem: PlanProblem,
  limits: PlanLimits,
  budget: Budget,
  belowMin = beyond(problem, limits),
): PlanState | null => {
  const asked = {
    limits,
    priced: pricedPlans(problem, limits, belowMin),
    canEnd: canEndBy(problem, limits.ends),
  };
  const { people, wheels } = problem;
  const depths = wheels.reduce((n, w) => n + w.blocks.length, 0);
  const width = Math.max(MIN_WIDTH, Math.floor(budget.beam / (depths * wheels.length * people)));
  const { best } = layersUpTo(problem, asked, belowMin - 1, {
    width,
    budget: Infinity,
    once: false,
  });
  return best && placedAgain(problem, best);
};

/**
 * Asks for a plan at the bound, then for one that costs a minute more, and so on: all that costs
 * less was then looked for. The first plan found is the best. Source: Korf 1985, iterative
 * deepening.
 */
const deepened = (
  problem: PlanProblem,
  limits: PlanLimits,
  belowMin: number,
  budget: Budget,
): Deepened => {
  const canEnd = canEndBy(problem, limits.ends);
  const whole = pricedPlans(problem, limits, belowMin);
  for (let mostMin = Math.ceil(whole.doneMin - ROUNDING); mostMin < belowMin; mostMin++) {
    const priced = pricedPlans(problem, limits, mostMin + 1, whole.prices);
    if (priced.doneMin > mostMin + ROUNDING) continue;
    const { best, isWhole, looked } = layersUpTo(problem, { priced, canEnd, limits }, mostMin, {
      width: Infinity,
      budget: budget.proof,
      once: true,
    });
    budget.proof -= looked;
    if (best)
      return { best: placedAgain(problem, best), atLeastMin: best.cost.doneMin, isProven: true };
    if (!isWhole)
      return {
        best: beam(problem, limits, budget, belowMin),
        atLeastMin: mostMin,
        isProven: false,
      };
  }
  return { best: null, atLeastMin: belowMin, isProven: true };
};

/** Whether there is no plan within limits, as a short look or prices say. */
const isOut = (problem: PlanProblem, limits: PlanLimits): boolean => {
  if (planWithin(problem, limits, SHORT_LOOK).isOut) return true;
  const most = beyond(problem, limits);
  return pricedPlans(problem, limits, most).doneMin >= most - ROUNDING;
};

/**
 * The least lateness of these visits that is not out of the question, up to `mostMin`; null where
 * that is as well.
 */
const leastLate = (
  problem: PlanProblem,
  late: readonly number[],
  mostMin: number,
): number | null => {
  const isOutAt = (lateMin: number) => isOut(problem, limitsFor(problem, late, lateMin));
  if (isOutAt(mostMin)) return null;
  // Each of them is late by a minute at least, or it would be no broken promise.
  let [low, high] = [late.length, mostMin];
  while (low < high) {
    const middle = Math.floor((low + high) / 2);
    if (isOutAt(middle)) low = middle + 1;
    else high = middle;
  }
  return low;
};

/** A choice of visits that are late, and how late at least. */
interface Choice {
  late: readonly number[];
  lateMin: number;
}

/** The best plan with so many broken promises, where fewer are out of the question. */
const provenWith = (
  problem: PlanProblem,
  broken: number,
  first: PlanState | null,
  budget: Budget,
): Proof => {
  let best = first;
  const isSame = () => best !== null && best.cost.broken === broken;
  const promised = problem.visits.flatMap(({ dueMin }, v) => (dueMin === null ? [] : [v]));
  const least = boundOf(problem, emptyState(problem));
  const leastMin = least.broken === broken ? least.lateMin : 0;
  const all = choices(promised, broken);
  const unproven = (lateMin: number, doneMin: number): Proof => ({
    best,
    bound: { broken, lateMin, doneMin },
  });
  if (all.length > MAX_CHOICES) return unproven(0, 0);
  const mostLate = isSame() ? best!.cost.lateMin : broken * horizonOf(problem);
  const open = all.flatMap((late): Choice[] => {
    const lateMin = leastLate(problem, late, mostLate);
    return lateMin === null ? [] : [{ late, lateMin: Math.max(lateMin, leastMin) }];
  });
  for (;;) {
    open.sort((a, b) => a.lateMin - b.lateMin);
    const [choice] = open;
    const most = isSame() ? best!.cost.lateMin : mostLate;
    if (!choice || choice.lateMin > most)
      return { best, bound: best?.cost ?? { broken: broken + 1, lateMin: 0, doneMin: 0 } };
    const limits = limitsFor(problem, choice.late, choice.lateMin);
    if (!isSame() || choice.lateMin < most) {
      const { plan, isOut, looked } = planWithin(problem, limits, budget.proof);
      budget.proof -= looked;
      if (isOut) {
        choice.lateMin++;
        continue;
      }
      // Whether it can be less late was not seen to the end: it is tried.
      const sooner =
        plan ?? beam(problem, limitsFor(problem, choice.late, isSame() ? most - 1 : most), budget);
      if (!sooner) return unproven(choice.lateMin, 0);
      best = sooner;
      continue;
    }
    const belowMin = best!.cost.doneMin;
    const found = deepened(problem, limits, belowMin, budget);
    if (found.best && compareCosts(found.best.cost, best!.cost) < 0) best = found.best;
    if (!found.isProven) {
      // Others may be as late at least, and their wheels done sooner.
      const others = open
        .filter((o) => o !== choice && o.lateMin === choice.lateMin)
        .map(
          (o) =>
            pricedPlans(problem, limitsFor(problem, o.late, o.lateMin), belowMin).doneMin -
            ROUNDING,
        );
      return unproven(choice.lateMin, Math.min(found.atLeastMin, ...others.map(Math.ceil)));
    }
    open.shift();
  }
};

/**
 * The best plan of a day, proved where the budget of looked-at states lasts: first with no broken
 * promise, then with one whichever it is, and so on; of these the least late; of these the one
 * whose wheels are done soonest. `first` is a plan that is to be beaten; null where none is known.
 * Null where there is none.
 */
export const planProof = (
  problem: PlanProblem,
  first: PlanState | null,
  budget: number,
): Proof | null => {
  const left: Budget = { proof: budget * PROOF_SHARE, beam: budget * (1 - PROOF_SHARE) };
  const promised = problem.visits.filter((v) => v.dueMin !== null).length;
  let best = first;
  for (
    let broken = boundOf(problem, emptyState(problem)).broken;
    broken <= (best?.cost.broken ?? promised);
    broken++
  ) {
    const found = provenWith(problem, broken, best, left);
    best = found.best;
    if (best && compareCosts(found.bound, best.cost) < 0 && found.bound.broken === broken)
      return found;
  }
  return best && { best, bound: best.cost };
};
