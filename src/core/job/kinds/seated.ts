import { oneOf, boolean } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import type { SeatingState } from '../seating-state';
import { LINE_STEP } from '../steps-done';

/** Whether the bead of one side is seated. */
interface SeatedData {
  side: 'disc' | 'other';
  seated: boolean;
}

export const seatedEntry = defineEntry<SeatedData, Pick<SeatingState, 'seated'>>({
  ...WHEEL_WORK,
  schema: () => ({ side: oneOf(['disc', 'other'], 'Which side'), seated: boolean('Seated') }),
  text: ({ side, seated }) =>
    `${side === 'disc' ? 'Disc side' : 'Other side'}: ${seated ? 'seated' : 'not seated'}`,
  initial: { seated: { disc: null, other: null } },
  apply: ({ seated }, { data }) => ({ seated: { ...seated, [data.side]: data.seated } }),
  steps: (_, { seated }) =>
    seated.disc === true && seated.other === true ? ['seat-pops', LINE_STEP] : [],
});
