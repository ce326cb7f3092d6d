import { createAsyncThunk, createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit';
import {
  undoTarget,
  type Entry,
  type EntryBody,
  type EntryData,
  type EntryKind,
  type JobSummary,
  type StationId,
} from '../../core/job';
import { api, ApiError } from './api';
import { loadOutbox, type Parcel } from './outbox';
import type { AppDispatch, RootState } from '.';

interface OpenJob {
  job: JobSummary;
  entries: Entry[];
}

interface JobsState {
  open: Record<string, OpenJob>;
  problem: Record<string, { status: number; message: string }>;
  outbox: Parcel[];
  /** The last thing said about a write, for the live region. */
  said: { text: string; tone: 'good' | 'stop'; at: number } | null;
}

const initialState = (): JobsState => ({ open: {}, problem: {}, outbox: loadOutbox(), said: null });

const merge = (job: OpenJob, entries: readonly Entry[]): void => {
  const known = new Set(job.entries.map((e) => e.seq));
  job.entries.push(...entries.filter((e) => !known.has(e.seq)));
  job.entries.sort((a, b) => a.seq - b.seq);
};

const jobsSlice = createSlice({
  name: 'jobs',
  initialState,
  reducers: {
    jobRead(state, { payload }: PayloadAction<OpenJob>) {
      state.open[payload.job.id] = payload as never;
      delete state.problem[payload.job.id];
    },
    jobUnread(state, { payload }: PayloadAction<{ id: string; status: number; message: string }>) {
      state.problem[payload.id] = payload;
    },
    posted: (state, { payload }: PayloadAction<Parcel>) => void state.outbox.push(payload as never),
    written(state, { payload }: PayloadAction<{ parcelId: string; jobId: string; entries: Entry[] }>) {
      const job = state.open[payload.jobId];
      if (job) merge(job as OpenJob, payload.entries);
      state.outbox = state.outbox.filter((p) => p.id !== payload.parcelId);
    },
    held(
      state,
      { payload }: PayloadAction<{ parcelId: string; jobId: string; status: Parcel['status']; unseen: Entry[] }>,
    ) {
      const job = state.open[payload.jobId];
      if (job) merge(job as OpenJob, payload.unseen);
      const parcel = state.outbox.find((p) => p.id === payload.parcelId);
      if (parcel) parcel.status = payload.status;
    },
    dropped: (state, { payload }: PayloadAction<string>) =>
      void (state.outbox = state.outbox.filter((p) => p.id !== payload)),
    said(state, { payload }: PayloadAction<{ text: string; tone: 'good' | 'stop' }>) {
      state.said = { ...payload, at: (state.said?.at ?? 0) + 1 };
    },
  },
});

export const { dropped, said } = jobsSlice.actions;
const { jobRead, jobUnread, posted, written, held } = jobsSlice.actions;
export const jobsReducer = jobsSlice.reducer;

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

/** Sends a parcel. True once the server has it; a refusal keeps it in the outbox. */
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
        if (error.status === 409) {
          dispatch(held({ parcelId: parcel.id, jobId: parcel.jobId, status: 'refused', unseen: error.unseen }));
        } else if (error.status === 0 || error.status >= 500) {
          dispatch(held({ parcelId: parcel.id, jobId: parcel.jobId, status: 'unsent', unseen: [] }));
        } else {
          dispatch(dropped(parcel.id));
          dispatch(said({ text: `Not written. ${error.message} Right would be: ${error.expected}.`, tone: 'stop' }));
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
