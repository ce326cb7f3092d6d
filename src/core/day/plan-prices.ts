import { horizonOf, type PlanLimits } from './plan-limits';
import { onBench, type PlanProblem } from './plan-problem';
import type { PlanState } from './plan-state';
import { costWheels, lateShareOf, roomForCosts, summed, type Prices } from './wheel-costs';

/** What no plan within its limits beats. */
export interface Priced {
  /** The sum of all ends is at least this, minutes; Infinity where there is no such plan. */
  doneMin: number;
  /** The same for all plans that go on from a state; Infinity where none can. */
  from(state: PlanState): number;
}

/** Rounds of bidding at most, and so many minutes of wheels looked at in all of them. */
const ROUNDS = 400;
const MINUTES = 150_000_000;
/** The first step, as a share of what is missing, and what it becomes where nothing is gained for so many rounds. */
const STEP = 1.2;
const SHORTER = 0.7;
const PATIENCE = 12;
const LEAST_STEP = 1e-3;
/** Less than this is no gain, minutes. */
const GAIN = 0.05;
/** A direction keeps so much of the one before. */
const MOMENTUM = 0.3;
/** A minute of lateness weighs as much in a step as so many minutes of hands. */
const LATE_SCALE = 30;
/** Sums of larger prices could not tell minutes apart. */
const MOST_PRICE = 1e6;
const ROUNDING = 1e-6;

interface Scarce {
  prices: Float64Array;
  /** So many there are. */
  count: number;
  used: Float64Array;
  way: Float64Array;
}

/** One more of it is used from a minute on, or one less. */
const mark = (used: Float64Array, from: number, to: number): void => {
  used[from]! += 1;
  used[to]! -= 1;
};

/**
 * The least that all wheels’ ends come to where hands, stand and benches are not held to their number but paid for, minute
 * by minute: every wheel then goes its own cheapest way. Prices go up where more is used than there is, and down where
 * less is, until the bound is `enough` or grows no more.
 *
 * Source: Lagrangian relaxation of the capacities, Christofides, Alvarez-Valdés and Tamarit 1987; prices by Held, Wolfe and
 * Crowder 1974 (subgradients), the step by Polyak 1969.
 */
export const pricedPlans = (problem: PlanProblem, limits: PlanLimits, enough: number): Priced => {
  const { people, benches, wheels } = problem;
  const horizonMin = horizonOf(problem);
  const scarce = (count: number): Scarce => ({
    prices: new Float64Array(horizonMin + 1),
    count,
    used: new Float64Array(horizonMin + 2),
    way: new Float64Array(horizonMin + 1),
  });
  const [hands, stand, bench] = [scarce(people), scarce(1), scarce(benches)];
  // Where there is a bench for everybody, none is ever paid for.
  const all = benches >= people ? [hands, stand] : [hands, stand, bench];
  const room = roomForCosts(problem, horizonMin);
  const lateShare = lateShareOf(problem, limits);
  const hasLate = limits.late.length > 1;
  let late = 0;

  const pricesNow = (): Prices => ({ hands: hands.prices, stand: stand.prices, bench: bench.prices, late });
  const copied = (): Prices => ({
    hands: hands.prices.slice(),
    stand: stand.prices.slice(),
    bench: bench.prices.slice(),
    late,
  });

  /** All wheels on their cheapest ways: what that comes to, and how late they are; null where one has no way. */
  const round = (): { value: number; lateMin: number } | null => {
    costWheels(problem, limits, pricesNow(), horizonMin, room);
    let value = -late * limits.lateMostMin;
    for (const { prices, count, used } of all) {
      used.fill(0);
      for (const price of prices) value -= count * price;
    }
    let lateMin = 0;
    for (let w = 0; w < wheels.length; w++) {
      const { blocks } = wheels[w]!;
      if (blocks.length === 0) continue;
      value += room.least[w]![0]![0]!;
      let t = 0;
      for (let b = 0; b < blocks.length; b++) {
        t = room.start[w]![b]![t]!;
        if (t < 0) return null;
        const { minutes, standMinutes } = blocks[b]!;
        const end = t + minutes;
        mark(hands.used, t, end);
        if (standMinutes > 0) mark(stand.used, end - standMinutes, end);
        if (onBench(blocks[b]!)) mark(bench.used, t, end);
        t = end;
      }
      lateMin += lateShare(w, t);
    }
    return { value, lateMin };
  };

  let best = { value: -Infinity, prices: copied() };
  let step = STEP;
  let stale = 0;
  const blocks = wheels.reduce((n, w) => n + w.blocks.length, 0);
  const rounds = Math.min(ROUNDS, Math.ceil(MINUTES / Math.max(1, blocks * horizonMin)));
  for (let n = 0; n < rounds; n++) {
    const found = round();
    if (found === null) return { doneMin: Infinity, from: () => Infinity };
    stale = found.value > best.value + GAIN ? 0 : stale + 1;
    if (found.value > best.value) best = { value: found.value, prices: copied() };
    if (best.value >= enough - ROUNDING) break;
    if (stale > PATIENCE) {
      step *= SHORTER;
      stale = 0;
      hands.prices.set(best.prices.hands);
      stand.prices.set(best.prices.stand);
      bench.prices.set(best.prices.bench);
      late = best.prices.late;
      if (step < LEAST_STEP) break;
    }
    // What costs nothing becomes no cheaper.
    const wayOf = (price: number, over: number): number => (price <= 0 && over < 0 ? 0 : over);
    let length = 0;
    let overused = 0;
    for (const { prices, count, used, way } of all) {
      let inUse = 0;
      for (let t = 0; t <= horizonMin; t++) {
        inUse += used[t]!;
        overused += wayOf(prices[t]!, inUse - count) ** 2;
        way[t] = wayOf(prices[t]!, (1 - MOMENTUM) * (inUse - count) + MOMENTUM * way[t]!);
        length += way[t]! ** 2;
      }
    }
    const lateWay = hasLate ? wayOf(late, (found.lateMin - limits.lateMostMin) / LATE_SCALE) : 0;
    overused += lateWay ** 2;
    // Nobody is in anybody’s way, and nothing is paid for that is not used: the bound is a plan.
    if (overused === 0) break;
    const by = (step * Math.max(1, enough - found.value)) / Math.max(overused, length + lateWay ** 2);
    for (const { prices, way } of all)
      for (let t = 0; t <= horizonMin; t++) prices[t] = Math.max(0, Math.min(MOST_PRICE, prices[t]! + by * way[t]!));
    late = Math.max(0, Math.min(MOST_PRICE, late + (by * lateWay) / LATE_SCALE));
  }
  const { prices } = best;
  costWheels(problem, limits, prices, horizonMin, room);
  return { doneMin: best.value, from: fromState(problem, limits, prices, horizonMin, room.least) };
};

/** What is left to pay for from a minute on. */
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
  const [hands, stand, bench] = [leftAfter(prices.hands), leftAfter(prices.stand), leftAfter(prices.bench)];
  const lateShare = lateShareOf(problem, limits);
  return (state) => {
    if (state.cost.lateMin > limits.lateMostMin) return Infinity;
    const first = Math.min(...state.free);
    let isWhole = true;
    let sum = state.cost.doneMin - prices.late * limits.lateMostMin - stand(Math.max(state.stand, first));
    for (const at of state.free) sum -= hands(at);
    for (const at of state.benches) sum -= bench(Math.max(at, first));
    for (let w = 0; w < problem.wheels.length; w++) {
      const { blocks, visit } = problem.wheels[w]!;
      const next = state.next[w]!;
      if (blocks.length === 0) continue;
      isWhole &&= next === blocks.length;
      if (next < blocks.length) sum += least[w]![next]![Math.min(horizonMin + 1, Math.max(first, state.ready[w]!))]!;
      else if (state.ready[w]! > limits.ends[visit]!) return Infinity;
      else sum += prices.late * lateShare(w, state.ready[w]!);
    }
    // What is left over of hands and stand is nobody’s loss any more.
    return isWhole ? state.cost.doneMin : sum;
  };
};
