import { quantity } from '../../base/fields';
import { SENSOR_READINGS, sensorGap, type SensorReading } from '../leave';
import { counted } from '../../base/units';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe } from '../entry-fields';

/** Wheel sensor gap around its ring. */
interface SensorGapData {
  readings: SensorReading[];
  wantMinMm: number | null;
  wantMaxMm: number | null;
}

/** The readings as the calculator takes them. */
export const sensorInput = ({ readings, wantMinMm, wantMaxMm }: SensorGapData) => ({
  readings,
  ...(wantMinMm === null ? {} : { wantMinMm }),
  ...(wantMaxMm === null ? {} : { wantMaxMm }),
});

export const sensorGapEntry = defineEntry<SensorGapData, { sensorGap: SensorGapData | null }>({
  ...WHEEL_WORK,
  schema: () => ({
    readings: SENSOR_READINGS,
    wantMinMm: maybe(quantity('mm', 0, 5, 'Gap in the manual, min')),
    wantMaxMm: maybe(quantity('mm', 0.05, 10, 'Gap in the manual, max')),
  }),
  check: (data) => void sensorGap.run(sensorInput(data)),
  text: ({ readings }, { q }) => {
    const gaps = readings.map((r) => r.gapMm);
    return `Sensor gap ${q(Math.min(...gaps), 'mm', 2)} to ${q(Math.max(...gaps), 'mm', 2)} at ${counted(gaps.length, 'place')}`;
  },
  initial: { sensorGap: null },
  apply: (_, { data }) => ({ sensorGap: data }),
});
