import { availableParallelism } from 'node:os';
import Piscina from 'piscina';
import { InputError, type Caught } from '../../core/errors';
import { counted } from '../../core/units';
import { ServerBusy } from '../errors';
import { doTask, type InputOf, type ResultOf, type TaskName } from './tasks';

/** Where long work is done, so that nobody else waits for it. */
export interface WorkPool {
  /**
   * Throws `InputError` for bad input and for what takes too long, `ServerBusy` when too much waits already, and
   * whatever `gone` was aborted with.
   */
  run<T extends TaskName>(task: T, input: InputOf<T>, gone?: AbortSignal): Promise<ResultOf<T>>;
  close(): Promise<void>;
}

/** How long a task may take, and what would be right instead. */
const LIMITS: Record<TaskName, { ms: number; instead: string }> = {
  working: { ms: 10_000, instead: 'less at once: fewer readings, pieces, tries or places, or fewer steps of a search' },
  'card-pdf': { ms: 15_000, instead: 'a job with a shorter log' },
  'rider-pdf': { ms: 15_000, instead: 'a visit with fewer photographs' },
  'plan-csv': { ms: 20_000, instead: 'fewer rows at a time' },
  'log-csv': { ms: 15_000, instead: 'a job with a shorter log' },
  'job-calendar': { ms: 15_000, instead: 'a job with a shorter log' },
  'shop-calendar': { ms: 15_000, instead: 'to ask again when the machine is less busy' },
  catalog: { ms: 20_000, instead: 'to ask again when the machine is less busy' },
};
/** Tasks that wait at most; whoever comes after them is asked to try again. */
const MOST_WAITING = 40;
const IDLE_MS = 60_000;
const MOST_MEMORY_MB = 512;

const valueOf = <T>(found: Caught<T>): T => {
  if (found.ok) return found.value;
  throw new InputError(found.problem.field, found.problem.message, found.problem.expected);
};

/** Threads that do long work: stopped when it takes too long, or when whoever asked has gone. */
export const workPool = (
  workerFile: string,
  { mostWaiting = MOST_WAITING, limitMs }: { mostWaiting?: number; limitMs?: number } = {},
): WorkPool => {
  const pool = new Piscina({
    filename: workerFile,
    minThreads: 0,
    maxThreads: Math.max(1, availableParallelism() - 1),
    idleTimeout: IDLE_MS,
    resourceLimits: { maxOldGenerationSizeMb: MOST_MEMORY_MB },
  });
  return {
    async run(task, input, gone) {
      if (pool.queueSize >= mostWaiting) throw new ServerBusy();
      const { ms, instead } = LIMITS[task];
      const late = AbortSignal.timeout(limitMs ?? ms);
      try {
        const found = await pool.run({ task, input }, { signal: gone ? AbortSignal.any([late, gone]) : late });
        return valueOf(found as Caught<ResultOf<typeof task>>);
      } catch (error) {
        if (gone?.aborted) throw gone.reason;
        if (late.aborted)
          throw new InputError(
            'input',
            `This takes longer than ${counted((limitMs ?? ms) / 1000, 'second')}.`,
            instead,
          );
        throw error;
      }
    },
    close: () => pool.destroy(),
  };
};

/** The same work without threads, for tests of what is around it. */
export const workHere = (): WorkPool => ({
  run: async (task, input) => valueOf(await doTask(task, input)),
  close: () => Promise.resolve(),
});
