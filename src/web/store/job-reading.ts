import type { AppDispatch, RootState } from '.';
import { api, ApiError } from './api';
import { jobRead, jobUnread, type OpenJob } from './jobs-slice';
import { recall } from './offline-cache';

const seenAt = (id: string): string => `/jobs/${id}`;

/**
 * Reads a job's log from the server; where that does not answer, what this browser has seen of it
 * stands.
 */
export const readJob = (id: string) => async (dispatch: AppDispatch, getState: () => RootState) => {
  const before = getState().jobs.open[id];
  try {
    const read = await api.job(id);
    // What was confirmed while it was on its way is not in it: the newer log stands.
    const now = getState().jobs.open[id];
    if (now === before || (now?.entries.length ?? 0) <= read.entries.length)
      dispatch(jobRead(read));
  } catch (error) {
    if (!(error instanceof ApiError)) throw error;
    const isOpen = () => getState().jobs.open[id] !== undefined;
    const seen = error.status === 0 && !isOpen() ? await recall<OpenJob>(seenAt(id)) : undefined;
    if (seen && !isOpen()) dispatch(jobRead(seen));
    else dispatch(jobUnread({ id, status: error.status, message: error.message }));
  }
};
