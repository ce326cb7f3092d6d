import { dateText, localDayOf } from '../../core/base/units';
import { timeText } from '../parts/moment-text';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import {
  effectiveEntries,
  entryText,
  foldJob,
  stepsOf,
  timesOf,
  STATION_WORDS,
  type Entry,
} from '../../core/job';
import { Button } from '../parts/Button';
import { Frame, Waiting } from '../shared/Frame';
import { momentText } from '../parts/moment-text';
import { durationText } from '../parts/duration-text';
import { NoJob, useOpenJob } from '../shared/use-open-job';
import { OutboxBar } from '../shared/OutboxBar';
import { useUnits } from '../shared/quantity';
import { useApp, useDo } from '../store';
import { selectLog, selectUnsentIds } from '../store/job-selectors';
import { write } from '../store/job-writing';
import { drop } from '../store/outbox-sender';

/** The undo that took each entry away, so that it can be put back. */
const undoneBy = (log: readonly Entry[]): Map<string, string> => {
  const by = new Map<string, string>();
  const undone = new Set<string>();
  for (const e of [...log].reverse()) {
    if (e.kind !== 'undo' || undone.has(e.id)) continue;
    undone.add(e.data.entryId);
    by.set(e.data.entryId, e.id);
  }
  return by;
};

/** Everything ever written into a job, in order; what was undone can be put back. */
export const LogScreen = () => {
  const { id = '' } = useParams();
  const dispatch = useDo();
  const { units } = useUnits();
  const { open, problem } = useOpenJob(id);
  const who = useApp((s) => s.prefs.who);
  const log = useApp((s) => selectLog(s, id));
  const waiting = useApp((s) => selectUnsentIds(s, id));
  const outbox = useApp((s) => s.jobs.outbox);
  const standing = useMemo(() => new Set(effectiveEntries(log).map((e) => e.id)), [log]);
  const words = useMemo(() => new Map(stepsOf(foldJob(log)).map((s) => [s.id, s.say])), [log]);
  const times = useMemo(() => timesOf(log).steps, [log]);
  const undone = useMemo(() => undoneBy(log), [log]);

  if (problem) return <NoJob id={id} problem={problem} />;
  if (!open) return <Waiting what="Loading log" />;
  const putBack = (entry: Entry) =>
    dispatch(
      write(id, entry.station, [{ kind: 'undo', data: { entryId: undone.get(entry.id)! } }]),
    );
  const dropWaiting = (entry: Entry) => {
    const pending = outbox.find((p) => p.bodies.some((b) => b.id === entry.id));
    if (pending) void dispatch(drop(pending.id));
  };
  return (
    <Frame
      title={`Log of job ${open.job.number}`}
      actions={
        <div className="flex gap-3">
          <Link className="btn" to={`/jobs/${id}`}>
            Back to the job
          </Link>
          <a className="btn" href={`/api/jobs/${id}/log.csv`}>
            CSV
          </a>
          <a className="btn" href={`/api/jobs/${id}/file`}>
            Export job
          </a>
        </div>
      }
    >
      <OutboxBar jobId={id} />
      <ol className="rows">
        {log.map((e) => {
          const gone = e.kind !== 'undo' && !standing.has(e.id);
          return (
            <li
              key={e.id}
              className="grid min-h-12 [contain-intrinsic-size:auto_48px] [content-visibility:auto] grid-cols-[44px_1fr] items-center gap-x-4 border-b border-stone3 py-1.5 md:grid-cols-[44px_176px_110px_130px_minmax(0,1fr)_auto]"
            >
              <span className="num text-ink2">{waiting.has(e.id) ? '' : e.seq}</span>
              <time className="num text-[15px] text-ink2" dateTime={e.at}>
                {dateText(localDayOf(new Date(e.at)))} {timeText(new Date(e.at))}
              </time>
              <span className="text-ink2 max-md:col-start-2">{STATION_WORDS[e.station]}</span>
              <span className="truncate text-ink2 max-md:col-start-2">{e.who}</span>
              <span className={`max-md:col-start-2 ${gone ? 'text-ink2 line-through' : ''}`}>
                {entryText(e, units, words)}
                {e.kind === 'step' && !gone && times[e.data.stepId] !== undefined && (
                  <span className="text-ink2"> · {durationText(times[e.data.stepId]!)}</span>
                )}
                {waiting.has(e.id) && <span className="font-semibold text-check"> · unsent</span>}
                {e.arrivedAt && (
                  <span className="text-ink2">
                    {' '}
                    · arrived {momentText(e.arrivedAt, Date.parse(e.at))}
                  </span>
                )}
                {e.kind === 'photo' && !gone && !waiting.has(e.id) && (
                  <>
                    {' '}
                    ·{' '}
                    <a href={`/api/photos/${e.data.photoId}`} target="_blank" rel="noreferrer">
                      see it
                    </a>
                  </>
                )}
                {gone && <span className="sr-only"> (removed)</span>}
              </span>
              {waiting.has(e.id) && (
                <Button
                  small
                  className="max-md:col-start-2 max-md:w-max"
                  onClick={() => dropWaiting(e)}
                >
                  Discard
                </Button>
              )}
              {gone && undone.has(e.id) && (
                <Button
                  small
                  className="max-md:col-start-2 max-md:w-max"
                  disabled={!who}
                  onClick={() => void putBack(e)}
                >
                  Restore
                </Button>
              )}
            </li>
          );
        })}
      </ol>
    </Frame>
  );
};
