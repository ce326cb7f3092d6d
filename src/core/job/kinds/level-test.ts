import { levelHour, type LevelTest } from '../../bench/balance';
import { angle, oneOf } from '../../base/fields';
import { placeText } from '../../base/units';
import { type BalanceLog, observe } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe, moved } from '../entry-fields';

/**
 * A level test. `at` is the side it was held on, seen from the disc side, and missing in entries of
 * an earlier version.
 */
interface LevelTestData {
  deg: number;
  moved: LevelTest['moved'];
  at?: LevelTest['at'];
}

export const levelTestEntry = defineEntry<LevelTestData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({
    deg: angle('Place held level'),
    moved,
    at: maybe(oneOf(['left', 'right'], 'Held at 9 o’clock (left) or 3 o’clock (right)')).optional(),
  }),
  text: ({ deg, moved, at }) =>
    `${placeText(deg)} held level${at ? ` at ${levelHour(at)}` : ''}: ${moved}`,
  initial: {},
  apply: ({ balance }, { data, id }) => ({
    balance: observe(balance, id, { kind: 'level', ...data, weights: balance.on }),
  }),
});
