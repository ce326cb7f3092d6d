import { entryText, foldJob, stepsOf, type Entry } from '../../core/job';
import { useApp, useDo } from '../store';
import { drop } from '../store/outbox-sender';
import type { PendingEntries } from '../store/pending-entries';
import { Button } from '../parts/Button';
import { useUnits } from './quantity';

/**
 * Every waiting entry with a way to discard it: nothing waits forever against the fitter's will.
 */
export const UnsentList = ({ pendingEntries }: { pendingEntries: readonly PendingEntries[] }) => {
  const dispatch = useDo();
  const { units } = useUnits();
  const open = useApp((s) => s.jobs.open);
  /** The steps of a job in words; by their names if this page has not opened the job. */
  const wordsOf = (jobId: string): ReadonlyMap<string, string> => {
    const log = open[jobId]?.entries;
    return new Map(log ? stepsOf(foldJob(log as Entry[])).map((s) => [s.id, s.say]) : []);
  };
  return (
    <ul className="max-h-[40vh] overflow-y-auto" aria-label="Unsent entries">
      {pendingEntries.map((pending) => {
        const words = wordsOf(pending.jobId);
        const text = pending.bodies
          .map((b) => entryText({ ...b, seq: 0, at: '' } as Entry, units, words))
          .join('; ');
        return (
          <li key={pending.id} className="flex items-center gap-3 border-t border-stone3 py-1">
            <span className="min-w-0 flex-1">{text}</span>
            <Button
              small
              aria-label={`Discard: ${text}`}
              onClick={() => void dispatch(drop(pending.id))}
            >
              Discard
            </Button>
          </li>
        );
      })}
    </ul>
  );
};
