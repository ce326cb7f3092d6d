import { doTask, type InputOf, type TaskName } from './tasks';

/** What a thread of the pool does with what it is handed. */
export default <T extends TaskName>({ task, input }: { task: T; input: InputOf<T> }) => doTask(task, input);
