import type { PlanLimits } from './plan-limits';
import { onBench, type PlanProblem } from './plan-problem';
import type { PlanState } from './plan-state';
import { costWheels, lateShareOf, type Prices, type WheelCosts } from './wheel-costs';

/** The factor on a step without gain for so many rounds. */
const SHORTER = 0.7;
const PATIENCE = 12;
const MIN_STEP = 1e-3;
/** Less than this is no gain, minutes. */
const GAIN = 0.05;
/** A direction keeps so much of the one before. */
const MOMENTUM = 0.3;
/** A minute of lateness weighs as much in a step as so many minutes of hands. */
const LATE_SCALE = 30;
/** Sums of larger prices could not tell minutes apart. */
const MAX_PRICE = 1e6;

/** Something that there is only so much of, minute by minute. */
interface Scarce {
  prices: Float64Array;
  /** So many there are, minute by minute. */
  count: Float64Array;
  used: Float64Array;
  way: Float64Array;
}

/** One more of it is used from a minute on, or one less. */
const mark = (used: Float64Array, from: number, to: number): void => {
  used[from]! += 1;
  used[to]! -= 1;
};

/** Projects a price's step: what is short becomes dearer; what costs nothing becomes no cheaper. */
const wayOf = (price: number, over: number): number => (price <= 0 && over < 0 ? 0 : over);

const raised = (price: number, by: number): number => Math.max(0, Math.min(MAX_PRICE, price + by));

/** The best prices so far, and the least that all plans come to at them. */
interface Bids {
  value: number;
  prices: Prices;
}

/** The state of the bids. */
interface Bidding {
  rounds: number;
  /** The first step, as a share of what is missing. */
  step: number;
  /** The bound that is aimed at, and the one that is enough. */
  aim: number;
  enough: number;
}

/**
 * Prices of hands, stand and bench, minute by minute, and of lateness: every wheel goes its own
 * cheapest way, then prices go up where more is used than there is, and down where less is. `room`
 * is where the ways of the wheels are worked out; `at` is the state from which plans go on, the
 * empty one for all of them.
 *
 * Source: Lagrangian relaxation of the capacities, Christofides, Alvarez-Valdés and Tamarit 1987;
 * prices by Held, Wolfe and Crowder 1974 (subgradients), the step by Polyak 1969.
 */
export const priceBids = (
  problem: PlanProblem,
  limits: PlanLimits,
  horizonMin: number,
  room: WheelCosts,
  start: Prices | null,
  at: PlanState,
) => {
  const { people, benches, wheels } = problem;
  const first = Math.min(...at.free);
  const scarce = (from: readonly number[], prices: Float64Array | undefined): Scarce => ({
    prices: prices?.slice() ?? new Float64Array(horizonMin + 1),
    count: Float64Array.from(
      { length: horizonMin + 1 },
      (_, t) => from.filter((f) => f <= t).length,
    ),
    used: new Float64Array(horizonMin + 2),
    way: new Float64Array(horizonMin + 1),
  });
  const hands = scarce(at.free, start?.hands);
  const stand = scarce([Math.max(at.stand, first)], start?.stand);
  const bench = scarce(
    at.benches.map((b) => Math.max(b, first)),
    start?.bench,
  );
  // Where there is a bench for everyone, none is ever paid for.
  const all = benches >= people ? [hands, stand] : [hands, stand, bench];
  const lateShare = lateShareOf(problem, limits);
  const hasLate = limits.late.length > 1;
  let late = start?.late ?? 0;

  const copied = (): Prices => ({
    hands: hands.prices.slice(),
    stand: stand.prices.slice(),
    bench: bench.prices.slice(),
    late,
  });
  let best: Bids = { value: -Infinity, prices: copied() };
  const backToBest = (): void => {
    hands.prices.set(best.prices.hands);
    stand.prices.set(best.prices.stand);
    bench.prices.set(best.prices.bench);
    late = best.prices.late;
  };

  /**
   * All wheels on their cheapest ways: what that comes to, and how late they are; null where one
   * has no way.
   */
  const round = (): { value: number; lateMin: number } | null => {
    costWheels(
      problem,
      limits,
      { hands: hands.prices, stand: stand.prices, bench: bench.prices, late },
      horizonMin,
      room,
      at,
    );
    let value = at.cost.doneMin - late * limits.lateMostMin;
    for (const { prices, count, used } of all) {
      used.fill(0);
      for (let t = 0; t <= horizonMin; t++) value -= count[t]! * prices[t]!;
    }
    let lateMin = 0;
    for (let w = 0; w < wheels.length; w++) {
      const { blocks } = wheels[w]!;
      const next = at.next[w]!;
      let t = at.ready[w]!;
      if (next < blocks.length) value += room.least[w]![next]![(t = Math.max(t, first))]!;
      else value += late * lateShare(w, t);
      for (let b = next; b < blocks.length; b++) {
        t = room.start[w]![b]![t]!;
        if (t < 0) return null;
        const { minutes, standMinutes } = blocks[b]!;
        const end = t + minutes;
        mark(hands.used, t, end);
        if (standMinutes > 0) mark(stand.used, end - standMinutes, end);
        if (onBench(blocks[b]!)) mark(bench.used, t, end);
        t = end;
      }
      if (blocks.length > 0) lateMin += lateShare(w, t);
    }
    return { value, lateMin };
  };

  /**
   * The direction of the prices and the farthest step: none if no one is in another's way and
   * nothing is paid for in vain.
   */
  const turned = (lateMin: number): { lateWay: number; length: number } | null => {
    let length = 0;
    let overused = 0;
    for (const { prices, count, used, way } of all) {
      let inUse = 0;
      for (let t = 0; t <= horizonMin; t++) {
        inUse += used[t]!;
        const over = inUse - count[t]!;
        overused += wayOf(prices[t]!, over) ** 2;
        way[t] = wayOf(prices[t]!, (1 - MOMENTUM) * over + MOMENTUM * way[t]!);
        length += way[t]! ** 2;
      }
    }
    const lateWay = hasLate ? wayOf(late, (lateMin - limits.lateMostMin) / LATE_SCALE) : 0;
    overused += lateWay ** 2;
    return overused === 0 ? null : { lateWay, length: Math.max(overused, length + lateWay ** 2) };
  };

  /** Goes on from the best prices; false where a wheel has no way left. */
  const bid = ({ rounds, step: first, aim, enough }: Bidding): boolean => {
    let step = first;
    let stale = 0;
    backToBest();
    for (let n = 0; n < rounds; n++) {
      const found = round();
      if (found === null) return false;
      stale = found.value > best.value + GAIN ? 0 : stale + 1;
      if (found.value > best.value) best = { value: found.value, prices: copied() };
      if (best.value >= enough) return true;
      if (stale > PATIENCE) {
        step *= SHORTER;
        stale = 0;
        backToBest();
        if (step < MIN_STEP) return true;
      }
      const turn = turned(found.lateMin);
      if (turn === null) return true;
      const by = (step * Math.max(1, aim - found.value)) / turn.length;
      for (const { prices, way } of all)
        for (let t = 0; t <= horizonMin; t++) prices[t] = raised(prices[t]!, by * way[t]!);
      late = raised(late, (by * turn.lateWay) / LATE_SCALE);
    }
    return true;
  };
  return { bid, best: () => best };
};
