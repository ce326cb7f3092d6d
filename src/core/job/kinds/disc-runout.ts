import { discRunout } from '../../bench/brake';
import { quantity } from '../../base/fields';
import { READINGS_FIELD, type RunoutReading } from '../../bench/truing';
import { counted } from '../../base/units';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device, maybe } from '../entry-fields';
import { spanOf } from '../entry-words';

/** Lateral runout of the brake disc. */
interface DiscRunoutData {
  readings: RunoutReading[];
  limitMm: number | null;
  device?: string | null;
}

export const discRunoutEntry = defineEntry<DiscRunoutData, { discRunout: DiscRunoutData | null }>({
  ...WHEEL_WORK,
  schema: () => ({
    readings: READINGS_FIELD,
    limitMm: maybe(quantity('mm', 0.02, 2, 'Limit in the manual')),
    device,
  }),
  check: ({ readings }) => void discRunout.run({ readings }),
  text: ({ readings, device }, say) =>
    `Brake disc runout: ${spanOf(readings, 'lateralMm', say, 2) ?? 'no reading'}, at ${counted(readings.length, 'place')}${say.by(device)}`,
  initial: { discRunout: null },
  apply: (_, { data }) => ({ discRunout: data }),
});
