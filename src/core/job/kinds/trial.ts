import type { Piece } from '../../bench/balance';
import { type BalanceLog, placeTrial } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { pieces } from '../entry-fields';

/** Trial weights, all others off. */
interface TrialData {
  pieces: Piece[];
}

export const trialEntry = defineEntry<TrialData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({ pieces }),
  text: ({ pieces: list }, { pieces }) =>
    list.length === 0 ? 'All weights off' : `Trial weights: ${pieces(list)}`,
  initial: {},
  apply: ({ balance }, { data }) => ({ balance: placeTrial(balance, data.pieces) }),
});
