import type { FoldedLog } from '../../core/job';
import type { Cure, Symptom } from '../../core/job/procedure';
import type { Db } from './open-db';

/** Troubles as they stand in the logs, and what cured them, kept beside the logs. */
export const troubleStore = (db: Db) => {
  const forget = db.prepare('DELETE FROM troubles WHERE job_id = ?');
  const keep = db.prepare(
    'INSERT INTO troubles (entry_id, job_id, at, symptom, cured_by) VALUES (?, ?, ?, ?, ?)',
  );
  const cures = db.prepare<[], Cure>(
    'SELECT symptom, cured_by AS "check", count FROM cures ORDER BY 1, 2',
  );
  const between = db.prepare<[string, string], { symptom: Symptom; isCured: 0 | 1 }>(
    'SELECT symptom, cured_by IS NOT NULL AS isCured FROM troubles WHERE at >= ? AND at < ?',
  );
  return {
    /** Works a job's troubles out again from its log. */
    settle(jobId: string, { entries, state }: FoldedLog): void {
      const atOf = new Map(entries.map((e) => [e.id, e.at]));
      forget.run(jobId);
      for (const { entryId, symptom, curedBy } of state.troubles)
        keep.run(entryId, jobId, atOf.get(entryId), symptom, curedBy);
    },
    /** The cures of each trouble in this shop, and how often. */
    cures: (): Cure[] => cures.all(),
    /** Those that came up between two days, the second not included. */
    between: (from: string, to: string) =>
      between.all(from, to).map(({ symptom, isCured }) => ({ symptom, isCured: isCured === 1 })),
  };
};
