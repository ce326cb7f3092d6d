import { createAsyncThunk, nanoid } from '@reduxjs/toolkit';
import {
  undoTarget,
  type Entry,
  type EntryBody,
  type EntryData,
  type EntryKind,
  type StationId,
} from '../../core/job';
import type { AppDispatch, RootState } from '.';
import { selectLog } from './job-selectors';
import { api } from './api';
import { jobRead, posted } from './jobs-slice';
import { sendPosted, type Outcome } from './outbox-sender';
import { keepParcel } from './outbox-store';
import { waitingPhoto, type PendingEntries } from './pending-entries';

/** Opens a job for a wheel and returns its id. Throws `ApiError`. */
export const openJob = createAsyncThunk<
  string,
  { machineId: string; wheelId: string },
  { state: RootState; dispatch: AppDispatch }
>('jobs/open', async (wheel, { getState, dispatch }) => {
  const answer = await api.openJob({ id: nanoid(), ...wheel, who: getState().prefs.who });
  dispatch(jobRead(answer));
  return answer.job.id;
});

/** One thing to write into a log. */
export type Writing = {
  [K in EntryKind]: { kind: K; data: EntryData[K]; replaces?: string };
}[EntryKind];

/** The writes on their way for the first time: pressed again meanwhile it is still one write. */
const underWay = new Map<string, Promise<Outcome>>();

const post =
  (pending: PendingEntries, picture?: Blob) =>
  async (dispatch: AppDispatch): Promise<Outcome> => {
    const isKept = await keepParcel(pending, picture);
    dispatch(posted({ ...pending, isKept }));
    return dispatch(sendPosted(pending));
  };

/**
 * Appends to a job's log, all or nothing. A `picture` goes before it: the entry of kind `photo`
 * names it then.
 */
export const write =
  (jobId: string, station: StationId, writings: Writing[], picture?: Blob) =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<Outcome> => {
    const { who } = getState().prefs;
    const pressed = JSON.stringify([jobId, station, who, writings, picture?.size]);
    const before = underWay.get(pressed);
    if (before) return before;
    const id = nanoid();
    const job = getState().jobs.open[jobId];
    const bodies = writings.map(
      (w, i) =>
        ({
          ...w,
          ...(picture && w.kind === 'photo'
            ? { data: { ...w.data, photoId: waitingPhoto(id) } }
            : {}),
          id: i === 0 ? id : nanoid(),
          who,
          station,
        }) as EntryBody<EntryKind>,
    );
    const pending: PendingEntries = {
      id,
      jobId,
      jobNumber: job?.job.number ?? null,
      afterSeq: job?.entries.at(-1)?.seq ?? 0,
      bodies,
      writtenAt: new Date().toISOString(),
      status: 'sending',
      hasPicture: picture !== undefined,
    };
    const outcome = dispatch(post(pending, picture));
    underWay.set(pressed, outcome);
    void outcome.finally(() => underWay.delete(pressed));
    return outcome;
  };

/**
 * Undoes the last thing written that still stands. Returns it, or undefined when there is nothing.
 */
export const undoLast =
  (jobId: string, station: StationId) =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<Entry | undefined> => {
    const target = undoTarget(selectLog(getState(), jobId));
    if (!target) return undefined;
    const outcome = await dispatch(
      write(jobId, station, [{ kind: 'undo', data: { entryId: target.id } }]),
    );
    return isDown(outcome) ? target : undefined;
  };

/** It counts at this bench: the server has it, or it is kept and goes there by itself. */
export const isDown = (outcome: Outcome): boolean => outcome === 'written' || outcome === 'waiting';
