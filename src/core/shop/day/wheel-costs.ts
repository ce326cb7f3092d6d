import { onBench, type PlanBlock, type PlanProblem } from './plan-problem';
import type { PlanLimits } from './plan-limits';
import type { PlanState } from './plan-state';

/** The price of a minute of each scarce thing, minute by minute, and of a minute of lateness. */
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

/** The lateness of a wheel for its visit, as its share of all the visit’s wheels. */
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

/** The cost of each wheel on its own, from each of its blocks and each minute on. */
export interface WheelCosts {
  /**
   * `least[wheel][block][minute]`: the rest of the wheel, begun no sooner; Infinity where it cannot
   * be.
   */
  least: readonly (readonly Float64Array[])[];
  /** When that block begins. */
  start: readonly (readonly Int32Array[])[];
  /** 1 at the minutes at which it may begin. */
  open: readonly (readonly Uint8Array[])[];
}

/** Room for the costs of all wheels, which `costWheels` fills in. */
export const roomForCosts = ({ wheels }: PlanProblem, horizonMin: number): WheelCosts => ({
  least: wheels.map((w) => w.blocks.map(() => new Float64Array(horizonMin + 2))),
  start: wheels.map((w) => w.blocks.map(() => new Int32Array(horizonMin + 2))),
  open: wheels.map((w) => w.blocks.map(() => new Uint8Array(horizonMin + 2).fill(1))),
});

/** The cost of a block that begins at a minute. */
const usedBy = (prices: Prices): ((block: PlanBlock, t: number) => number) => {
  const [hands, stand, bench] = [summed(prices.hands), summed(prices.stand), summed(prices.bench)];
  return (block, t) => {
    const end = t + block.minutes;
    const used = hands[end]! - hands[t]! + stand[end]! - stand[end - block.standMinutes]!;
    return onBench(block) ? used + bench[end]! - bench[t]! : used;
  };
};

/**
 * The cheapest way of every wheel through its blocks at these prices: its end in minutes, what its
 * hands, stand and bench cost, and its lateness. Nothing else is in its way. Written into `room`,
 * minute by minute from the last one back; where `from` is given, only what plans from that state
 * need.
 */
export const costWheels = (
  problem: PlanProblem,
  limits: PlanLimits,
  prices: Prices,
  horizonMin: number,
  room: WheelCosts,
  from: PlanState | null = null,
): void => {
  const used = usedBy(prices);
  const lateShare = lateShareOf(problem, limits);
  const first = from ? Math.min(...from.free) : 0;
  problem.wheels.forEach(({ blocks, visit }, w) => {
    const latestEnd = Math.min(horizonMin, limits.ends[visit]!);
    for (let b = blocks.length - 1; b >= (from?.next[w] ?? 0); b--) {
      const block = blocks[b]!;
      const { minutes } = block;
      const isLast = b === blocks.length - 1;
      const [least, start, open] = [room.least[w]![b]!, room.start[w]![b]!, room.open[w]![b]!];
      const after = isLast ? null : room.least[w]![b + 1]!;
      const since = block.fixed ? block.fixed.startMin : block.notBeforeMin;
      const to = block.fixed ? block.fixed.startMin : latestEnd - minutes;
      least.fill(Infinity);
      start.fill(-1);
      for (let t = Math.min(to, latestEnd - minutes); t >= first; t--) {
        least[t] = least[t + 1]!;
        start[t] = start[t + 1]!;
        if (t < since || open[t] === 0) continue;
        const end = t + minutes;
        const rest = after ? after[end]! : end + prices.late * lateShare(w, end);
        const cost = rest + used(block, t);
        if (cost >= least[t]!) continue;
        least[t] = cost;
        start[t] = t;
      }
    }
  });
};

/**
 * Closes all beginnings with which a wheel, whatever it does before and after, costs more than its
 * cheapest way by more than `spareMin`; says how many. The costs in `room` are those of these
 * prices.
 */
export const closeDearer = (
  problem: PlanProblem,
  limits: PlanLimits,
  prices: Prices,
  horizonMin: number,
  room: WheelCosts,
  spareMin: number,
): number => {
  const used = usedBy(prices);
  const lateShare = lateShareOf(problem, limits);
  let closed = 0;
  problem.wheels.forEach(({ blocks }, w) => {
    if (blocks.length === 0) return;
    const most = room.least[w]![0]![0]! + spareMin;
    // What it costs at least to be done with the blocks before by a minute.
    let before = new Float64Array(horizonMin + 1);
    blocks.forEach((block, b) => {
      const open = room.open[w]![b]!;
      const isLast = b === blocks.length - 1;
      const by = new Float64Array(horizonMin + 1).fill(Infinity);
      for (let end = block.minutes; end <= horizonMin; end++) {
        const t = end - block.minutes;
        const cost = before[t]! + used(block, t);
        const rest = isLast ? end + prices.late * lateShare(w, end) : room.least[w]![b + 1]![end]!;
        if (open[t] === 1 && cost + rest > most) {
          open[t] = 0;
          closed++;
        }
        by[end] = Math.min(end > 0 ? by[end - 1]! : Infinity, open[t] === 1 ? cost : Infinity);
      }
      before = by;
    });
  });
  return closed;
};
