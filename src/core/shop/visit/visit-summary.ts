import type { TimeLeft } from '../day';
import type { StationId } from '../../base/stations';
import type { Position } from '../../fit/wheels';

/** The state of a wheel of a visit. */
export interface WheelNow {
  jobId: string;
  wheelId: string;
  position: Position;
  build: string;
  /** Version of its record, with which its picture changes. */
  wheelVersion: number;
  number: number;
  /** New tire size, once it is chosen. */
  sizeOn: string | null;
  /** The pressure that is in its tire out there, once it is set. */
  setKpa: number | null;
  /**
   * Ridden, and its bolts are looked at again once it is cool, ISO 8601; null where nothing cools.
   */
  coolUntil: string | null;
  /** The progress of each station, 0 to 1, in their order. */
  fills: number[];
  /** The station where work goes on; null once the wheel is handed over. */
  station: StationId | null;
  handedOver: boolean;
  /** The person who withdrew proof after it was handed over; null while the release stands. */
  withdrawnBy: string | null;
}

/** A part that is not here: on its way, or not even ordered. */
interface MissingPart {
  jobId: string;
  what: string;
  count: number;
  isOrdered: boolean;
}

/**
 * The input that opens a visit; the ids are of the client's own making, so that it may send again.
 */
export interface OpenVisit {
  id: string;
  machineId: string;
  wheels: { jobId: string; wheelId: string }[];
  who: string;
  wanted: string | null;
  /** ISO 8601. */
  dueAt: string | null;
}

/** One row of the day, derived from the logs. */
export interface VisitSummary {
  id: string;
  machineId: string | null;
  machineName: string;
  rider: string;
  wanted: string;
  /** ISO 8601; null where nothing is promised. */
  dueAt: string | null;
  waits: string | null;
  handedOver: boolean;
  openedAt: string;
  lastAt: string;
  lastSeq: number;
  wheels: WheelNow[];
  /**
   * Days since the machine was handed over, where it has come back soon by the shop's rule; null
   * otherwise.
   */
  backAfterDays: number | null;
  /** Parts that its wheels are waiting for. */
  missing: MissingPart[];
  /** Work that is left on its wheels, one after the other; null once it is handed over. */
  left: TimeLeft | null;
}
