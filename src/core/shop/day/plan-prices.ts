import { horizonOf, type PlanLimits } from './plan-limits';
import type { PlanProblem } from './plan-problem';
import { emptyState, type PlanState } from './plan-state';
import { priceBids } from './price-bids';
import {
  closeDearer,
  costWheels,
  lateShareOf,
  roomForCosts,
  summed,
  type Prices,
} from './wheel-costs';

/**
 * A lower bound on the cost of any plan within its limits, when only plans below `enough` matter.
 */
export interface Priced {
  /** The sum of all ends is at least this, minutes; `enough` where no plan costs less. */
  doneMin: number;
  /**
   * The same for all plans that go on from a state and cost less than `enough`; Infinity where none
   * can.
   */
  from(state: PlanState): number;
  /** The same as `from`, by prices that are right for plans from this state. */
  fromLike(at: PlanState): (state: PlanState) => number;
  /** At these prices. */
  prices: Prices;
}

/** Rounds of bidding at most, and so many minutes of wheels looked at in all of them. */
const ROUNDS = 400;
const MINUTES = 150_000_000;
/** The first step from no prices, and from good ones. */
const STEP = 1.2;
const SHORT_STEP = 0.4;
/** So often beginnings that are too dear are closed, if they are so many at least. */
const CLOSINGS = 12;
const MIN_CLOSED = 10;
/** Rounds of bidding for one state. */
const STATE_ROUNDS = 60;
const ROUNDING = 1e-6;

/**
 * The least that all wheels’ ends come to where hands, stand and benches are not held to their
 * number but paid for, minute by minute, until no plan costs less than `enough` or the bound grows
 * no more. Beginnings that no plan has which costs less than that are closed, and bids go on
 * without them. `start` are prices to begin with, of limits that are alike.
 *
 * Source: bounds as in `priceBids`; closing by reduced costs, Dantzig, Fulkerson and Johnson 1954.
 */
export const pricedPlans = (
  problem: PlanProblem,
  limits: PlanLimits,
  enough: number,
  start: Prices | null = null,
): Priced => {
  const { wheels } = problem;
  const horizonMin = horizonOf(problem);
  const room = roomForCosts(problem, horizonMin);
  const blocks = wheels.reduce((n, w) => n + w.blocks.length, 0);
  const rounds = Math.min(ROUNDS, Math.ceil(MINUTES / Math.max(1, blocks * horizonMin)));
  const { bid, best } = priceBids(problem, limits, horizonMin, room, start, emptyState(problem));
  // Costs are whole minutes.
  const atMost = enough - 1 + ROUNDING;
  for (let n = 0; n < CLOSINGS; n++) {
    const step = n === 0 && !start ? STEP : SHORT_STEP;
    if (!bid({ rounds, step, aim: enough, enough: atMost }))
      return {
        doneMin: enough,
        prices: best().prices,
        from: () => Infinity,
        fromLike: () => () => Infinity,
      };
    const { prices, value } = best();
    if (value >= atMost) break;
    costWheels(problem, limits, prices, horizonMin, room);
    if (closeDearer(problem, limits, prices, horizonMin, room, atMost - value) < MIN_CLOSED) break;
  }
  const { prices, value } = best();
  costWheels(problem, limits, prices, horizonMin, room);
  const fromLike = (at: PlanState) => {
    const own = { ...roomForCosts(problem, horizonMin), open: room.open };
    const bids = priceBids(problem, limits, horizonMin, own, prices, at);
    bids.bid({ rounds: STATE_ROUNDS, step: SHORT_STEP, aim: enough, enough: atMost });
    const likely = bids.best().prices;
    costWheels(problem, limits, likely, horizonMin, own);
    return fromState(problem, limits, likely, horizonMin, own.least);
  };
  return {
    fromLike,
    doneMin: Math.min(enough, value),
    prices,
    from: fromState(problem, limits, prices, horizonMin, room.least),
  };
};

/** The amount left to pay for from a minute on. */
const leftAfter = (prices: Float64Array): ((minute: number) => number) => {
  const sums = summed(prices);
  const total = sums.at(-1)!;
  return (minute) => total - sums[Math.min(sums.length - 1, minute)]!;
};

const fromState = (
  problem: PlanProblem,
  limits: PlanLimits,
  prices: Prices,
  horizonMin: number,
  least: readonly (readonly Float64Array[])[],
): ((state: PlanState) => number) => {
  const [hands, stand, bench] = [
    leftAfter(prices.hands),
    leftAfter(prices.stand),
    leftAfter(prices.bench),
  ];
  const lateShare = lateShareOf(problem, limits);
  return (state) => {
    if (state.cost.lateMin > limits.lateMostMin) return Infinity;
    const first = Math.min(...state.free);
    let isWhole = true;
    let sum =
      state.cost.doneMin - prices.late * limits.lateMostMin - stand(Math.max(state.stand, first));
    for (const at of state.free) sum -= hands(at);
    for (const at of state.benches) sum -= bench(Math.max(at, first));
    for (let w = 0; w < problem.wheels.length; w++) {
      const { blocks, visit } = problem.wheels[w]!;
      const next = state.next[w]!;
      if (blocks.length === 0) continue;
      isWhole &&= next === blocks.length;
      if (next < blocks.length)
        sum += least[w]![next]![Math.min(horizonMin + 1, Math.max(first, state.ready[w]!))]!;
      else if (state.ready[w]! > limits.ends[visit]!) return Infinity;
      else sum += prices.late * lateShare(w, state.ready[w]!);
    }
    // What is left over of hands and stand is no one’s loss anymore.
    return isWhole ? state.cost.doneMin : sum;
  };
};
