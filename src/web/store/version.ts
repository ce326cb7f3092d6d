import { Workbox } from 'workbox-window';
import type { AppDispatch } from '.';
import { newVersionReady } from './link-slice';

const HOUR_MS = 3_600_000;

let worker: Workbox | null = null;

/**
 * Lets the screens load without the server (a browser allows it on the shop's own machine, and
 * beyond it with TLS), and tells when a newer version of the program lies ready.
 */
export const followVersion = ({ dispatch }: { dispatch: AppDispatch }): void => {
  if (!import.meta.env.PROD || !('serviceWorker' in navigator)) return;
  worker = new Workbox('/sw.js');
  worker.addEventListener('waiting', () => void dispatch(newVersionReady()));
  worker.addEventListener('controlling', ({ isUpdate }) => {
    if (isUpdate) window.location.reload();
  });
  void worker.register().catch(() => undefined);
  setInterval(() => void worker?.update().catch(() => undefined), HOUR_MS);
};

/** Takes the newer version; the page is loaded again with it. */
export const takeNewVersion = (): void => worker?.messageSkipWaiting();
