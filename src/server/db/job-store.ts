import {
  jobReport,
  type Entry,
  type JobState,
  type JobSummary,
  type UsualTime,
} from '../../core/job';
import type { Cure } from '../../core/job/procedure';
import type { LiveNews } from '../../core/base/live';
import { daysAfter } from '../../core/base/units';
import { handOverStore } from './hand-over-store';
import { jobAppend, type EffectCheck, type Sent } from './job-append';
import { jobEntries } from './job-entries';
import { jobLogs } from './job-logs';
import { jobOpen, type OpenJob } from './job-open';
import { jobProjections } from './job-projections';
import { jobRows, SUMMARY, toSummary, type JobRow } from './job-rows';
import { FIRST, jobSearch, LAST } from './job-search';
import { jobSummary } from './job-summary';
import { machineSteps } from './machine-steps';
import type { Db } from './open-db';
import { partsStore } from './parts-store';
import { recheckStore } from './recheck-store';
import type { RuleStore } from './rule-store';
import type { ShopStore } from './shop-store';
import { shopStatsStore } from './shop-stats-store';
import { stationTimes } from './station-times';
import { troubleStore } from './trouble-store';
import { visitLog } from './visit-log';

export interface JobQuery {
  search: string;
  from?: string | undefined;
  to?: string | undefined;
  limit: number;
  offset: number;
}

/** Its opening, and the rules it was opened with. */
const OPENING_ENTRIES = 2;

/** The progress of each station, in their order. */
const fillsFrom = (state: JobState, at: string): number[] =>
  jobReport(state, at.slice(0, 10)).map((r) => Number(r.fill.toFixed(3)));

/**
 * Jobs and their logs in the database, with the tables kept beside the logs: parts, rechecks and
 * shop stats.
 */
export const jobStores = (
  db: Db,
  shop: ShopStore,
  rules: RuleStore,
  hasPhoto: (photoId: string) => boolean = () => false,
  tell: (news: LiveNews) => void = () => undefined,
) => {
  const logs = jobLogs(db);
  const rows = jobRows(db);
  const entries = jobEntries(db);
  const times = stationTimes(db);
  const visits = visitLog(db);
  const troubles = troubleStore(db);
  const stats = shopStatsStore(db, troubles.between);
  const parts = partsStore(db, shop.records);
  const rechecks = recheckStore(db, shop.records, rules);
  const wheelRecord = handOverStore(db, shop.records);
  const projections = jobProjections({ troubles, parts, wheelRecord, rechecks, stats });
  const summarize = jobSummary(db, rows, times, visits);
  const stepsOfOthers = machineSteps(db, logs.of);
  const append = jobAppend(db, {
    logs,
    rows,
    entries,
    summarize,
    stepsOfOthers,
    projections,
    hasPhoto,
  });
  const open = jobOpen(db, { shop, rules, logs, rows, entries, summarize, visits });
  const search = jobSearch<JobRow>(db, SUMMARY);
  const withoutRechecks = db.prepare<[string], { id: string; number: number }>(
    `SELECT id, number FROM jobs WHERE handed_over = 1 AND opened_at >= ?
       AND NOT EXISTS (SELECT 1 FROM rechecks WHERE job_id = jobs.id) ORDER BY number`,
  );
  const keepFills = db.prepare('UPDATE jobs SET fills = ? WHERE id = ?');

  const jobs = {
    find: rows.find,
    ofWheel: rows.ofWheel,
    entriesOf: (id: string, afterSeq = 0): Entry[] => logs.of(id).entries.slice(afterSeq),
    stateOf: (id: string): JobState => logs.of(id).state,
    /** Whether any log holds an entry of that id. */
    holds: (entryId: string): boolean => entries.find(entryId) !== undefined,
    /** Its log holds more than its opening. */
    isBegun: (id: string): boolean => rows.find(id).lastSeq > OPENING_ENTRIES,
    open: (input: OpenJob, at = new Date().toISOString()) => open.immediate(input, at),
    /**
     * Appends, all or none. What waited on its way keeps the time when it was written at the bench.
     * `refuse` sees what the append brings about, and throws to leave everything as it was.
     */
    append(
      jobId: string,
      expectedSeq: number,
      bodies: readonly unknown[],
      sent: Partial<Sent> = {},
      refuse: EffectCheck = () => undefined,
    ): Entry[] {
      const at = new Date().toISOString();
      const { written, grown } = append.immediate(
        jobId,
        expectedSeq,
        bodies,
        { at, ...sent },
        refuse,
      );
      // Committed: the next append folds on from here, and the screens may know.
      if (grown.length > 0)
        tell({ jobs: Object.fromEntries(grown.map((id) => [id, logs.of(id).entries.length])) });
      return written;
    },
    /**
     * Rebuilds what is kept beside a log that was imported whole; stock and wheel record stay as
     * they are.
     */
    settleImported(id: string): JobState {
      const log = logs.of(id);
      summarize(id, log);
      projections.settleImported(rows.find(id), log);
      return log.state;
    },
    /**
     * For a database of an earlier version: the rechecks of the jobs since a day, and of the
     * records.
     */
    settleRechecks: db.transaction((since: string): void => {
      for (const { id, number } of withoutRechecks.all(since))
        rechecks.settleJob(id, number, logs.of(id).state);
      rechecks.settleRecords();
    }),
    /**
     * The progress of each station of a job, 0 to 1; computed when asked for, and cached until its
     * log grows.
     */
    fillsOf(id: string): number[] {
      const { entries: log, state } = logs.of(id);
      const fills = fillsFrom(state, log.at(-1)?.at ?? '');
      keepFills.run(JSON.stringify(fills), id);
      return fills;
    },
    /** The time worked on it, in seconds, by its log. */
    spentS: (id: string): number => times.spentS(id),
    /** The times of the latest jobs at each station, in seconds, by `station build`. */
    timeSamples: () => times.samples(),
    /** The usual time of each station in this shop, by the wheel's build. */
    usualTimes: (): UsualTime[] => times.usual(),
    /** The cures of each trouble in this shop, and how often. */
    cures: (): Cure[] => troubles.cures(),
    list({ search: words, from, to, limit, offset }: JobQuery): {
      jobs: JobSummary[];
      total: number;
    } {
      const days = { from: from ?? FIRST, to: to ? daysAfter(to, 1) : LAST };
      const found = search({ search: words, ...days }, limit, offset);
      return { jobs: found.rows.map(toSummary), total: found.total };
    },
  };
  return { jobs, parts, rechecks, stats };
};
export type JobStores = ReturnType<typeof jobStores>;
export type JobStore = JobStores['jobs'];
