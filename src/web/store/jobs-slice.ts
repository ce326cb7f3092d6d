import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Entry, JobSummary } from '../../core/job';
import { loadOutbox, type Parcel } from './outbox';

/** A job's log as this browser knows it. */
export interface OpenJob {
  job: JobSummary;
  entries: Entry[];
}

interface JobsState {
  open: Record<string, OpenJob>;
  problem: Record<string, { status: number; message: string }>;
  outbox: Parcel[];
  /** The last thing said about a write, for the live region. */
  announcement: { text: string; tone: 'good' | 'stop'; at: number } | null;
}

const initialState = (): JobsState => ({ open: {}, problem: {}, outbox: loadOutbox(), announcement: null });

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
      {
        payload,
      }: PayloadAction<{ parcelId: string; jobId: string; status: Parcel['status']; why?: string; unseen: Entry[] }>,
    ) {
      const job = state.open[payload.jobId];
      if (job) merge(job as OpenJob, payload.unseen);
      const parcel = state.outbox.find((p) => p.id === payload.parcelId);
      if (parcel) Object.assign(parcel, { status: payload.status, why: payload.why });
    },
    dropped: (state, { payload }: PayloadAction<string>) =>
      void (state.outbox = state.outbox.filter((p) => p.id !== payload)),
    announce(state, { payload }: PayloadAction<{ text: string; tone: 'good' | 'stop' }>) {
      state.announcement = { ...payload, at: (state.announcement?.at ?? 0) + 1 };
    },
  },
});

export const { jobRead, jobUnread, posted, written, held, dropped, announce } = jobsSlice.actions;
export const jobsReducer = jobsSlice.reducer;
