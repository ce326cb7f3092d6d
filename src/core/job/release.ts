import type { PointReport, SafetyPoint } from '../leave';
import { readyOf } from './back-of';
import type { Entry, EntryKind } from './entries';
import { effectiveEntries, foldEntries, type JobState } from './fold-job';

/** A release that no longer stands: proof it rested on was withdrawn afterward. */
export interface WithdrawnProof {
  /** The person who withdrew it, and when, ISO 8601. */
  who: string;
  at: string;
  /** The safety checks that were on record at the release and are not anymore. */
  points: PointReport[];
}

/** Kinds that no safety check rests on. */
const PROVE_NOTHING: readonly EntryKind[] = ['note', 'photo', 'recheck', 'looked-again'];

const missingOf = (state: JobState): PointReport[] => readyOf(state).result.missing;

/**
 * The first entry after the last standing release that takes away proof it rested on; null when the release stands or
 * there is none.
 *
 * Replays the log from the release on, entry by entry. Proof entered again afterward does not restore the release: a
 * person has to look and release again.
 */
export const withdrawnProof = (log: readonly Entry[]): WithdrawnProof | null => {
  const release = effectiveEntries(log).findLast((e) => e.kind === 'handed-over');
  if (!release) return null;
  const from = log.findIndex((e) => e.id === release.id) + 1;
  const after = log.slice(from);
  if (after.every((e) => PROVE_NOTHING.includes(e.kind))) return null;
  const accepted = new Set<SafetyPoint>(
    missingOf(foldEntries(log.slice(0, from))).map((p) => p.point),
  );
  for (const [i, entry] of after.entries()) {
    if (PROVE_NOTHING.includes(entry.kind)) continue;
    const points = missingOf(foldEntries(log.slice(0, from + i + 1))).filter(
      (p) => !accepted.has(p.point),
    );
    if (points.length > 0) return { who: entry.who, at: entry.at, points };
  }
  return null;
};

/** The state of a job: its standing entries applied in order, and whether its release still stands. */
export const foldJob = (log: readonly Entry[]): JobState => {
  const state = foldEntries(log);
  return state.handedOver ? { ...state, withdrawn: withdrawnProof(log) } : state;
};
