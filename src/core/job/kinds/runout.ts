import { READINGS_FIELD, type RunoutReading } from '../../bench/truing';
import { counted } from '../../base/units';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device } from '../entry-fields';
import { listed, spanOf } from '../entry-words';

/** Runout of the rim, read around it. */
export interface RunoutData {
  readings: RunoutReading[];
  device?: string | null;
}

export const runoutEntry = defineEntry<RunoutData, { runout: RunoutData | null }>({
  ...WHEEL_WORK,
  schema: () => ({ readings: READINGS_FIELD, device }),
  text: ({ readings, device }, say) => {
    const lateral = spanOf(readings, 'lateralMm', say);
    const radial = spanOf(readings, 'radialMm', say);
    const spans = listed([lateral && `${lateral} side to side`, radial && `${radial} up and down`]);
    return `Runout: ${spans || 'no reading'}, at ${counted(readings.length, 'place')}${say.by(device)}`;
  },
  initial: { runout: null },
  apply: (_, { data }) => ({ runout: data }),
  steps: () => ['in-true'],
});
