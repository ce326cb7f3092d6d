import type { JobSummary } from '../../core/job';
import { NotFound } from '../errors';
import type { Db } from './open-db';

export interface JobRow extends Omit<JobSummary, 'handedOver'> {
  handedOver: 0 | 1;
}

/** The columns of a job's summary. */
export const SUMMARY = `id, number, machine_id AS machineId, wheel_id AS wheelId, machine_name AS machineName,
  wheel_position AS wheelPosition, rider, size_off AS sizeOff, size_on AS sizeOn, handed_over AS handedOver,
  withdrawn_by AS withdrawnBy, opened_at AS openedAt, last_at AS lastAt, last_seq AS lastSeq`;

export const toSummary = (row: JobRow): JobSummary => ({
  ...row,
  handedOver: row.handedOver === 1,
});

/** Reads the summaries of jobs. */
export const jobRows = (db: Db) => {
  const one = db.prepare<[string], JobRow>(`SELECT ${SUMMARY} FROM jobs WHERE id = ?`);
  const ofWheel = db.prepare<[string], JobRow>(
    `SELECT ${SUMMARY} FROM jobs WHERE wheel_id = ? ORDER BY number DESC`,
  );
  const findOrNull = (id: string): JobSummary | null => {
    const row = one.get(id);
    return row ? toSummary(row) : null;
  };
  return {
    findOrNull,
    /** Throws `NotFound`. */
    find(id: string): JobSummary {
      const job = findOrNull(id);
      if (!job) throw new NotFound('Job not found.');
      return job;
    },
    /** The newest first. */
    ofWheel: (wheelId: string): JobSummary[] => ofWheel.all(wheelId).map(toSummary),
  };
};
export type JobRows = ReturnType<typeof jobRows>;
