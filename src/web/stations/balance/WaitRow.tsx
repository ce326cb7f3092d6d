import type { ThingProps } from './balance-form-props';

/** Nothing is advised yet. */
export const WaitRow = ({ beside }: ThingProps) => (
  <div className="flex flex-wrap gap-2">{beside}</div>
);
