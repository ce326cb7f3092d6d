import type { LevelTest, Observation, Piece } from '../bench/balance';

/** The heavy spot by last time’s weights, used as a hint. */
export interface BalanceHintData {
  massG: number;
  deg: number;
  jobId: string;
  onDate: string;
}

/**
 * The weights that stay on, all others off; `residualG` as calculated then, null before any
 * reading.
 */
export interface WeightsData {
  pieces: Piece[];
  residualG: number | null;
}

/**
 * The end of a balancing: the estimate then, and the chance that it is within the shop’s tolerance.
 */
export interface BalancedData {
  heavyMassG: number;
  heavyDeg: number;
  leftG: number;
  leftDeg: number;
  bandG: number;
  chance: number;
}

/** The balancing of a wheel, as its log has it. */
export interface BalanceLog {
  hint: BalanceHintData | null;
  /** The readings since it began, in order, each with the weights that were on. */
  seen: (Observation & { entryId: string })[];
  on: Piece[];
  /** The weights that are on are only a trial. */
  trial: boolean;
  /** The number of times weights were put on. */
  placements: number;
  /** The weights that stay; null before, and while a trial is on. */
  weights: WeightsData | null;
  balanced: BalancedData | null;
}

export const UNBALANCED: BalanceLog = {
  hint: null,
  seen: [],
  on: [],
  trial: false,
  placements: 0,
  weights: null,
  balanced: null,
};

/** The balancing after one more reading. */
export const observe = (log: BalanceLog, entryId: string, seen: Observation): BalanceLog => ({
  ...log,
  seen: [...log.seen, { ...seen, entryId }],
  balanced: null,
});

/** The balancing after trial weights went on, or all came off. */
export const placeTrial = (log: BalanceLog, pieces: Piece[]): BalanceLog => ({
  ...log,
  on: pieces,
  trial: pieces.length > 0,
  placements: log.placements + 1,
  weights: null,
  balanced: null,
});

const isSame = (a: readonly Piece[], b: readonly Piece[]): boolean =>
  a.length === b.length && a.every((p, i) => p.massG === b[i]?.massG && p.deg === b[i]?.deg);

/**
 * The balancing after the weights that stay went on. A trial that becomes permanent is no new
 * placement.
 */
export const placeWeights = (log: BalanceLog, weights: WeightsData): BalanceLog => ({
  ...log,
  on: weights.pieces,
  trial: false,
  placements: log.placements + (log.trial && isSame(log.on, weights.pieces) ? 0 : 1),
  weights,
  balanced: null,
});

/** Level tests of the weights that are on now, the newest last. */
export const testsOfNow = ({ seen, on }: BalanceLog) =>
  seen.filter((o): o is LevelTest & { entryId: string } => o.kind === 'level' && o.weights === on);
