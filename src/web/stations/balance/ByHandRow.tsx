import type { ReactNode } from 'react';
import { Button } from '../../parts/Button';
import { BY_HAND, BY_HAND_WORDS, type ByHand } from './doing';
import type { BalanceStep } from './step-of';

interface Props {
  step: BalanceStep;
  onBegin: (doing: ByHand) => void;
  onClear: () => void;
  more: ReactNode;
}

/**
 * The row beside everything that is done at the stand: something else by hand, back to the advice,
 * and more.
 */
export const ByHandRow = ({ step, onBegin, onClear, more }: Props) => (
  <>
    {step.byHand && <Button onClick={onClear}>As advised</Button>}
    <select
      className="field !w-[122px]"
      aria-label="Do something else by hand"
      value=""
      onChange={(e) => onBegin(e.target.value as ByHand)}
    >
      <option value="" disabled>
        By hand
      </option>
      {BY_HAND.filter((d) => d !== step.doing).map((d) => (
        <option key={d} value={d}>
          {BY_HAND_WORDS[d]}
        </option>
      ))}
    </select>
    {more}
  </>
);
