import { availableParallelism } from 'node:os';
import Piscina from 'piscina';
import { InputError, type InputAttempt } from '../../core/base/errors';
import { counted } from '../../core/base/units';
import { ServerBusy } from '../errors';
import type { Begun, InputOf, ResultOf, TaskName } from './task-types';

/** The threads for long work, so that no one else waits for it. */
export interface WorkPool {
  /**
   * Throws `InputError` for bad input and for what takes too long, `ServerBusy` when too much waits
   * already or it waits too long itself, and whatever `gone` was aborted with.
   */
  run<T extends TaskName>(task: T, input: InputOf<T>, gone?: AbortSignal): Promise<ResultOf<T>>;
  close(): Promise<void>;
}

/** The time limit of each task, and what to do instead. */
const LIMITS: Record<TaskName, { ms: number; instead: string }> = {
  working: {
    ms: 10_000,
    instead: 'Ask for less at once: fewer readings, weights, tries, positions or search steps',
  },
  'day-plan': { ms: 180_000, instead: 'Plan without searching longer, or for fewer people' },
  'card-pdf': { ms: 15_000, instead: 'Choose a job with a shorter log' },
  'rider-pdf': { ms: 15_000, instead: 'Choose a visit with fewer photos' },
  'plan-csv': { ms: 90_000, instead: 'Import fewer rows at a time' },
  'log-csv': { ms: 15_000, instead: 'Choose a job with a shorter log' },
  'job-calendar': { ms: 15_000, instead: 'Choose a job with a shorter log' },
  'shop-calendar': { ms: 15_000, instead: 'Try again when the server is less busy' },
  catalog: { ms: 20_000, instead: 'Try again when the server is less busy' },
  openapi: { ms: 30_000, instead: 'Try again when the server is less busy' },
};
/** Tasks that wait at most; a client after them is asked to try again. */
const MAX_WAITING = 40;
/** So long at most until a thread is free. */
const MAX_WAIT_MS = 30_000;
/** The interval at which a waiting task is checked. */
const LOOK_MS = 200;
const IDLE_MS = 60_000;
const MAX_MEMORY_MB = 512;

/** The result of a task. Throws the `InputError` that it was refused with. */
export const valueOf = <T>(found: InputAttempt<T>): T => {
  if (found.ok) return found.value;
  throw new InputError(found.problem.field, found.problem.message, found.problem.expected);
};

/**
 * Aborted once a task has worked for longer than its limit, or has waited too long for a thread.
 */
const timeLimit = (begun: Begun, ms: number, instead: string) => {
  const stop = new AbortController();
  const askedMs = Date.now();
  let timer: NodeJS.Timeout;
  const look = () => {
    const beganMs = Number(Atomics.load(begun, 0));
    const leftMs = (beganMs === 0 ? askedMs + MAX_WAIT_MS : beganMs + ms) - Date.now();
    if (leftMs > 0) timer = setTimeout(look, beganMs === 0 ? Math.min(leftMs, LOOK_MS) : leftMs);
    else if (beganMs === 0) stop.abort(new ServerBusy());
    else
      stop.abort(
        new InputError(
          'input',
          `Stopped: it took longer than ${counted(ms / 1000, 'second')}.`,
          instead,
        ),
      );
  };
  look();
  return { signal: stop.signal, end: () => clearTimeout(timer) };
};

/** Threads that do long work: stopped when it takes too long, or when the client has gone. */
export const workPool = (
  workerFile: string,
  { mostWaiting = MAX_WAITING, limitMs }: { mostWaiting?: number; limitMs?: number } = {},
): WorkPool => {
  let made: Piscina | null = null;
  // Begun with the first task. One thread always stays: what waits behind a task that was stopped
  // is handed to it.
  const threads = () =>
    (made ??= new Piscina({
      filename: workerFile,
      minThreads: 1,
      maxThreads: Math.max(1, availableParallelism() - 1),
      idleTimeout: IDLE_MS,
      resourceLimits: { maxOldGenerationSizeMb: MAX_MEMORY_MB },
    }));
  return {
    async run(task, input, gone) {
      const pool = threads();
      if (pool.queueSize >= mostWaiting) throw new ServerBusy();
      const { ms, instead } = LIMITS[task];
      const begun: Begun = new BigInt64Array(
        new SharedArrayBuffer(BigInt64Array.BYTES_PER_ELEMENT),
      );
      const late = timeLimit(begun, limitMs ?? ms, instead);
      const signal = gone ? AbortSignal.any([late.signal, gone]) : late.signal;
      try {
        const found = await pool.run({ task, input, begun }, { signal });
        return valueOf(found as InputAttempt<ResultOf<typeof task>>);
      } catch (error) {
        if (gone?.aborted) throw gone.reason;
        if (late.signal.aborted) throw late.signal.reason;
        throw error;
      } finally {
        late.end();
      }
    },
    close: async () => made?.destroy(),
  };
};
