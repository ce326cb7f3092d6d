import { Button } from '../../parts/Button';
import type { BalanceFormProps } from './balance-form-props';

/**
 * What was seen does not go together, or the shelf has nothing better: the fitter decides how to go
 * on.
 */
export const LookAgain = ({ acts, hand, beside }: BalanceFormProps) => (
  <div className="flex flex-wrap gap-2">
    <Button go onClick={() => hand.begin('weights', null, [])}>
      Enter the weights again
    </Button>
    <Button onClick={acts.beginAnew}>All off, begin anew</Button>
    {beside}
  </div>
);
