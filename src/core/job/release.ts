import type { PointReport, SafetyPoint } from './leave';
import { readyOf } from './back-of';
import { definitionOf, type Entry } from './entries';
import { effectiveEntries, foldEntries, withNext } from './fold-job';
import type { JobState } from './job-state';
import type { WithdrawnProof } from './withdrawn-proof';

/** The proof of the last standing release of a log. */
export interface ReleaseProof {
  /** The id of its entry. */
  releaseId: string;
  /** Safety checks that were open when it was made, and accepted. */
  accepted: readonly SafetyPoint[];
  /** Null while it stands. */
  withdrawn: WithdrawnProof | null;
}

/** A log up to some entry, what it amounts to, and what its release rests on. */
interface Checked {
  entries: readonly Entry[];
  state: JobState;
  proof: ReleaseProof | null;
}

/** Whether an entry leaves all before it as they stand, so that a log is folded on by it. */
export const isPlain = (entry: Entry): boolean =>
  entry.kind !== 'undo' && entry.replaces === undefined;

const missingOf = (state: JobState): PointReport[] => readyOf(state).result.missing;

/**
 * The first entry from `from` on after which a check is open that was not accepted; `state` is that
 * of the log before it.
 */
const firstWithdrawal = (
  log: readonly Entry[],
  from: number,
  state: JobState,
  accepted: readonly SafetyPoint[],
): WithdrawnProof | null => {
  let now = state;
  for (let i = from; i < log.length; i++) {
    const entry = log[i]!;
    now = isPlain(entry) ? withNext(now, entry) : foldEntries(log.slice(0, i + 1));
    if (!definitionOf(entry.kind).isProof) continue;
    const points = missingOf(now).filter((p) => !accepted.includes(p.point));
    if (points.length > 0) return { who: entry.who, at: entry.at, points };
  }
  return null;
};

/** The id of the last release that stands, by what was known of the log before it grew. */
const releaseIdOf = (log: readonly Entry[], before: Checked): string | undefined => {
  const more = log.slice(before.entries.length);
  if (!more.every(isPlain))
    return effectiveEntries(log).findLast((e) => e.kind === 'handed-over')?.id;
  return more.findLast((e) => e.kind === 'handed-over')?.id ?? before.proof?.releaseId;
};

/**
 * The proof of the last standing release of a log; null when there is none. `before` is the same
 * for a beginning of the log: what was found there stays, so that a log that grows costs what came.
 *
 * The log is replayed from the release on, entry by entry. Proof entered again after it was
 * withdrawn does not restore the release: a person has to look and release again.
 */
export const releaseProof = (log: readonly Entry[], before: Checked): ReleaseProof | null => {
  const releaseId = releaseIdOf(log, before);
  if (releaseId === undefined) return null;
  if (before.proof?.releaseId === releaseId) {
    const { accepted, withdrawn } = before.proof;
    const found = withdrawn ?? firstWithdrawal(log, before.entries.length, before.state, accepted);
    return { releaseId, accepted, withdrawn: found };
  }
  const from = log.findIndex((e) => e.id === releaseId) + 1;
  const atRelease = foldEntries(log.slice(0, from));
  const accepted = missingOf(atRelease).map((p) => p.point);
  return { releaseId, accepted, withdrawn: firstWithdrawal(log, from, atRelease, accepted) };
};
