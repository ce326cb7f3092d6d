import { defineEntry, WHEEL_WORK } from '../define-entry';
import { device, gauge } from '../entry-fields';
import type { PopData, SeatingState } from '../seating-state';

/** A bead that let go, heard at a pressure. */
export const popEntry = defineEntry<PopData, Pick<SeatingState, 'pops'>>({
  ...WHEEL_WORK,
  schema: () => ({ gaugeKpa: gauge, device }),
  text: ({ gaugeKpa, device }, { q, by }) => `A bead popped at ${q(gaugeKpa, 'kPa')}${by(device)}`,
  initial: { pops: [] },
  apply: ({ pops }, { data, id }) => ({ pops: [...pops, { ...data, entryId: id }] }),
});
