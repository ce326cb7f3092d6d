import type { EntryBody } from '../../core/job';
import type { Db } from './open-db';

/** When entries were written at the bench and, if they had to wait, when they arrived; ISO 8601. */
export interface WrittenAt {
  at: string;
  arrivedAt: string | null;
}

/** Writes entries at the end of a log, and finds them by id. */
export const jobEntries = (db: Db) => {
  const insert = db.prepare(
    `INSERT INTO entries (job_id, seq, id, at, who, station, kind, data, replaces, arrived_at)
     VALUES (@jobId, @seq, @id, @at, @who, @station, @kind, @data, @replaces, @arrivedAt)`,
  );
  const find = db.prepare<[string], { jobId: string; seq: number }>(
    'SELECT job_id AS jobId, seq FROM entries WHERE id = ?',
  );
  return {
    /** The place of an entry in any log; undefined if in none. */
    find: (entryId: string) => find.get(entryId),
    write(jobId: string, bodies: readonly EntryBody[], fromSeq: number, when: WrittenAt): void {
      bodies.forEach((body, i) =>
        insert.run({
          ...body,
          ...when,
          jobId,
          seq: fromSeq + i + 1,
          data: JSON.stringify(body.data),
          replaces: body.replaces ?? null,
        }),
      );
    },
  };
};
export type JobEntries = ReturnType<typeof jobEntries>;
