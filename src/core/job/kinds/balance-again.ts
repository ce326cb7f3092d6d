import { text } from '../../base/fields';
import { type BalanceLog, UNBALANCED } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/**
 * A restart: all readings so far are void, because the tire was turned on the rim or another wheel
 * was meant.
 */
interface BalanceAgainData {
  why: string;
}

export const balanceAgainEntry = defineEntry<BalanceAgainData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({ why: text(120, 'Reason for starting over') }),
  text: ({ why }) => `Balancing restarted: ${why}`,
  initial: {},
  apply: () => ({ balance: UNBALANCED }),
});
