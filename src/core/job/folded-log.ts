import type { Entry } from './entries';
import { emptyJob, withItsSteps, type JobState } from './fold-job';
import { foldJob, withdrawnProof } from './release';
import { timesOf, timesOn, type Times } from './times-of';

/** A log with what it amounts to. */
export interface FoldedLog {
  entries: readonly Entry[];
  state: JobState;
  times: Times;
}

export const NO_LOG: FoldedLog = { entries: [], state: emptyJob(), times: timesOf([]) };

/**
 * A log that has grown, folded on from what it amounted to: the same as the whole log folded anew, at the cost of what
 * came. What undoes or corrects an earlier entry is folded anew.
 */
export const foldedOn = (before: FoldedLog, more: readonly Entry[]): FoldedLog => {
  if (more.length === 0) return before;
  const entries = [...before.entries, ...more];
  const isPlain = more.every((e) => e.kind !== 'undo' && e.replaces === undefined);
  if (!isPlain) return { entries, state: foldJob(entries), times: timesOf(entries) };
  const state = more.reduce(withItsSteps, before.state);
  return {
    entries,
    state: state.handedOver ? { ...state, withdrawn: withdrawnProof(entries) } : state,
    times: timesOn(before.times, entries, more.length),
  };
};
