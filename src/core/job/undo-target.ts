import { effectiveEntries } from './fold-job';
import type { Entry, EntryKind } from './entries';

/** Entries that a job cannot be without. */
const FIXED: readonly EntryKind[] = ['opened', 'rules'];

/** The last written entry that still stands and can be undone, or undefined. */
export const undoTarget = (log: readonly Entry[]): Entry | undefined =>
  effectiveEntries(log)
    .filter((e) => !FIXED.includes(e.kind))
    .reduce<Entry | undefined>((last, e) => (!last || e.seq > last.seq ? e : last), undefined);
