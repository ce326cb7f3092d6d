import { InputError } from '../../core/base/errors';
import {
  checkEntryBody,
  checkRelease,
  checkTargets,
  definitionOf,
  effectOf,
  type Effect,
  type Entry,
  type EntryBody,
} from '../../core/job';
import { LogMovedOn } from '../errors';
import type { JobEntries, WrittenAt } from './job-entries';
import type { jobLogs } from './job-logs';
import type { JobProjections } from './job-projections';
import type { JobRows } from './job-rows';
import type { JobSummaries } from './job-summary';
import type { machineSteps } from './machine-steps';
import type { Db } from './open-db';
import { repeatedAppend } from './repeated-append';

/**
 * Refuses an append by what it brings about, and by the entries that were written; `rider` is the
 * machine's.
 */
export type EffectCheck = (effect: Effect, written: readonly Entry[], rider: string) => void;

/** When entries reached the server, ISO 8601, and how long they had waited by then. */
export interface Sent {
  at: string;
  waitedS?: number;
}

interface Parts {
  logs: ReturnType<typeof jobLogs>;
  rows: JobRows;
  entries: JobEntries;
  summarize: JobSummaries;
  stepsOfOthers: ReturnType<typeof machineSteps>;
  projections: JobProjections;
  hasPhoto: (photoId: string) => boolean;
}

/**
 * The later of two times: a log's time never runs backwards, whatever the clock of the computer
 * does.
 */
const later = (at: string, before: string): string => (at > before ? at : before);

const checkBodies = (raw: readonly unknown[]): EntryBody[] => {
  const bodies = raw.map((value, i) => {
    try {
      return checkEntryBody(value);
    } catch (error) {
      if (error instanceof InputError)
        throw new InputError(`entries[${i}].${error.field}`, error.message, error.expected);
      throw error;
    }
  });
  if (new Set(bodies.map((b) => b.id)).size < bodies.length)
    throw new InputError('entries', 'Two entries have the same ID.', 'Give each its own ID');
  return bodies;
};

/**
 * Appends entries to a log, all or none, in one transaction: schema, repeats, sequence number,
 * targets, then the rights and safety checks of what the append brings about. Returns what was
 * written, and the jobs whose logs have grown.
 */
export const jobAppend = (
  db: Db,
  { logs, rows, entries, summarize, stepsOfOthers, projections, hasPhoto }: Parts,
) =>
  db.transaction(
    (
      jobId: string,
      expectedSeq: number,
      raw: readonly unknown[],
      { at: now, waitedS = 0 }: Sent,
      refuse: EffectCheck,
    ): { written: Entry[]; grown: string[] } => {
      const job = rows.find(jobId);
      const bodies = checkBodies(raw);

      const held = bodies.map((b) => entries.find(b.id));
      if (held.some(Boolean)) {
        const log = logs.of(jobId).entries;
        const written = repeatedAppend(bodies, (i) =>
          held[i]?.jobId === jobId ? log[held[i].seq - 1] : undefined,
        );
        return { written, grown: [] };
      }
      const before = logs.of(jobId).entries;
      if (expectedSeq !== job.lastSeq) throw new LogMovedOn(before.slice(expectedSeq), job.lastSeq);
      if (bodies.some((b) => definitionOf(b.kind).author === 'server'))
        throw new InputError(
          'entries',
          'A job can be opened only once.',
          'Use another kind of entry',
        );
      checkTargets(before, bodies, hasPhoto);

      const clock = new Date(Date.parse(now) - waitedS * 1000).toISOString();
      const writtenAt = (lastAt: string): WrittenAt => ({
        at: later(clock, lastAt),
        arrivedAt: waitedS > 0 ? now : null,
      });
      entries.write(jobId, bodies, job.lastSeq, writtenAt(job.lastAt));
      const others = stepsOfOthers(jobId, bodies);
      for (const other of others) {
        const { lastSeq, lastAt } = rows.find(other.jobId);
        entries.write(other.jobId, other.bodies, lastSeq, writtenAt(lastAt));
        summarize(other.jobId, logs.of(other.jobId));
      }

      const log = logs.of(jobId);
      summarize(jobId, log);
      const written = log.entries.slice(job.lastSeq);
      const effect = effectOf(log.entries, job.lastSeq);
      refuse(effect, written, log.state.machine?.rider ?? log.state.rider);
      checkRelease(effect.begun, job.lastSeq, log.state);
      projections.settle({ job, log, written: bodies });
      return { written, grown: [jobId, ...others.map((o) => o.jobId)] };
    },
  );
