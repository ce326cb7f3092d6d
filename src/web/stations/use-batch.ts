import { useState } from 'react';
import { wantsOwnTap, type Step } from '../../core/procedure';
import { useJob } from '../parts/job-context';
import { useApp } from '../store';
import { paceOf } from '../store/prefs-slice';

/** The plain steps of a station that are written all at once. */
export interface Batch {
  steps: readonly Step[];
  /** Those that were tapped out: they are done one by one. */
  left: ReadonlySet<string>;
  toggle(stepId: string): void;
  /** Writes the others as one entry; true once confirmed. */
  write(): Promise<boolean>;
}

/** The batch of these open steps at the pace by station; null at the other pace, or where too few are plain. */
export const useBatch = (open: readonly Step[]): Batch | null => {
  const { write } = useJob();
  const pace = useApp((s) => paceOf(s.prefs));
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const steps = open.filter((s) => !wantsOwnTap(s));
  const stepIds = steps.filter((s) => !left.has(s.id)).map((s) => s.id);
  if (pace !== 'by station' || stepIds.length < 2) return null;
  const toggle = (stepId: string) =>
    setLeft((before) => {
      const after = new Set(before);
      if (!after.delete(stepId)) after.add(stepId);
      return after;
    });
  return { steps, left, toggle, write: () => write([{ kind: 'steps', data: { stepIds } }], 'Done as shown.') };
};
