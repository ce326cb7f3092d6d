import { ServerBusy } from '../errors';

/**
 * Runs one thing after the other. Guesses that come together are counted as those that come one by
 * one, and making out a secret never takes more than one core. Throws `ServerBusy` where too many
 * wait.
 */
export const serialQueue = (mostWaiting: number) => {
  let last: Promise<unknown> = Promise.resolve();
  let waiting = 0;
  return async <T>(run: () => Promise<T>): Promise<T> => {
    if (waiting >= mostWaiting) throw new ServerBusy();
    waiting++;
    const mine = last.then(run, run);
    last = mine.catch(() => undefined);
    try {
      return await mine;
    } finally {
      waiting--;
    }
  };
};
