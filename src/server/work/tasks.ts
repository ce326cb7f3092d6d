import { dayPlan, type DayPlan } from '../../core/shop/day';
import { findWorking } from '../../core/workings';
import { tryInput, type InputAttempt } from '../../core/base/errors';
import type { Working } from '../../core/base/working';
import type { CardInput } from '../export/job-card';
import type { RiderInput } from '../export/rider-pdf';
import { planCsv, type CsvInput } from '../export/records-csv';
import type { Entry, JobSummary } from '../../core/job';
import type { RecheckRow } from '../../core/job/recheck';
import type { ImportPlan } from '../../core/shop/records';
import type { CatalogRow } from './catalog';

/** What may take longer than a request should hold the server up for, and what each is given. */
interface TaskInput {
  working: { name: string; input: unknown };
  'day-plan': Parameters<typeof dayPlan.run>[0];
  'card-pdf': CardInput;
  'rider-pdf': RiderInput;
  'plan-csv': CsvInput;
  'log-csv': { log: readonly Entry[] };
  'job-calendar': { job: JobSummary; log: readonly Entry[]; now: Date };
  'shop-calendar': { rows: readonly RecheckRow[]; shopName: string };
  catalog: Record<string, never>;
  openapi: Record<string, never>;
}

interface TaskResult {
  working: Working;
  'day-plan': Working<DayPlan>;
  'card-pdf': Uint8Array;
  'rider-pdf': Uint8Array;
  'plan-csv': ImportPlan;
  'log-csv': string;
  'job-calendar': string;
  'shop-calendar': string;
  catalog: CatalogRow[];
  openapi: object;
}

export type TaskName = keyof TaskInput;
export type InputOf<T extends TaskName> = TaskInput[T];
export type ResultOf<T extends TaskName> = TaskResult[T];

const TASKS: { [T in TaskName]: (input: TaskInput[T]) => TaskResult[T] | Promise<TaskResult[T]> } =
  {
    working: ({ name, input }) => {
      const working = findWorking(name);
      if (!working) throw new Error(`There is no working called ${name}`);
      return working.run(input as never);
    },
    'day-plan': (input) => dayPlan.run(input),
    // What draws pages or describes schemas is large, and few starts of the program need it.
    'card-pdf': async (input) => (await import('../export/job-card')).jobCardPdf(input),
    'rider-pdf': async (input) => (await import('../export/rider-pdf')).riderPdf(input),
    'plan-csv': planCsv,
    'log-csv': async ({ log }) => (await import('../export/log-csv')).logCsv(log),
    'job-calendar': async ({ job, log, now }) =>
      (await import('../export/recheck-calendar')).recheckCalendar(job, log, now),
    'shop-calendar': async ({ rows, shopName }) =>
      (await import('../export/recheck-calendar')).allRechecks(rows, shopName),
    catalog: async () => (await import('./catalog')).catalog(),
    openapi: async () => (await import('../openapi/document')).openApi(),
  };

/** When a thread began with a task, in milliseconds; 0 before. Shared with whoever watches the time. */
export type Begun = BigInt64Array<SharedArrayBuffer>;

/** Does a task; bad input comes back as a value, since an error loses what it is on its way between threads. */
export const doTask = async <T extends TaskName>(
  task: T,
  input: InputOf<T>,
): Promise<InputAttempt<ResultOf<T>>> => {
  try {
    return { ok: true, value: await TASKS[task](input) };
  } catch (error) {
    return tryInput(() => {
      throw error;
    });
  }
};
