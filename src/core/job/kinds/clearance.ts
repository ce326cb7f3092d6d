import { oneOf, quantity, text } from '../../base/fields';
import { CLEARANCE_PLACES, type ClearancePlace, PLACE_WORDS } from '../../fit/tires';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** Clearance around the tire at one place. */
interface ClearanceData {
  place: ClearancePlace;
  mm: number;
  load: string;
}

export const clearanceEntry = defineEntry<ClearanceData, { clearances: ClearanceData[] }>({
  ...WHEEL_WORK,
  schema: () => ({
    place: oneOf(CLEARANCE_PLACES, 'Place measured'),
    mm: quantity('mm', 0, 1000, 'Clearance'),
    load: text(60, 'How the machine is loaded'),
  }),
  text: ({ place, mm, load }, { q }) => `Clearance ${PLACE_WORDS[place]}: ${q(mm, 'mm')}, ${load}`,
  initial: { clearances: [] },
  apply: ({ clearances }, { data }) => ({
    clearances: [...clearances.filter((c) => c.place !== data.place), data],
  }),
});
