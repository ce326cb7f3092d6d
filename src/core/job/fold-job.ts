import { definitionOf, type Entry, type EntryKind, type EntryOf } from './entries';
import { emptyJob, type JobState } from './job-state';
import { withSteps } from './steps-done';

/**
 * The entries that stand, in the order they count: undone ones gone, a correction in the place of
 * what it replaces. An undo may itself be undone. Undoing an entry leaves the log as if it had
 * never been written.
 */
export const effectiveEntries = (log: readonly Entry[]): Entry[] => {
  const undone = new Set<string>();
  for (let i = log.length - 1; i >= 0; i--) {
    const entry = log[i]!;
    if (entry.kind === 'undo' && !undone.has(entry.id)) undone.add(entry.data.entryId);
  }
  const standing = log.filter((e) => e.kind !== 'undo' && !undone.has(e.id));
  const present = new Set(standing.map((e) => e.id));
  const replaced = new Set<string>();
  const placeOf = new Map<string, number>();
  for (const entry of standing) {
    const target =
      entry.replaces !== undefined && present.has(entry.replaces) ? entry.replaces : undefined;
    if (target !== undefined) replaced.add(target);
    placeOf.set(entry.id, (target !== undefined ? placeOf.get(target) : undefined) ?? entry.seq);
  }
  return standing
    .filter((e) => !replaced.has(e.id))
    .sort((a, b) => placeOf.get(a.id)! - placeOf.get(b.id)! || a.seq - b.seq);
};

/** The state after an entry, with the steps it checks off by what it says. */
const withEntry = <K extends EntryKind>(state: JobState, entry: EntryOf<K>): JobState => {
  const { apply, steps } = definitionOf(entry.kind);
  const after: JobState = { ...state, ...apply(state, entry) };
  const stepIds = (steps?.(entry.data, after) ?? []).filter((id) => !after.steps[id]);
  return stepIds.length === 0 ? after : { ...after, steps: withSteps(after.steps, stepIds, entry) };
};

/** The state after one more entry that leaves the earlier ones as they stand. */
export const withNext = (state: JobState, entry: Entry): JobState =>
  withEntry<EntryKind>(state, entry);

/**
 * Applies the standing entries of a log in order. Whether a release still stands is up to
 * `foldJob`.
 */
export const foldEntries = (log: readonly Entry[]): JobState =>
  effectiveEntries(log).reduce(withNext, emptyJob());

/**
 * The id of the newest standing entry of a kind, which a correction would replace; undefined when
 * there is none.
 */
export const standingId = (log: readonly Entry[], kind: Entry['kind']): string | undefined =>
  effectiveEntries(log).findLast((e) => e.kind === kind)?.id;
