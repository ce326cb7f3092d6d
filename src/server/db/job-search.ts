import { boundWords, findWords, rowsWith } from './find-words';
import type { Db } from './open-db';

/** The filter of a search among the jobs; days as YYYY-MM-DD. */
interface JobFilter {
  search: string;
  /** From the start of this moment on, and up to that one, ISO 8601. */
  from: string;
  to: string;
}

/** Finds jobs by words, parts of words and days: a page of them, and how many there are. */
export const jobSearch = <Row>(db: Db, columns: string) => {
  // The page's numbers first, by an index alone: rows that are skipped are not read.
  const prepare = (from: string) => ({
    list: db.prepare<unknown[], Row>(
      `SELECT ${columns} FROM jobs WHERE number IN (${from} ORDER BY 1 DESC LIMIT @limit OFFSET @offset)
       ORDER BY number DESC`,
    ),
    total: db.prepare<unknown[], { total: number }>(`SELECT count(*) AS total FROM (${from})`),
  });
  const prepared = new Map<string, ReturnType<typeof prepare>>();
  const statements = (from: string) => {
    const there = prepared.get(from) ?? prepare(from);
    prepared.set(from, there);
    return there;
  };
  return (
    { search, from, to }: JobFilter,
    limit: number,
    offset: number,
  ): { rows: Row[]; total: number } => {
    const words = findWords(search);
    const found = rowsWith('job', words);
    const hasDays = from !== FIRST || to !== LAST;
    const inDays = 'SELECT number FROM jobs WHERE opened_at >= @from AND opened_at < @to';
    // Without days the words alone know which, and how many there are.
    const asked = [...(found ? [found] : []), ...(hasDays ? [inDays] : [])];
    const { list, total } = statements(asked.join(' INTERSECT ') || 'SELECT number FROM jobs');
    const bind = { ...boundWords(words), ...(hasDays && { from, to }) };
    return { rows: list.all({ ...bind, limit, offset }), total: total.get(bind)!.total };
  };
};

/** Before the first and after the last moment that a job may be opened. */
export const FIRST = '0000';
export const LAST = '9999';
