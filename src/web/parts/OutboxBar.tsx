import { foldJob, entryText, stepsOf, type Entry } from '../../core/job';
import { selectLog, useApp, useDo } from '../store';
import { send } from '../store/job-writing';
import { dropped } from '../store/jobs-slice';
import { Button } from './Button';
import { useUnits } from './quantity';

/** What the server has not taken yet: kept here until the fitter writes it again or drops it. */
export const OutboxBar = ({ jobId }: { jobId: string }) => {
  const dispatch = useDo();
  const { units } = useUnits();
  const outbox = useApp((s) => s.jobs.outbox);
  const log = useApp((s) => selectLog(s, jobId));
  const held = outbox.filter((p) => p.jobId === jobId && p.status !== 'sending');
  if (held.length === 0) return null;
  const words = new Map(stepsOf(foldJob(log)).map((s) => [s.id, s.say]));
  return (
    <div role="alert" className="no-print mx-4 mb-2 space-y-2 lg:mr-5 lg:ml-0">
      {held.map((parcel) => (
        <div key={parcel.id} className="flex flex-wrap items-center gap-3 border-l-8 border-check bg-paper px-4 py-2">
          <p className="min-w-0 flex-1 basis-80">
            <strong>
              {parcel.status === 'refused'
                ? 'Somebody else has written to this job. Look at it, then decide.'
                : `${parcel.why ?? 'Not sent yet.'} Kept here.`}
            </strong>{' '}
            {parcel.bodies.map((b) => entryText({ ...b, seq: 0, at: '' } as Entry, units, words)).join('; ')}
          </p>
          <Button go small onClick={() => void dispatch(send(parcel))}>
            Write it now
          </Button>
          <Button small onClick={() => dispatch(dropped(parcel.id))}>
            Drop it
          </Button>
        </div>
      ))}
    </div>
  );
};
