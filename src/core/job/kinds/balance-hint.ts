import { angle, date, quantity } from '../../base/fields';
import { placeText, dateText } from '../../base/units';
import type { BalanceHintData, BalanceLog } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { id } from '../entry-fields';

/** The heavy spot by last time’s weights, used as a hint. */
export const balanceHintEntry = defineEntry<BalanceHintData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({
    massG: quantity('g', 0, 1000, 'The mass'),
    deg: angle('Where'),
    jobId: id,
    onDate: date('The day'),
  }),
  text: ({ massG, deg, onDate }, { q }) =>
    `Last time, ${dateText(onDate)}, heavy by ${q(massG, 'g')} at ${placeText(deg)}: used as a hint`,
  initial: {},
  apply: ({ balance }, { data }) => ({ balance: { ...balance, hint: data } }),
});
