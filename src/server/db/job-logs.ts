import { foldedOn, NO_LOG, type Entry, type EntryBody, type FoldedLog } from '../../core/job';
import type { Db } from './open-db';

interface EntryRow extends Omit<EntryBody, 'data'> {
  seq: number;
  at: string;
  data: string;
  arrivedAt: string | null;
}

/** Logs kept in memory: more than a shop has on its benches. */
const MAX_KEPT = 200;

const toEntry = ({ replaces, arrivedAt, data, ...row }: EntryRow): Entry =>
  ({
    ...row,
    data: JSON.parse(data),
    ...(replaces ? { replaces } : {}),
    ...(arrivedAt ? { arrivedAt } : {}),
  }) as Entry;

/**
 * The logs of jobs with what they amount to, those used last kept in memory: only what was written
 * since is read and folded, so that an entry costs the same on a long log as on a short one.
 */
export const jobLogs = (db: Db) => {
  const rows = db.prepare<[string, number], EntryRow>(
    `SELECT seq, id, at, who, station, kind, data, replaces, arrived_at AS arrivedAt
     FROM entries WHERE job_id = ? AND seq > ? ORDER BY seq`,
  );
  const kept = new Map<string, FoldedLog>();
  return {
    /** A job's log as it stands; empty where there is no such job. */
    of(jobId: string): FoldedLog {
      const before = kept.get(jobId) ?? NO_LOG;
      const log = foldedOn(before, rows.all(jobId, before.entries.length).map(toEntry));
      // What a transaction has written may yet be taken back: it is kept once it stands.
      if (db.inTransaction || log === NO_LOG) return log;
      kept.delete(jobId);
      kept.set(jobId, log);
      if (kept.size > MAX_KEPT) kept.delete(kept.keys().next().value!);
      return log;
    },
  };
};
