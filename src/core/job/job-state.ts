import { KINDS } from './kinds';
import type { KindState } from './entries';
import type { WithdrawnProof } from './withdrawn-proof';

/** The state of a job: a pure function of the entries that stand. */
export interface JobState extends KindState {
  /** Proof that was withdrawn since the hand-over; null while the release stands. */
  withdrawn: WithdrawnProof | null;
}

/** A job without entries: the initial values of every kind. */
export const emptyJob = (): JobState => {
  const initials = Object.values(KINDS).map((kind) => kind.initial);
  return { ...(Object.assign({}, ...initials) as KindState), withdrawn: null };
};
