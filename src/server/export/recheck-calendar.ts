import { foldJob, recheckDates, type Entry, type JobSummary } from '../../core/job';
import type { RecheckRow } from '../../core/job/recheck';
import { POSITION_WORDS } from '../../core/fit/wheels';
import { recheckId } from '../db/recheck-store';
import { calendarOf } from './calendar';

/** The rechecks of a job as all-day events, iCalendar (RFC 5545). */
export const recheckCalendar = (job: JobSummary, log: readonly Entry[], now: Date): string => {
  const state = foldJob(log);
  const workDay = (state.handedOver?.at ?? now.toISOString()).slice(0, 10);
  const wheel = POSITION_WORDS[job.wheelPosition].toLowerCase();
  return calendarOf(
    `Job ${job.number} rechecks`,
    recheckDates(state, workDay).map(({ what, onDate }) => ({
      uid: recheckId(`job ${job.id}`, what),
      title: `${what}: ${wheel}, ${job.machineName}`,
      description: `Job ${job.number}, ${state.rider}`,
      onDate,
    })),
  );
};

/** Everything that is still to be looked at, for a calendar program that asks again and again. */
export const allRechecks = (rows: readonly RecheckRow[], shopName: string): string =>
  calendarOf(
    `Recheck, ${shopName}`,
    rows.map((r) => {
      const wheel = r.position === null ? '' : `${POSITION_WORDS[r.position].toLowerCase()}, `;
      return {
        uid: r.id,
        title: `${r.what}: ${r.tool ? r.tool.name : `${wheel}${r.machineName}`}`,
        description: [r.jobNumber === null ? '' : `Job ${r.jobNumber}`, r.rider ?? '']
          .filter(Boolean)
          .join(', '),
        onDate: r.dueOn,
      };
    }),
  );
