import { Button } from '../../parts/Button';
import type { Go } from './step-of';
import type { BalanceFormProps } from './balance-form-props';

const WORDS: Partial<Record<Exclude<Go, null>, string>> = {
  'leave for the machine': 'Go to the machine',
  'fix the trial': 'Trial is permanent',
};

/** It is balanced: written down, then on to the machine. */
export const DoneButtons = ({ step, onGo, beside }: BalanceFormProps) => (
  <div className="flex flex-wrap gap-2">
    <Button go hotkey="N" onClick={onGo}>
      {(step.go && WORDS[step.go]) ?? 'Save'}
    </Button>
    {beside}
  </div>
);
