import type { Settle } from '../../bench/balance';
import { angle, oneOf, boolean } from '../../base/fields';
import { placeText } from '../../base/units';
import { type BalanceLog, observe, UNBALANCED } from '../balance-log';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device, maybe } from '../entry-fields';

/**
 * The place at which the wheel settled. `from` is the side it was let go from, seen from the disc
 * side, and missing in entries of an earlier version. `turned`: the wheel was turned around on the
 * stand.
 */
interface RestData {
  restDeg: number;
  from?: Settle['from'];
  device?: string | null;
  turned?: boolean;
}

export const restEntry = defineEntry<RestData, { balance: BalanceLog }>({
  ...WHEEL_WORK,
  schema: () => ({
    restDeg: angle('Place at the bottom'),
    from: maybe(oneOf(['left', 'right'], 'Released from')).optional(),
    turned: boolean('Turned around on the stand').optional(),
    device,
  }),
  text: ({ restDeg, from, device, turned }, { by }) =>
    `Settled at ${placeText(restDeg)}${from ? `, released from the ${from}` : ''}${turned ? ', turned around on the stand' : ''}${by(device)}`,
  initial: { balance: UNBALANCED },
  apply: ({ balance }, { data, id }) => {
    const { restDeg, from, turned } = data;
    const hadWeights = balance.on.length > 0 || balance.seen.some((o) => o.weights.length > 0);
    // In an earlier version a rest after weights began a new balancing.
    const before = from === undefined && hadWeights ? UNBALANCED : balance;
    return {
      balance: observe(before, id, {
        kind: 'settle',
        restDeg,
        from: from ?? null,
        ...(turned && { turned }),
        weights: before.on,
      }),
    };
  },
});
