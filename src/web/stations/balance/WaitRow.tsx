import type { BalanceFormProps } from './balance-form-props';

/** Nothing is advised yet. */
export const WaitRow = ({ beside }: BalanceFormProps) => (
  <div className="flex flex-wrap gap-2">{beside}</div>
);
