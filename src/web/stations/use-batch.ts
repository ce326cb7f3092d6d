import { needsOwnTick, type Step } from '../../core/job/procedure';
import { useJob } from '../shared/job-context';
import { useApp } from '../store';
import { paceOf } from '../store/shop-slice';
import type { BatchRow } from './BatchList';
import { useExcludedItems, type ExcludedItems } from './use-excluded-items';
import { useSeenEnd, type SeenEnd } from './use-seen-end';

/**
 * The plain steps of a station that are written all at once; those that were tapped out are done
 * one by one.
 */
export interface Batch extends ExcludedItems, SeenEnd {
  steps: readonly Step[];
  rows: readonly BatchRow[];
  /** Writes the others as one entry, once all were in view; true once confirmed. */
  write(): Promise<boolean>;
}

/**
 * The batch of these open steps at the pace by station; null at the other pace, or if few
 * are plain.
 */
export const useBatch = (open: readonly Step[]): Batch | null => {
  const { write } = useJob();
  const pace = useApp(paceOf);
  const { left, toggle } = useExcludedItems();
  const steps = open.filter((s) => !needsOwnTick(s));
  const seen = useSeenEnd(steps.map((s) => s.id).join());
  const stepIds = steps.filter((s) => !left.has(s.id)).map((s) => s.id);
  if (pace !== 'by station' || stepIds.length < 2) return null;
  const rows = steps.map(({ id, say, caution }) => ({ id, say, mind: caution }));
  return {
    steps,
    rows,
    left,
    toggle,
    ...seen,
    write: async () => {
      if (!seen.wasShown()) return false;
      return write([{ kind: 'steps', data: { stepIds } }], 'Done as shown.');
    },
  };
};
