import type { BalanceAdvice, BalancePlacement, Piece } from '../../../core/bench/balance';
import type { BalanceLog } from '../../../core/job';
import type { ByHand, Doing } from './doing';

/**
 * The effect of the main button and its key at a step; null if they wait or if a reading has
 * buttons of its own.
 */
export type Go =
  | 'take the rest'
  | 'keep own pieces'
  | 'put trial on'
  | 'put pieces on'
  | 'fix the trial'
  | 'write the end'
  | 'leave for the machine'
  | null;

/** The thing to do at the stand now. */
export interface BalanceStep {
  doing: Doing;
  /** The fitter chose it; what is advised stands back. */
  byHand: boolean;
  /** The place that the advice wants held level; null where it wants none. */
  levelDeg: number | null;
  /** The side that it wants it held on, as seen from the disc side; null where it wants none. */
  levelAt: 'left' | 'right' | null;
  /** It wants the wheel turned around on the stand. */
  turned: boolean;
  /** The pieces that the advice wants on, all others off. */
  toPut: readonly Piece[];
  go: Go;
}

/** The facts that the step follows from. */
export interface StepTold {
  hand: ByHand | null;
  balance: Pick<BalanceLog, 'balanced' | 'trial' | 'seen'>;
  advice: BalanceAdvice | null;
  /** The pieces found for an advised end. */
  placed: BalancePlacement | null;
  /** The advice is of the question before. */
  busy: boolean;
}

/** The way each advice is done. */
const DONE_BY: Record<BalanceAdvice['do'], Doing> = {
  settle: 'settle',
  spin: 'machine',
  level: 'level',
  trial: 'put',
  final: 'put',
  done: 'done',
  look: 'look',
};

const doingOf = ({ hand, balance, advice }: StepTold): Doing => {
  if (hand) return hand;
  if (balance.balanced) return 'done';
  if (advice) return DONE_BY[advice.do];
  return balance.seen.length > 0 ? 'wait' : 'settle';
};

const goOf = (doing: Doing, { balance, advice, busy }: StepTold): Go => {
  if (doing === 'settle') return 'take the rest';
  if (doing === 'weights') return 'keep own pieces';
  if (doing === 'done' && balance.balanced) return 'leave for the machine';
  // Pressed twice, it is done once: what comes next is not worked out yet.
  if (busy) return null;
  if (doing === 'put') return advice?.do === 'trial' ? 'put trial on' : 'put pieces on';
  if (doing === 'done') return balance.trial ? 'fix the trial' : 'write the end';
  return null;
};

/** The step at hand: what the fitter chose, else what is advised, else to let it settle. */
export const stepOf = (told: StepTold): BalanceStep => {
  const { hand, advice, placed } = told;
  const doing = doingOf(told);
  const level = hand === null && advice?.do === 'level' ? advice : null;
  return {
    doing,
    byHand: hand !== null,
    levelDeg: level === null ? null : Math.round(level.deg) % 360,
    levelAt: level?.at ?? null,
    turned: hand === null && advice?.do === 'settle' && advice.turned === true,
    toPut: advice?.do === 'final' && placed ? placed.pieces : (advice?.place ?? []),
    go: goOf(doing, told),
  };
};
