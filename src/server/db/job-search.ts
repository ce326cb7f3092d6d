import type { Db } from './open-db';

/** What is looked for among the jobs; days as YYYY-MM-DD. */
export interface JobFilter {
  search: string;
  /** From the start of this moment on, and up to that one, ISO 8601. */
  from: string;
  to: string;
}

/** So many letters in a row are in the index; a shorter word is looked for in what the longer ones leave. */
const INDEXED = 3;

const quoted = (word: string): string => `"${word.replaceAll('"', '""')}"`;

/** Finds jobs by words, parts of words and days: a page of them, and how many there are. */
export const jobSearch = <Row>(db: Db, columns: string) => {
  const days = 'opened_at >= @from AND opened_at < @to';
  const short = 'NOT EXISTS (SELECT 1 FROM json_each(@short) WHERE instr(jobs.search, value) = 0)';
  const byWords = `FROM job_words JOIN jobs ON jobs.number = job_words.rowid
    WHERE job_words MATCH @match AND ${days} AND ${short}`;
  const byDays = `FROM jobs WHERE ${days} AND ${short}`;
  const prepared = (from: string, order: string) => ({
    list: db.prepare<unknown[], Row>(`SELECT ${columns} ${from} ORDER BY ${order} DESC LIMIT @limit OFFSET @offset`),
    total: db.prepare<unknown[], { total: number }>(`SELECT count(*) AS total ${from}`),
  });
  const withWords = prepared(byWords, 'job_words.rowid');
  const without = prepared(byDays, 'number');
  const matches = db.prepare<[string], { total: number }>(
    'SELECT count(*) AS total FROM job_words WHERE job_words MATCH ?',
  );
  const all = db.prepare<[], { total: number }>('SELECT count(*) AS total FROM jobs');

  return ({ search, from, to }: JobFilter, limit: number, offset: number): { rows: Row[]; total: number } => {
    const words = search.toLowerCase().split(/\s+/).filter(Boolean);
    const long = words.filter((w) => [...w].length >= INDEXED);
    const rest = words.filter((w) => !long.includes(w));
    const match = long.map(quoted).join(' AND ');
    const { list, total } = long.length > 0 ? withWords : without;
    const bind = { from, to, short: JSON.stringify(rest), limit, offset, ...(match && { match }) };
    const rows = list.all(bind);
    // Without days and short words the index alone knows how many there are.
    const isPlain = rest.length === 0 && from === FIRST && to === LAST;
    const { total: n } = (isPlain ? (match ? matches.get(match) : all.get()) : total.get(bind))!;
    return { rows, total: n };
  };
};

/** Before the first and after the last moment that a job may be opened. */
export const FIRST = '0000';
export const LAST = '9999';
