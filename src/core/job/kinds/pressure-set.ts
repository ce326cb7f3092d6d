import { quantity, record, text } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { altitude, device, gauge, maybe } from '../entry-fields';

/**
 * The pressure a tire was set to: `gaugeKpa` is what the gauge showed, `rideKpa` the cold riding
 * pressure it was set for.
 */
interface PressureSetData {
  gaugeKpa: number;
  shopC: number;
  rideC: number;
  rideKpa: number;
  shopM?: number;
  rideM?: number;
  /** The gauge, by the name of its record or of the instrument that spoke. */
  gauge?: string | null;
  thermometer?: string | null;
  second?: { gauge: string; gaugeKpa: number } | null;
}

/** Values of fields that an earlier version did not write. */
const EARLIER = { shopM: 0, rideM: 0, gauge: null, thermometer: null, second: null } as const;

export const pressureSetEntry = defineEntry<
  PressureSetData,
  { pressureSet: Required<PressureSetData> | null }
>({
  ...WHEEL_WORK,
  schema: () => ({
    gaugeKpa: gauge,
    shopC: quantity('C', -60, 60, 'Shop temperature'),
    rideC: quantity('C', -60, 60, 'Riding temperature'),
    rideKpa: gauge,
    shopM: altitude,
    rideM: altitude,
    gauge: device,
    thermometer: device,
    second: maybe(
      record({ gauge: text(40, 'The second gauge'), gaugeKpa: gauge }, 'A second gauge'),
    )
      .optional()
      .default(null),
  }),
  text: ({ gaugeKpa, shopC, rideC, rideKpa, shopM = 0, rideM = 0, gauge, second }, { q, by }) => {
    const up = (m: number) => (shopM === rideM ? '' : `, ${q(m, 'm')} up`);
    const here = `Set to ${q(gaugeKpa, 'kPa')}${by(gauge)} at ${q(shopC, 'C')}${up(shopM)}`;
    const there = `for ${q(rideKpa, 'kPa')} at ${q(rideC, 'C')}${up(rideM)}`;
    return `${here}, ${there}${second ? `; ${second.gauge} read ${q(second.gaugeKpa, 'kPa')}` : ''}`;
  },
  initial: { pressureSet: null },
  apply: (_, { data }) => ({ pressureSet: { ...EARLIER, ...data } }),
  steps: () => ['set-pressure'],
});
