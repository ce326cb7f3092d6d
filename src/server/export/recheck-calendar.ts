import { createEvents, type DateArray } from 'ics';
import { foldJob, recheckDates, type Entry, type JobSummary } from '../../core/job';
import { daysAfter } from '../../core/units';
import { POSITION_WORDS } from '../../core/wheels/wheel';

const dateParts = (day: string): DateArray => day.split('-').map(Number) as unknown as DateArray;

/** The rechecks of a job as all-day events, iCalendar (RFC 5545). */
export const recheckCalendar = (job: JobSummary, log: readonly Entry[], now: Date): string => {
  const state = foldJob(log);
  const workDay = (state.handedOver?.at ?? now.toISOString()).slice(0, 10);
  const wheel = POSITION_WORDS[job.wheelPosition].toLowerCase();
  const { error, value } = createEvents(
    recheckDates(state, workDay).map((recheck, i) => ({
      uid: `${job.id}-${i + 1}@rimstone`,
      title: `${recheck.what}: ${wheel}, ${job.machineName}`,
      description: `Job ${job.number}, ${state.rider}`,
      start: dateParts(recheck.onDate),
      end: dateParts(daysAfter(recheck.onDate, 1)),
      productId: 'tough-rimstone',
      calName: `Job ${job.number} rechecks`,
    })),
  );
  if (error || !value) throw error ?? new Error('no calendar was written');
  return value;
};
