import { quantity } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The load the wheel is fitted for. */
interface LoadData {
  riderKg: number;
  passengerKg: number;
  luggageKg: number;
}

export const loadEntry = defineEntry<LoadData, { load: LoadData | null }>({
  ...WHEEL_WORK,
  schema: () => ({
    riderKg: quantity('kg', 0, 300, 'Rider with gear'),
    passengerKg: quantity('kg', 0, 300, 'Passenger with gear'),
    luggageKg: quantity('kg', 0, 500, 'Luggage'),
  }),
  text: ({ riderKg, passengerKg, luggageKg }, { q }) =>
    `Load: rider ${q(riderKg, 'kg')}, passenger ${q(passengerKg, 'kg')}, luggage ${q(luggageKg, 'kg')}`,
  initial: { load: null },
  apply: (_, { data }) => ({ load: data }),
});
