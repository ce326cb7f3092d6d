import { text } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import type { SeatingState } from '../seating-state';

/** The end of a try: all air out and the beads broken again. */
interface SeatAgainData {
  why: string;
}

export const seatAgainEntry = defineEntry<
  SeatAgainData,
  Pick<SeatingState, 'seatTries'>,
  Omit<SeatingState, 'seatTries'>
>({
  ...WHEEL_WORK,
  schema: () => ({ why: text(120, 'Reason for another try') }),
  text: ({ why }) => `All air out, started over: ${why}`,
  initial: { seatTries: { ended: 0, from: 0 } },
  apply: ({ seatTries, seatReadings }) => ({
    seatTries: { ended: seatTries.ended + 1, from: seatReadings.length },
    seated: { disc: null, other: null },
    pops: [],
    line: [],
  }),
});
