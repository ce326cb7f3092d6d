import { foldJob, entryText, stepsOf, type Entry } from '../../core/job';
import { useApp, useDo } from '../store';
import { selectLog } from '../store/job-selectors';
import { drop, writeAfterAll } from '../store/outbox-sender';
import { needsWord } from '../store/parcel';
import { Button } from './Button';
import { useUnits } from './quantity';

/** What somebody has to say a word on, entry by entry: it is written after all, or dropped. */
export const OutboxBar = ({ jobId }: { jobId: string }) => {
  const dispatch = useDo();
  const { units } = useUnits();
  const outbox = useApp((s) => s.jobs.outbox);
  const log = useApp((s) => selectLog(s, jobId));
  const held = outbox.filter((p) => p.jobId === jobId && needsWord(p));
  if (held.length === 0) return null;
  const words = new Map(stepsOf(foldJob(log)).map((s) => [s.id, s.say]));
  const conflicts = held.filter((p) => p.status === 'conflict');
  return (
    <section
      role="alert"
      aria-label="Not written yet"
      className="no-print mx-4 mb-2 max-h-[40vh] overflow-y-auto border-l-8 border-check bg-paper px-4 py-2 lg:mr-5 lg:ml-0"
    >
      {conflicts.length > 0 && (
        <div className="flex flex-wrap items-center gap-3">
          <p className="min-w-0 flex-1 basis-80 font-bold">
            Somebody else has written to this job. Look at it, then decide{conflicts.length > 1 && ', one by one'}.
          </p>
          {conflicts.length > 1 && (
            <Button small onClick={() => void dispatch(writeAfterAll(conflicts))}>
              Write all {conflicts.length}, in order
            </Button>
          )}
        </div>
      )}
      <ul>
        {held.map((parcel) => (
          <li key={parcel.id} className="flex flex-wrap items-center gap-3 py-1">
            <p className="min-w-0 flex-1 basis-80">
              {parcel.status === 'refused' && <strong>{parcel.why} It is kept here. </strong>}
              {parcel.bodies.map((b) => entryText({ ...b, seq: 0, at: '' } as Entry, units, words)).join('; ')}
            </p>
            <Button go small onClick={() => void dispatch(writeAfterAll([parcel]))}>
              Write it now
            </Button>
            <Button small onClick={() => void dispatch(drop(parcel.id))}>
              Drop it
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
};
