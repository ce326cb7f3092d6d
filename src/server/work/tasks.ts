import { dayPlan } from '../../core/shop/day';
import { findWorking } from '../../core/workings';
import { tryInput, type InputAttempt } from '../../core/base/errors';
import { planCsv } from '../export/records-csv';
import type { InputOf, ResultOf, TaskInput, TaskName, TaskResult } from './task-types';

const TASKS: { [T in TaskName]: (input: TaskInput[T]) => TaskResult[T] | Promise<TaskResult[T]> } =
  {
    working: ({ name, input }) => {
      const working = findWorking(name);
      if (!working) throw new Error(`There is no calculator ${name}`);
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

/**
 * Does a task; bad input comes back as a value, since an error loses what it is on its way between
 * threads.
 */
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
