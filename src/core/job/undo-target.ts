import { effectiveEntries } from './fold-job';
import { definitionOf, type Entry } from './entries';

/** The last written entry that still stands and can be undone, or undefined. */
export const undoTarget = (log: readonly Entry[]): Entry | undefined =>
  effectiveEntries(log)
    .filter((e) => definitionOf(e.kind).author !== 'server')
    .reduce<Entry | undefined>((last, e) => (!last || e.seq > last.seq ? e : last), undefined);
