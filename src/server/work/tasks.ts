import { findWorking } from '../../core/workings';
import { caught, type Caught } from '../../core/errors';
import type { Working } from '../../core/working';
import { jobCardPdf, type CardInput } from '../export/job-card';
import { riderPdf, type RiderInput } from '../export/rider-pdf';
import { planCsv, type CsvInput } from '../export/records-csv';
import type { ImportPlan } from '../../core/shop';

/** What may take longer than a request should hold the server up for, and what each is given. */
interface TaskInput {
  working: { name: string; input: unknown };
  'card-pdf': CardInput;
  'rider-pdf': RiderInput;
  'plan-csv': CsvInput;
}

interface TaskResult {
  working: Working;
  'card-pdf': Uint8Array;
  'rider-pdf': Uint8Array;
  'plan-csv': ImportPlan;
}

export type TaskName = keyof TaskInput;
export type InputOf<T extends TaskName> = TaskInput[T];
export type ResultOf<T extends TaskName> = TaskResult[T];

const TASKS: { [T in TaskName]: (input: TaskInput[T]) => TaskResult[T] | Promise<TaskResult[T]> } = {
  working: ({ name, input }) => {
    const working = findWorking(name);
    if (!working) throw new Error(`There is no working called ${name}`);
    return working.run(input as never);
  },
  'card-pdf': jobCardPdf,
  'rider-pdf': riderPdf,
  'plan-csv': planCsv,
};

/** Does a task; bad input comes back as a value, since an error loses what it is on its way between threads. */
export const doTask = async <T extends TaskName>(task: T, input: InputOf<T>): Promise<Caught<ResultOf<T>>> => {
  const found = caught(() => TASKS[task](input));
  return found.ok ? { ok: true, value: await found.value } : found;
};
