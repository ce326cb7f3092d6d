import type { ReactNode, Ref } from 'react';
import type { LevelTest } from '../../../core/bench/balance';
import type { BalanceStep } from './step-of';
import type { AdviceAtHand } from './use-advice';
import type { BalanceActs } from './use-balance-acts';
import type { HandDraft } from './use-hand-draft';

/** The props of each form at the stand. */
export interface BalanceFormProps {
  step: BalanceStep;
  advice: AdviceAtHand;
  hand: HandDraft;
  acts: BalanceActs;
  /** Does what the main button does. */
  onGo: () => void;
  /** Writes down what the place did that is held level. */
  onLevel: (moved: LevelTest['moved']) => void;
  /** The side it was let go from, as the wheel lies, from the draft or as advised. */
  from: 'left' | 'right' | null;
  /** The field that the reading key goes to. */
  readingRef: Ref<HTMLInputElement>;
  /** The buttons that stand beside every one of them. */
  beside: ReactNode;
}
