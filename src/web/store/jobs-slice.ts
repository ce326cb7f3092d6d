import { createSlice, type PayloadAction } from '@reduxjs/toolkit';
import type { Entry, JobSummary } from '../../core/job';
import type { PendingEntries } from './pending-entries';

/** A job's log as this browser knows it. */
export interface OpenJob {
  job: JobSummary;
  entries: Entry[];
}

/** The tone of a message about a write. */
export type Tone = 'good' | 'check' | 'stop';

interface JobsState {
  open: Record<string, OpenJob>;
  problem: Record<string, { status: number; message: string }>;
  /** The entries on their way to the server, in the order of writing. */
  outbox: PendingEntries[];
  /** The last thing said about a write, for the live region. */
  announcement: { text: string; tone: Tone; at: number } | null;
}

const initialState: JobsState = { open: {}, problem: {}, outbox: [], announcement: null };

const merge = (job: OpenJob | undefined, entries: readonly Entry[]): void => {
  if (!job) return;
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
    /** Adds the entries of the log that became known. */
    logGrew(state, { payload }: PayloadAction<{ jobId: string; entries: Entry[] }>) {
      merge(state.open[payload.jobId] as OpenJob | undefined, payload.entries);
    },
    posted(state, { payload }: PayloadAction<PendingEntries>) {
      // Another tab may have spoken of it already.
      state.outbox = [...state.outbox.filter((p) => p.id !== payload.id), payload as never];
    },
    /**
     * Takes over what is stored on disk, as one of this browser's tabs changed it; what only this
     * page holds stays.
     */
    outboxRead(state, { payload }: PayloadAction<PendingEntries[]>) {
      const there = new Set(payload.map((p) => p.id));
      const sending = new Set(state.outbox.filter((p) => p.status === 'sending').map((p) => p.id));
      const onlyHere = state.outbox.filter((p) => !there.has(p.id) && !p.isKept);
      const kept = payload.map((p) =>
        sending.has(p.id) ? { ...p, status: 'sending' as const } : p,
      );
      state.outbox = [...(kept as never[]), ...onlyHere];
    },
    changed(state, { payload }: PayloadAction<{ id: string; change: Partial<PendingEntries> }>) {
      const pending = state.outbox.find((p) => p.id === payload.id);
      if (pending) Object.assign(pending, payload.change);
    },
    /** The server has it: it stands in the log. */
    arrived(state, { payload }: PayloadAction<{ id: string; jobId: string; entries: Entry[] }>) {
      merge(state.open[payload.jobId] as OpenJob | undefined, payload.entries);
      state.outbox = state.outbox.filter((p) => p.id !== payload.id);
    },
    /** Another tab has sent it, or no one wants it anymore. */
    gone: (state, { payload }: PayloadAction<string>) =>
      void (state.outbox = state.outbox.filter((p) => p.id !== payload)),
    announce(state, { payload }: PayloadAction<{ text: string; tone: Tone }>) {
      state.announcement = { ...payload, at: (state.announcement?.at ?? 0) + 1 };
    },
  },
});

export const { jobRead, jobUnread, logGrew, posted, arrived, outboxRead, changed, gone, announce } =
  jobsSlice.actions;
export const jobsReducer = jobsSlice.reducer;
