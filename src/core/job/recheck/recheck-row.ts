import type { Position } from '../../fit/wheels';
import type { Look } from './look';

/** A row of what is to be looked at again, open or closed. */
export interface RecheckRow {
  id: string;
  look: Look;
  what: string;
  /** YYYY-MM-DD. */
  dueOn: string;
  /** The job that asked for it; null where a record did. */
  jobId: string | null;
  jobNumber: number | null;
  wheelId: string | null;
  position: Position | null;
  machineName: string | null;
  rider: string | null;
  /** The wrench or instrument that is calibrated again. */
  tool: { kind: 'wrenches' | 'instruments'; id: string; name: string } | null;
  /**
   * The person, the time and the finding of the look, and whether it was as it should be; null
   * while it is open.
   */
  closed: { at: string; by: string; good: boolean; found: string } | null;
  /** The job with which the wheel came in again before anyone looked. */
  passedBy: number | null;
}
