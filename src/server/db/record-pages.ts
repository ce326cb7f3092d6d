import { columnName, fieldsOfKind, type RecordKind, type Records } from '../../core/shop/records';
import { boundWords, findWords, rowsWith } from './find-words';
import type { Db } from './open-db';

/** The filter and the order of a list of records of a kind. */
export interface RecordQuery {
  find: string;
  /** A field of the kind and the value it must have. */
  only: { key: string; value: string } | null;
  archived: boolean;
  /** The field to list by; null for the order that the kind has by itself. */
  sort: { key: string; down: boolean } | null;
  limit: number;
  offset: number;
}

type Row = Record<string, string | number | null>;

/**
 * Numbers by size, sizes by the number they begin with, the rest by letters; what is not known
 * last.
 */
const orderBy = (kind: RecordKind, { key, down }: { key: string; down: boolean }): string => {
  const column = `r.${columnName(key)}`;
  const field = fieldsOfKind(kind).find((f) => f.key === key)!;
  const by =
    field.form.as === 'machine' ? `(SELECT name FROM machines WHERE id = ${column})` : column;
  const way = down ? 'DESC' : 'ASC';
  return `${by} IS NULL, CAST(${by} AS REAL) ${way}, ${by} COLLATE NOCASE ${way}, r.id`;
};

/**
 * A page of the records of a kind, and how many fit. `columns` and `order` by kind, as they stand
 * in its table `r`. Column names come from the program alone.
 */
export const recordPages = (
  db: Db,
  of: (kind: RecordKind) => { select: string; order: string; toRecord: (row: Row) => never },
) => {
  const prepared = new Map<string, ReturnType<typeof db.prepare>>();
  const statement = (sql: string) => {
    const there = prepared.get(sql) ?? db.prepare(sql);
    prepared.set(sql, there);
    return there;
  };
  return <K extends RecordKind>(
    kind: K,
    query: RecordQuery,
  ): { records: Records[K][]; total: number } => {
    const { find, only, archived, sort, limit, offset } = query;
    const { select, order, toRecord } = of(kind);
    const words = findWords(find);
    const found = rowsWith('record', words);
    const where = [
      ...(archived ? [] : ['r.archived = 0']),
      ...(only ? [`r.${columnName(only.key)} = @only`] : []),
    ];
    // The words first, of which few records have all: each is then read by its key.
    const within = found
      ? `(${found}) AS f CROSS JOIN record_texts AS t ON t.n = f.rowid AND t.kind = '${kind}'
         CROSS JOIN ${kind} AS r ON r.id = t.id`
      : `${kind} AS r`;
    const from = `FROM ${within} ${where.length > 0 ? `WHERE ${where.join(' AND ')}` : ''}`;
    const bind = { ...(only && { only: only.value }), ...boundWords(words) };
    const rows = statement(
      `SELECT ${select} ${from} ORDER BY ${sort ? orderBy(kind, sort) : order} LIMIT @limit OFFSET @offset`,
    ).all({ ...bind, limit, offset }) as Row[];
    const { total } = statement(`SELECT count(*) AS total ${from}`).get(bind) as { total: number };
    return { records: rows.map(toRecord), total };
  };
};
