import { quantity } from '../../base/fields';
import { type BalanceLog, placeWeights, type WeightsData } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe, pieces } from '../entry-fields';

/**
 * The weights that stay on, all others off; `residualG` as calculated then, null before any
 * reading.
 */
export const weightsEntry = defineEntry<WeightsData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({ pieces, residualG: maybe(quantity('g', 0, 1000, 'Left over')) }),
  text: ({ pieces: list }, { pieces }) =>
    list.length === 0 ? 'No weights needed' : `Weights on: ${pieces(list)}`,
  initial: {},
  apply: ({ balance }, { data }) => ({ balance: placeWeights(balance, data) }),
});
