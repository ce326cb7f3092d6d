import { foldJob, entryText, stepsOf, type Entry } from '../../core/job';
import { useApp, useDo } from '../store';
import { selectLog } from '../store/job-selectors';
import { drop, writeAfterAll } from '../store/outbox-sender';
import { needsWord } from '../store/pending-entries';
import { Button } from '../parts/Button';
import { useUnits } from './quantity';

export { UnsentList } from './UnsentList';

/** Of what is new in the log, so much is shown; the log has all. */
const MAX_NEWS = 4;

/** The entries that need a decision, one by one: written after all, or dropped. */
export const OutboxBar = ({ jobId }: { jobId: string }) => {
  const dispatch = useDo();
  const { units } = useUnits();
  const outbox = useApp((s) => s.jobs.outbox);
  const log = useApp((s) => selectLog(s, jobId));
  const held = outbox.filter((p) => p.jobId === jobId && needsWord(p));
  if (held.length === 0) return null;
  const words = new Map(stepsOf(foldJob(log)).map((s) => [s.id, s.say]));
  const conflicts = held.filter((p) => p.status === 'conflict');
  const said = (entry: Entry): string => entryText(entry, units, words);
  const knownSeq = Math.min(...conflicts.map((p) => p.afterSeq));
  const news = log.filter((e) => e.seq > knownSeq).slice(-MAX_NEWS);
  return (
    <section
      role="alert"
      aria-label="Not sent yet"
      className="no-print mx-4 mb-2 max-h-[40vh] overflow-y-auto border-l-8 border-check bg-paper px-4 py-2 lg:mr-5 lg:ml-0"
    >
      {conflicts.length > 0 && (
        <div className="flex flex-wrap items-center gap-3">
          <p className="min-w-0 flex-1 basis-80 font-bold">
            Someone else changed this job. Review, then send or discard.
          </p>
          {conflicts.length > 1 && (
            <Button small onClick={() => void dispatch(writeAfterAll(conflicts))}>
              Send all {conflicts.length}, in order
            </Button>
          )}
        </div>
      )}
      {news.map((e) => (
        <p key={e.id} className="border-l-4 border-water pl-3 text-[16px]">
          <span className="text-ink2">{e.who}:</span> {said(e)}
        </p>
      ))}
      <ul>
        {held.map((pending) => (
          <li key={pending.id} className="flex flex-wrap items-center gap-3 py-1">
            <p className="min-w-0 flex-1 basis-80">
              {pending.status === 'refused' && (
                <strong>{pending.why} Saved on this device. </strong>
              )}
              {pending.bodies.map((b) => said({ ...b, seq: 0, at: '' } as Entry)).join('; ')}
            </p>
            <Button go small onClick={() => void dispatch(writeAfterAll([pending]))}>
              Send now
            </Button>
            <Button small onClick={() => void dispatch(drop(pending.id))}>
              Discard
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
};
