import type { LinePoint } from '../bench/pressure';

/** A gauge reading while seating. */
export interface SeatReadingData {
  gaugeKpa: number;
  device?: string | null;
}

/** A bead that let go, heard at a pressure. */
export interface PopData {
  gaugeKpa: number;
  device?: string | null;
}

/** The seating of a tire; a new try clears what belongs to the one before. */
export interface SeatingState {
  seatReadings: (SeatReadingData & { at: string; entryId: string })[];
  /** Tries that were ended, and the index of the reading from which the present one counts. */
  seatTries: { ended: number; from: number };
  seated: { disc: boolean | null; other: boolean | null };
  /** Pops of the present try, and the molded line as seen in it. */
  pops: (PopData & { entryId: string })[];
  line: LinePoint[];
}
