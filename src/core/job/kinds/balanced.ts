import Joi from 'joi';
import { chanceText } from '../../bench/balance';
import { angle, quantity } from '../../base/fields';
import type { BalancedData, BalanceLog } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/**
 * The end of a balancing: the estimate then, and the chance that it is within the shop’s tolerance.
 */
export const balancedEntry = defineEntry<BalancedData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({
    heavyMassG: quantity('g', 0, 2000, 'The heavy spot'),
    heavyDeg: angle('Where it is heavy'),
    leftG: quantity('g', 0, 2000, 'Imbalance left'),
    leftDeg: angle('Where that is heavy'),
    bandG: quantity('g', 0, 50, 'The stand’s dead band'),
    chance: Joi.number().min(0).max(1).required().meta({ expected: 'Enter a number from 0 to 1' }),
  }),
  text: ({ leftG, heavyMassG, chance }, { q }) =>
    `Balanced: ${q(leftG, 'g')} left of ${q(heavyMassG, 'g')}, ${chanceText(chance)} sure it is within tolerance`,
  initial: {},
  apply: ({ balance }, { data }) => ({ balance: { ...balance, balanced: data } }),
});
