import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device, gauge } from '../entry-fields';
import type { SeatingState, SeatReadingData } from '../seating-state';

/** A gauge reading while seating. */
export const seatReadingEntry = defineEntry<SeatReadingData, Pick<SeatingState, 'seatReadings'>>({
  ...WHEEL_WORK,
  schema: () => ({ gaugeKpa: gauge, device }),
  text: ({ gaugeKpa, device }, { q, by }) => `Pressure ${q(gaugeKpa, 'kPa')}${by(device)}`,
  initial: { seatReadings: [] },
  apply: ({ seatReadings }, { data, at, id }) => ({
    seatReadings: [...seatReadings, { ...data, at, entryId: id }],
  }),
});
