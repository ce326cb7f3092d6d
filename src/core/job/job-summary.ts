import type { Position } from '../fit/wheels';

/** One line of the jobs list, derived from the log. */
export interface JobSummary {
  id: string;
  number: number;
  machineId: string;
  wheelId: string;
  machineName: string;
  wheelPosition: Position;
  rider: string;
  sizeOff: string | null;
  sizeOn: string | null;
  handedOver: boolean;
  /** The person who withdrew proof after it was handed over; null while the release stands. */
  withdrawnBy: string | null;
  /** ISO 8601. */
  openedAt: string;
  lastAt: string;
  lastSeq: number;
}
