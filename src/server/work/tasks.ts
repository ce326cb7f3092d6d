import { findWorking } from '../../core/workings';
import { caught, type Caught } from '../../core/errors';
import type { Working } from '../../core/working';
import type { CardInput } from '../export/job-card';
import type { RiderInput } from '../export/rider-pdf';
import { planCsv, type CsvInput } from '../export/records-csv';
import type { ImportPlan } from '../../core/shop';
import type { CatalogRow } from './catalog';

/** What may take longer than a request should hold the server up for, and what each is given. */
interface TaskInput {
  working: { name: string; input: unknown };
  'card-pdf': CardInput;
  'rider-pdf': RiderInput;
  'plan-csv': CsvInput;
  catalog: Record<string, never>;
}

interface TaskResult {
  working: Working;
  'card-pdf': Uint8Array;
  'rider-pdf': Uint8Array;
  'plan-csv': ImportPlan;
  catalog: CatalogRow[];
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
  // What draws pages or describes schemas is large, and few starts of the program need it.
  'card-pdf': async (input) => (await import('../export/job-card')).jobCardPdf(input),
  'rider-pdf': async (input) => (await import('../export/rider-pdf')).riderPdf(input),
  'plan-csv': planCsv,
  catalog: async () => (await import('./catalog')).catalog(),
};

/** Does a task; bad input comes back as a value, since an error loses what it is on its way between threads. */
export const doTask = async <T extends TaskName>(task: T, input: InputOf<T>): Promise<Caught<ResultOf<T>>> => {
  try {
    return { ok: true, value: await TASKS[task](input) };
  } catch (error) {
    return caught(() => {
      throw error;
    });
  }
};
