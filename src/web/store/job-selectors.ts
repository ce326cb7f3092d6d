import { createSelector } from '@reduxjs/toolkit';
import { foldJob, jobReport, type Entry } from '../../core/job';
import { today, type RootState } from '.';
import type { PendingEntries } from './pending-entries';

const NO_ENTRIES: readonly Entry[] = [];
const NO_PARCELS: readonly PendingEntries[] = [];

/** The confirmed log of a job. */
const selectConfirmed = (state: RootState, id: string): readonly Entry[] =>
  (state.jobs.open[id]?.entries as readonly Entry[] | undefined) ?? NO_ENTRIES;

/**
 * The entries that wait for the server and are sent automatically; not those on their way for the
 * first time.
 */
const selectWaiting = createSelector(
  [
    (state: RootState) => state.jobs.outbox as readonly PendingEntries[],
    (_: RootState, id: string) => id,
  ],
  (outbox, id) => {
    const mine = outbox.filter((p) => p.jobId === id && p.status === 'unsent');
    return mine.length > 0 ? mine : NO_PARCELS;
  },
);

/**
 * The log of a job as this bench has it: what the server confirmed, and behind it what waits for
 * the server.
 */
export const selectLog = createSelector(
  [selectConfirmed, selectWaiting],
  (confirmed, pendingEntries): readonly Entry[] => {
    if (pendingEntries.length === 0) return confirmed;
    const known = new Set(confirmed.map((e) => e.id));
    const lastSeq = confirmed.at(-1)?.seq ?? 0;
    const waiting = pendingEntries
      .filter((p) => !known.has(p.id))
      .flatMap((p) => p.bodies.map((b) => ({ ...b, at: p.writtenAt })));
    return [...confirmed, ...waiting.map((b, i) => ({ ...b, seq: lastSeq + i + 1 }) as Entry)];
  },
);

/** The ids of the entries of a job that wait for the server. */
export const selectUnsentIds = createSelector(
  [selectWaiting],
  (pendingEntries): ReadonlySet<string> =>
    new Set(pendingEntries.flatMap((p) => p.bodies.map((b) => b.id))),
);

/** The state folded from a job's log. */
export const selectJobState = createSelector([selectLog], (log) => foldJob(log));

/** The progress of every station of a job. */
export const selectReport = createSelector([selectJobState], (state) => jobReport(state, today()));
