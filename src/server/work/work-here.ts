import { doTask } from './tasks';
import { valueOf, type WorkPool } from './work-pool';

/** The same work without threads, for tests of what is around it. */
export const workHere = (): WorkPool => ({
  run: async (task, input) => valueOf(await doTask(task, input)),
  close: () => Promise.resolve(),
});
