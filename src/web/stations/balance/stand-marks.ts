import type { BalanceEstimate, Piece } from '../../../core/bench/balance';
import { beliefMark, changeMarks, weightMarks, type BalanceLog } from '../../../core/job';
import type { DialMark } from '../../../core/fit/drawing';
import type { BalanceStep } from './step-of';

/** The facts that the dial shows beside the wheel's own parts. */
interface Told {
  step: BalanceStep;
  balance: Pick<BalanceLog, 'on' | 'trial' | 'seen'>;
  estimate: BalanceEstimate | null;
  /** Own pieces that are being picked. */
  own: readonly Piece[] | null;
  /** The place picked by hand. */
  pickedDeg: number | null;
  /** The heavy place by last time's weights. */
  hintDeg: number | null;
  say(massG: number): string;
}

/** The pieces: those that come off and go on, those being picked, or those that are on. */
const pieceMarks = ({ step, balance, own, say }: Told): DialMark[] => {
  if (step.doing === 'put') return changeMarks(balance.on, step.toPut, say);
  if (step.doing === 'weights' && own) return weightMarks(own, 'trial', say);
  return weightMarks(balance.on, balance.trial ? 'trial' : 'weight', say);
};

/** The place that is held level or was picked, where no piece stands on it already. */
const placeMark = ({ step, own, pickedDeg }: Told): DialMark[] => {
  const levelDeg = step.doing === 'level' && step.byHand ? pickedDeg : step.levelDeg;
  if (levelDeg !== null) return [{ is: 'rest', deg: levelDeg, label: 'hold level' }];
  if (pickedDeg === null || own?.some((p) => p.deg === pickedDeg)) return [];
  return [{ is: 'rest', deg: pickedDeg, label: 'here' }];
};

/** The belief, the weights coming off and going on, and the place at hand, as marks on the dial. */
export const standMarks = (told: Told): DialMark[] => {
  const { balance, estimate, hintDeg, say } = told;
  const isNew = balance.seen.length === 0;
  return [
    ...(estimate && !isNew ? [beliefMark(estimate, say)] : []),
    ...pieceMarks(told),
    ...(hintDeg !== null && isNew
      ? [{ is: 'rest', deg: hintDeg, label: 'last time' } as const]
      : []),
    ...placeMark(told),
  ];
};
