import Joi from 'joi';
import { type LevelTest, sumVectors } from '../../bench/balance';
import { type BalanceLog, observe } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { moved } from '../entry-fields';

/** A check of the weights held at 3 or 9 o’clock, as an earlier version wrote it. */
interface LevelCheckData {
  clock: 3 | 9;
  moved: LevelTest['moved'];
}

export const levelCheckEntry = defineEntry<LevelCheckData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({
    clock: Joi.number()
      .valid(3, 9)
      .required()
      .meta({ expected: 'Choose where it was held: 3 or 9' }),
    moved,
  }),
  text: ({ clock, moved }) => `Held at ${clock} o’clock: ${moved}`,
  initial: {},
  apply: ({ balance }, { data, id }) =>
    // The counterweight was held level, on one side and on the other.
    balance.on.length === 0
      ? {}
      : {
          balance: observe(balance, id, {
            kind: 'level',
            deg: sumVectors(balance.on).deg,
            at: data.clock === 9 ? 'left' : 'right',
            moved: data.moved,
            weights: balance.on,
          }),
        },
});
