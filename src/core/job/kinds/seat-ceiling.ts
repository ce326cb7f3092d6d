import { RAISED_FIELDS, type RaisedCeiling } from '../../bench/pressure';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The higher seating ceiling of another method, for this job. */
type SeatCeilingData = RaisedCeiling;

export const seatCeilingEntry = defineEntry<SeatCeilingData, { raised: SeatCeilingData | null }>({
  ...WHEEL_WORK,
  schema: () => RAISED_FIELDS,
  text: ({ ceilingKpa, by, why }, { q }) =>
    `Seating ceiling raised to ${q(ceilingKpa, 'kPa')} by ${by}: ${why}`,
  initial: { raised: null },
  apply: (_, { data }) => ({ raised: data }),
});
