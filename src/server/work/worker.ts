import type { Begun, InputOf, TaskName } from './task-types';
import { doTask } from './tasks';

interface Handed<T extends TaskName> {
  task: T;
  input: InputOf<T>;
  begun: Begun;
}

/** Runs a task in a thread of the pool. */
export default <T extends TaskName>({ task, input, begun }: Handed<T>) => {
  Atomics.store(begun, 0, BigInt(Date.now()));
  return doTask(task, input);
};
