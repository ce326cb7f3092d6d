/** Blocks of work that a wheel goes through, in their order. */
export const BLOCKS = ['bare', 'tire', 'back'] as const;
export type BlockName = (typeof BLOCKS)[number];

/**
 * A plan is read and kept in steps of so many minutes, from a mark of the clock on. Basis: memory.
 */
export const PLAN_STEP_MIN = 5;
const STEP_MS = PLAN_STEP_MIN * 60_000;

/** The mark of the clock from which a plan made now begins, ms since the epoch. */
export const planStartMs = (nowMs: number): number => Math.ceil(nowMs / STEP_MS) * STEP_MS;

/** The names of the blocks. */
export const BLOCK_WORDS: Record<BlockName, string> = {
  bare: 'strip to bare wheel',
  tire: 'mount and balance',
  back: 'install, hand over',
};

/** Work of one person without a break. All times in whole minutes from now. */
export interface PlanBlock {
  block: BlockName;
  minutes: number;
  /**
   * So long at its end it holds the stand and the compressor, of which there is one; 0 where it
   * needs none.
   */
  standMinutes: number;
  /** It does not begin before: something has to cool, to warm, or to come. */
  notBeforeMin: number;
  /** A fitter put it here by hand: it stays. */
  fixed: { person: number; startMin: number } | null;
}

export interface PlanWheel {
  id: string;
  visit: number;
  blocks: PlanBlock[];
}

/** A day to plan. `dueMin` of each visit, null where nothing is promised. */
export interface PlanProblem {
  people: number;
  benches: number;
  visits: { dueMin: number | null }[];
  wheels: PlanWheel[];
}

/** A block at its place. */
export interface Placed {
  wheel: number;
  block: number;
  person: number;
  startMin: number;
  endMin: number;
}

/**
 * The cost of a plan, in lexicographic order: promises broken, lateness of all together, completion
 * of all wheels together.
 */
export interface PlanCost {
  broken: number;
  lateMin: number;
  doneMin: number;
}

/** Less than 0 where the first plan is the better one. */
export const compareCosts = (a: PlanCost, b: PlanCost): number =>
  a.broken - b.broken || a.lateMin - b.lateMin || a.doneMin - b.doneMin;

/** Whether a block works on a bench; the wheel that goes back on is at the machine. */
export const onBench = ({ block }: PlanBlock): boolean => block !== 'back';
