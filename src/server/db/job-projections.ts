import { definitionOf, type EntryBody, type FoldedLog, type JobSummary } from '../../core/job';
import type { handOverStore } from './hand-over-store';
import type { PartsStore } from './parts-store';
import type { RecheckStore } from './recheck-store';
import type { ShopStatsStore } from './shop-stats-store';
import type { troubleStore } from './trouble-store';

/** A log that has grown, and the job before it did. */
interface Grown {
  job: JobSummary;
  log: FoldedLog;
  written: readonly EntryBody[];
}

/** Tables kept beside the logs. */
interface Tables {
  troubles: ReturnType<typeof troubleStore>;
  parts: PartsStore;
  wheelRecord: ReturnType<typeof handOverStore>;
  rechecks: RecheckStore;
  stats: ShopStatsStore;
}

/** The tables beside the log of a job, brought up to date after an append, in this order. */
export const jobProjections = ({ troubles, parts, wheelRecord, rechecks, stats }: Tables) => {
  const isReleased = ({ job, log }: Grown): boolean =>
    job.handedOver || log.state.handedOver !== null;
  const projections: { isDue(grown: Grown): boolean; settle(grown: Grown): void }[] = [
    {
      isDue: ({ written }) => written.some((b) => b.kind === 'trouble' || b.kind === 'undo'),
      settle: ({ job, log }) => troubles.settle(job.id, log),
    },
    {
      isDue: ({ written }) => written.some((b) => definitionOf(b.kind).stock === 'parts'),
      settle: ({ job, log }) => parts.settle(job.id, log.entries, log.state),
    },
    {
      isDue: (grown) =>
        isReleased(grown) && grown.written.some((b) => definitionOf(b.kind).stock !== 'none'),
      settle: ({ job, log }) => wheelRecord(job.id, log.state),
    },
    {
      isDue: isReleased,
      settle: ({ job, log }) => {
        rechecks.settleJob(job.id, job.number, log.state);
        stats.settle(job.id, log.state);
      },
    },
  ];
  return {
    /** After an append. */
    settle(grown: Grown): void {
      for (const projection of projections) if (projection.isDue(grown)) projection.settle(grown);
    },
    /** After a log was imported whole; stock and wheel record stay as they are. */
    settleImported({ id, number }: JobSummary, log: FoldedLog): void {
      troubles.settle(id, log);
      parts.settle(id, log.entries, log.state);
      if (!log.state.handedOver) return;
      rechecks.settleJob(id, number, log.state);
      stats.settle(id, log.state);
    },
  };
};
export type JobProjections = ReturnType<typeof jobProjections>;
