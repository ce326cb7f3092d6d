import { findWords } from './find-words';
import type { Db } from './open-db';

/** What is looked for among the jobs; days as YYYY-MM-DD. */
export interface JobFilter {
  search: string;
  /** From the start of this moment on, and up to that one, ISO 8601. */
  from: string;
  to: string;
}

/** Finds jobs by words, parts of words and days: a page of them, and how many there are. */
export const jobSearch = <Row>(db: Db, columns: string) => {
  const short = 'NOT EXISTS (SELECT 1 FROM json_each(@short) WHERE instr(jobs.search, value) = 0)';
  const rest = `opened_at >= @from AND opened_at < @to AND ${short}`;
  // The page's numbers first, by an index alone: rows that are skipped are not read.
  const prepared = (from: string) => ({
    list: db.prepare<unknown[], Row>(
      `SELECT ${columns} FROM jobs WHERE number IN (${from} ORDER BY 1 DESC LIMIT @limit OFFSET @offset)
       ORDER BY number DESC`,
    ),
    total: db.prepare<unknown[], { total: number }>(`SELECT count(*) AS total FROM (${from})`),
  });
  const withWords = prepared(`SELECT job_words.rowid FROM job_words JOIN jobs ON jobs.number = job_words.rowid
    WHERE job_words MATCH @match AND ${rest}`);
  const wordsAlone = prepared('SELECT rowid FROM job_words WHERE job_words MATCH @match');
  const without = prepared(`SELECT number FROM jobs WHERE ${rest}`);
  const all = prepared('SELECT number FROM jobs');

  return ({ search, from, to }: JobFilter, limit: number, offset: number): { rows: Row[]; total: number } => {
    const { match, short: left } = findWords(search);
    // Without days and short words an index alone knows which, and how many there are.
    const isPlain = left.length === 0 && from === FIRST && to === LAST;
    const { list, total } = match ? (isPlain ? wordsAlone : withWords) : isPlain ? all : without;
    const bind = { ...(match && { match }), ...(!isPlain && { from, to, short: JSON.stringify(left) }) };
    return { rows: list.all({ ...bind, limit, offset }), total: total.get(bind)!.total };
  };
};

/** Before the first and after the last moment that a job may be opened. */
export const FIRST = '0000';
export const LAST = '9999';
