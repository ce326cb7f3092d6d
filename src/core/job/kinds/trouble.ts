import { InputError } from '../../base/errors';
import { oneOf, text } from '../../base/fields';
import { SYMPTOM_WORDS } from '../procedure';
import { type Symptom, SYMPTOMS } from '../procedure/symptoms';
import { isCheckOf } from '../procedure/trouble';
import type { StationId } from '../../base/stations';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { maybe } from '../entry-fields';
import type { SeatingState } from '../seating-state';

/** The trouble, and what fixed it; null when nothing did. */
interface TroubleData {
  symptom: Symptom;
  curedBy: string | null;
}

export const troubleEntry = defineEntry<
  TroubleData,
  { troubles: (TroubleData & { station: StationId; entryId: string })[] },
  Pick<SeatingState, 'seatReadings' | 'seatTries' | 'seated'>
>({
  ...WHEEL_WORK,
  schema: () => ({
    symptom: oneOf(SYMPTOMS, 'What was seen'),
    curedBy: maybe(text(40, 'What fixed it')),
  }),
  check: ({ symptom, curedBy }) => {
    if (curedBy !== null && !isCheckOf(symptom, curedBy))
      throw new InputError(
        'curedBy',
        `${curedBy.slice(0, 30)} is not a check for this trouble.`,
        'Use the ID of one of its checks, or null',
      );
  },
  text: ({ symptom, curedBy }) =>
    `Trouble: ${SYMPTOM_WORDS[symptom].toLowerCase()}${curedBy ? '' : ', not fixed yet'}`,
  initial: { troubles: [] },
  apply: ({ troubles, seatReadings }, { data, station, id }) => ({
    troubles: [...troubles, { ...data, station, entryId: id }],
    // A cause that was found and fixed starts the seating tries over.
    ...(data.symptom === 'not-seating' &&
      data.curedBy !== null && {
        seatTries: { ended: 0, from: seatReadings.length },
        seated: { disc: null, other: null },
      }),
  }),
});
