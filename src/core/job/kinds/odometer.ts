import { quantity } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { ofServer } from '../entry-fields';

/** The reading of the machine’s odometer. */
interface OdometerData {
  km: number;
  of?: string;
}

export const odometerEntry = defineEntry<OdometerData, { odometerKm: number | null }>({
  ...WHEEL_WORK,
  scope: 'machine',
  schema: () => ({ km: quantity('km', 0, 2_000_000, 'Odometer'), of: ofServer }),
  text: ({ km, of }, { q }) =>
    `Odometer: ${q(km, 'km')}${of === undefined ? '' : ', entered at the other wheel'}`,
  initial: { odometerKm: null },
  apply: (_, { data }) => ({ odometerKm: data.km }),
});
