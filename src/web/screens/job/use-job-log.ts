import { useCallback, useRef } from 'react';
import {
  entryText,
  foldJob,
  standingId,
  stepsOf,
  type Entry,
  type EntryKind,
  type StationId,
} from '../../../core/job';
import type { JobAtHand } from '../../shared/job-context';
import { useUnits } from '../../shared/quantity';
import { useApp, useDo } from '../../store';
import { selectLog } from '../../store/job-selectors';
import { isDown, undoLast, write as writeEntries } from '../../store/job-writing';
import { announce } from '../../store/jobs-slice';
import { shopChanged } from '../../store/records-api';

/** The log of a job, and what may be done with it. */
interface JobLog extends Pick<JobAtHand, 'log' | 'write' | 'correcting'> {
  /**
   * Takes the newest entry that stands away; it comes back, or undefined where nothing was undone.
   */
  undo(): Promise<Entry | undefined>;
}

const NOBODY = 'Choose who’s working first: tap the initials, top right.';
const WAITING = 'Offline. Saved here; it will send itself. Keep working.';

/** Writes into a job's log in the name of who is at the bench, and says how it ended. */
export const useJobLog = (jobId: string, station: StationId): JobLog => {
  const dispatch = useDo();
  const { units } = useUnits();
  const who = useApp((s) => s.prefs.who);
  const log = useApp((s) => selectLog(s, jobId));
  const isWaiting = useRef(false);

  const write = useCallback<JobAtHand['write']>(
    async (writings, says, picture) => {
      if (!who) {
        dispatch(announce({ text: `Not saved. ${NOBODY}`, tone: 'stop' }));
        return false;
      }
      const outcome = await dispatch(writeEntries(jobId, station, writings, picture));
      if (outcome === 'written' && says) dispatch(announce({ text: says, tone: 'good' }));
      // Shown once: from then on the mark at the top counts.
      if (outcome === 'waiting' && !isWaiting.current)
        dispatch(announce({ text: WAITING, tone: 'check' }));
      isWaiting.current = outcome === 'waiting';
      return isDown(outcome);
    },
    [dispatch, jobId, station, who],
  );
  const correcting = useCallback(
    (kind: EntryKind) => {
      const replaces = standingId(log, kind);
      return replaces === undefined ? {} : { replaces };
    },
    [log],
  );
  const undo = useCallback(async () => {
    if (!who) {
      dispatch(announce({ text: NOBODY, tone: 'stop' }));
      return undefined;
    }
    const undone = await dispatch(undoLast(jobId, station));
    const words = new Map(stepsOf(foldJob(log)).map((s) => [s.id, s.say]));
    dispatch(
      announce({
        text: undone ? `Undone: ${entryText(undone, units, words)}` : 'Nothing to undo.',
        tone: 'good',
      }),
    );
    // The parts of an undone hand-over are back on the shelf.
    if (undone?.kind === 'handed-over') await dispatch(shopChanged());
    return undone;
  }, [dispatch, jobId, station, log, units, who]);
  return { log, write, correcting, undo };
};
