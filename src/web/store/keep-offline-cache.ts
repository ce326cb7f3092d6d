import type { RootState } from '.';
import { remember } from './offline-cache';

/** Many entries in a moment are kept once. */
const TOGETHER_MS = 1000;

/**
 * Keeps the logs of the jobs that this browser has open, as they grow, for a time when the server
 * does not answer.
 */
export const keepOfflineCache = (store: {
  getState: () => RootState;
  subscribe: (listener: () => void) => unknown;
}): void => {
  let kept: RootState['jobs']['open'] = {};
  let wait: ReturnType<typeof setTimeout> | null = null;
  const keep = () => {
    wait = null;
    const { open } = store.getState().jobs;
    for (const [id, job] of Object.entries(open))
      if (kept[id] !== job) void remember(`/jobs/${id}`, job);
    kept = open;
  };
  store.subscribe(() => {
    if (store.getState().jobs.open !== kept) wait ??= setTimeout(keep, TOGETHER_MS);
  });
};
