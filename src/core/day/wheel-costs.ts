import { onBench, type PlanProblem } from './plan-problem';
import type { PlanLimits } from './plan-limits';

/** What a minute of each scarce thing costs, minute by minute, and what a minute of lateness does. */
export interface Prices {
  hands: Float64Array;
  stand: Float64Array;
  bench: Float64Array;
  late: number;
}

/** Prices summed up to each minute, so that a stretch costs one subtraction. */
export const summed = (prices: Float64Array): Float64Array => {
  const sums = new Float64Array(prices.length + 1);
  for (let t = 0; t < prices.length; t++) sums[t + 1] = sums[t]! + prices[t]!;
  return sums;
};

/** How late a wheel is for its visit, as its share of all the visit’s wheels. */
export const lateShareOf = (
  { visits, wheels }: PlanProblem,
  { late }: PlanLimits,
): ((w: number, endMin: number) => number) => {
  const counts = visits.map((_, v) => wheels.filter((w) => w.visit === v).length);
  return (w, endMin) => {
    const { visit } = wheels[w]!;
    return late.includes(visit) ? Math.max(0, endMin - visits[visit]!.dueMin!) / counts[visit]! : 0;
  };
};

/** What each wheel costs on its own, from each of its blocks and each minute on. */
export interface WheelCosts {
  /** `least[wheel][block][minute]`: the rest of the wheel, begun no sooner; Infinity where it cannot be. */
  least: readonly (readonly Float64Array[])[];
  /** When that block begins. */
  start: readonly (readonly Int32Array[])[];
}

/** Room for the costs of all wheels, which `costWheels` fills in. */
export const roomForCosts = ({ wheels }: PlanProblem, horizonMin: number): WheelCosts => ({
  least: wheels.map((w) => w.blocks.map(() => new Float64Array(horizonMin + 2))),
  start: wheels.map((w) => w.blocks.map(() => new Int32Array(horizonMin + 2))),
});

/**
 * The cheapest way of every wheel through its blocks at these prices: its end in minutes, what its hands, stand and bench
 * cost, and its lateness. Nothing else is in its way. Written into `room`, minute by minute from the last one back.
 */
export const costWheels = (
  problem: PlanProblem,
  limits: PlanLimits,
  prices: Prices,
  horizonMin: number,
  room: WheelCosts,
): void => {
  const [hands, stand, bench] = [summed(prices.hands), summed(prices.stand), summed(prices.bench)];
  const lateShare = lateShareOf(problem, limits);
  problem.wheels.forEach(({ blocks, visit }, w) => {
    const latestEnd = Math.min(horizonMin, limits.ends[visit]!);
    for (let b = blocks.length - 1; b >= 0; b--) {
      const block = blocks[b]!;
      const { minutes, standMinutes } = block;
      const isLast = b === blocks.length - 1;
      const [least, start] = [room.least[w]![b]!, room.start[w]![b]!];
      const after = isLast ? null : room.least[w]![b + 1]!;
      const benched = onBench(block);
      const from = block.fixed ? block.fixed.startMin : block.notBeforeMin;
      const to = block.fixed ? block.fixed.startMin : latestEnd - minutes;
      least.fill(Infinity);
      start.fill(-1);
      for (let t = Math.min(to, latestEnd - minutes); t >= 0; t--) {
        least[t] = least[t + 1]!;
        start[t] = start[t + 1]!;
        if (t < from) continue;
        const end = t + minutes;
        const rest = after ? after[end]! : end + prices.late * lateShare(w, end);
        const used = hands[end]! - hands[t]! + stand[end]! - stand[end - standMinutes]!;
        const cost = rest + used + (benched ? bench[end]! - bench[t]! : 0);
        if (cost >= least[t]!) continue;
        least[t] = cost;
        start[t] = t;
      }
    }
  });
};
