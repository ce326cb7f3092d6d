import type { PointReport } from './leave';

/** A release that no longer stands: proof it rested on was withdrawn afterward. */
export interface WithdrawnProof {
  /** The person who withdrew it, and when, ISO 8601. */
  who: string;
  at: string;
  /** The safety checks that were on record at the release and are not anymore. */
  points: PointReport[];
}
