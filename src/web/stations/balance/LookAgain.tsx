import { Button } from '../../parts/Button';
import type { BalanceFormProps } from './balance-form-props';

/** A contradiction, or nothing better on the shelf: the fitter decides how to go on. */
export const LookAgain = ({ acts, hand, beside }: BalanceFormProps) => (
  <div className="flex flex-wrap gap-2">
    <Button go onClick={() => hand.begin('weights', null, [])}>
      Enter the weights again
    </Button>
    <Button onClick={acts.beginAnew}>All off, start over</Button>
    {beside}
  </div>
);
