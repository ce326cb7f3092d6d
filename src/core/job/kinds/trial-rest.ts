import { angle } from '../../base/fields';
import { placeText } from '../../base/units';
import { type BalanceLog, observe } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { mass } from '../entry-fields';

/** A trial weight with its rest, as an earlier version wrote it. */
interface TrialRestData {
  trialMassG: number;
  trialDeg: number;
  restDeg: number;
}

export const trialRestEntry = defineEntry<TrialRestData, object, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({
    trialMassG: mass,
    trialDeg: angle('Place of the trial weight'),
    restDeg: angle('Place at the bottom'),
  }),
  text: ({ trialMassG, trialDeg, restDeg }, { q }) =>
    `With ${q(trialMassG, 'g')} at ${placeText(trialDeg)} settles at ${placeText(restDeg)}`,
  initial: {},
  apply: ({ balance }, { data, id }) => {
    const { trialMassG, trialDeg, restDeg } = data;
    const weights = [{ massG: trialMassG, deg: trialDeg }];
    return {
      balance: {
        ...observe(balance, id, { kind: 'settle', restDeg, from: null, weights }),
        on: [],
        trial: false,
        placements: balance.placements + 1,
        weights: null,
      },
    };
  },
});
