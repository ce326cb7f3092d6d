import { createAsyncThunk, nanoid } from '@reduxjs/toolkit';
import { refusalText } from '../../core/errors';
import { undoTarget, type Entry, type EntryBody, type EntryData, type EntryKind, type StationId } from '../../core/job';
import type { AppDispatch, RootState } from '.';
import { api, ApiError } from './api';
import { announce, dropped, held, jobRead, jobUnread, posted, written } from './jobs-slice';
import type { Parcel } from './outbox';

/** Reads a job's log from the server. */
export const readJob = (id: string) => async (dispatch: AppDispatch) => {
  try {
    dispatch(jobRead(await api.job(id)));
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    dispatch(jobUnread({ id, status: error.status, message: error.message }));
  }
};

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

/** One write after the other for each job, so that each knows the number it follows. */
const queues = new Map<string, Promise<unknown>>();

const inTurn = <T>(jobId: string, task: () => Promise<T>): Promise<T> => {
  const next = (queues.get(jobId) ?? Promise.resolve()).then(task, task);
  queues.set(jobId, next);
  return next;
};

/** Answers that judge the entry itself: sent again it would be refused again. After any other it is kept. */
const JUDGED = [400, 404, 409, 413, 415, 422];

/**
 * Sends a parcel. True once the server has it; only an entry that can never be written leaves the outbox unwritten.
 */
export const send =
  (parcel: Parcel) =>
  (dispatch: AppDispatch, getState: () => RootState): Promise<boolean> =>
    inTurn(parcel.jobId, async () => {
      const seq = getState().jobs.open[parcel.jobId]?.entries.at(-1)?.seq ?? 0;
      try {
        const { entries } = await api.append(parcel.jobId, seq, parcel.bodies);
        dispatch(written({ parcelId: parcel.id, jobId: parcel.jobId, entries }));
        return true;
      } catch (error) {
        if (!(error instanceof ApiError)) throw error;
        if (error.status === 409 && error.field === 'expectedSeq') {
          dispatch(held({ parcelId: parcel.id, jobId: parcel.jobId, status: 'refused', unseen: error.unseen }));
        } else if (JUDGED.includes(error.status)) {
          dispatch(dropped(parcel.id));
          dispatch(announce({ text: `Not written. ${refusalText(error)}`, tone: 'stop' }));
        } else {
          dispatch(
            held({ parcelId: parcel.id, jobId: parcel.jobId, status: 'unsent', why: error.message, unseen: [] }),
          );
        }
        return false;
      }
    });

/** One thing to write into a log. */
export type Writing = { [K in EntryKind]: { kind: K; data: EntryData[K]; replaces?: string } }[EntryKind];

/** Appends to a job's log, all or nothing. True once the server has confirmed it. */
export const write =
  (jobId: string, station: StationId, writings: Writing[]) =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<boolean> => {
    const { who } = getState().prefs;
    const bodies = writings.map((w) => ({ ...w, id: nanoid(), who, station }) as EntryBody<EntryKind>);
    const parcel: Parcel = { id: bodies[0]!.id, jobId, bodies, status: 'sending' };
    dispatch(posted(parcel));
    return dispatch(send(parcel));
  };

/** Undoes the last thing written that still stands. Returns it, or undefined when there is nothing. */
export const undoLast =
  (jobId: string, station: StationId) =>
  async (dispatch: AppDispatch, getState: () => RootState): Promise<Entry | undefined> => {
    const log = getState().jobs.open[jobId]?.entries ?? [];
    const target = undoTarget(log);
    if (!target) return undefined;
    const done = await dispatch(write(jobId, station, [{ kind: 'undo', data: { entryId: target.id } }]));
    return done ? target : undefined;
  };
