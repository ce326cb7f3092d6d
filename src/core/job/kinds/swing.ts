import Joi from 'joi';
import { type BalanceLog, observe } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The period of one swing there and back. */
interface SwingData {
  periodS: number;
}

export const swingEntry = defineEntry<SwingData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({
    periodS: Joi.number()
      .min(0.2)
      .max(60)
      .required()
      .meta({ expected: 'Enter seconds of one swing there and back, 0.2 to 60' }),
  }),
  text: ({ periodS }) => `One swing there and back takes ${periodS} s`,
  initial: {},
  apply: ({ balance }, { data, id }) => ({
    balance: observe(balance, id, { kind: 'swing', ...data, weights: balance.on }),
  }),
});
