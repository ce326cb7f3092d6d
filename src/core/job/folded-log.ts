import type { Entry } from './entries';
import { foldEntries, withNext } from './fold-job';
import { emptyJob, type JobState } from './job-state';
import { isPlain, releaseProof, type ReleaseProof } from './release';
import { timesOf, timesOn, type Times } from './times-of';

/** A log with what it amounts to. */
export interface FoldedLog {
  entries: readonly Entry[];
  state: JobState;
  times: Times;
  /** The proof of its last release; null when it was not released. */
  proof: ReleaseProof | null;
}

export const NO_LOG: FoldedLog = {
  entries: [],
  state: emptyJob(),
  times: timesOf([]),
  proof: null,
};

/**
 * A log that has grown, folded on from what it amounted to: the same as the whole log folded from
 * the start, at the cost of what came. What undoes or corrects an earlier entry is folded from the
 * start.
 */
export const foldedOn = (before: FoldedLog, more: readonly Entry[]): FoldedLog => {
  if (more.length === 0) return before;
  const entries = [...before.entries, ...more];
  const isGrown = more.every(isPlain);
  const state = isGrown ? more.reduce(withNext, before.state) : foldEntries(entries);
  const proof = state.handedOver ? releaseProof(entries, before) : null;
  return {
    entries,
    state: { ...state, withdrawn: proof?.withdrawn ?? null },
    times: isGrown ? timesOn(before.times, entries, more.length) : timesOf(entries),
    proof,
  };
};

/**
 * The state of a job: its standing entries applied in order, and whether its release still stands.
 */
export const foldJob = (log: readonly Entry[]): JobState => foldedOn(NO_LOG, log).state;
