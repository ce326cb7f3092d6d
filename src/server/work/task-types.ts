import type { Working } from '../../core/base/working';
import type { Entry, JobSummary } from '../../core/job';
import type { RecheckRow } from '../../core/job/recheck';
import type { dayPlan, DayPlan } from '../../core/shop/day';
import type { ImportPlan } from '../../core/shop/records';
import type { CardInput } from '../export/job-card';
import type { CsvInput } from '../export/records-csv';
import type { RiderInput } from '../export/rider-pdf';

/** A calculator as the catalog has it; `input` is its JSON Schema. */
export interface CatalogRow {
  name: string;
  says: string;
  input: object;
  example: unknown;
}

/**
 * The tasks that may take longer than a request should hold the server up for, and the input of
 * each.
 */
export interface TaskInput {
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

export interface TaskResult {
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

/**
 * When a thread began with a task, in milliseconds; 0 before. Shared with the watcher.
 */
export type Begun = BigInt64Array<SharedArrayBuffer>;
