import { parse } from 'csv-parse/sync';
import { randomUUID } from 'node:crypto';
import { InputError } from '../../core/base/errors';
import {
  columnName,
  fieldsOfKind,
  fileColumns,
  planImport,
  toCells,
  type ImportPlan,
  type RecordKind,
  type Records,
} from '../../core/shop/records';
import { tell, type Told } from '../progress';
import { csvOf, unmark } from './csv-cells';

/** All records of a kind as CSV (RFC 4180), SI inside, archived ones too. */
export const recordsCsv = <K extends RecordKind>(kind: K, records: readonly Records[K][]): string =>
  csvOf([fileColumns(kind), ...records.map((r) => toCells(kind, r))]);

const MAX_ROWS = 60_000;
/** More than any kind of record has. */
const MAX_COLUMNS = 100;

/**
 * The separator of the cells: comma, or what a spreadsheet of another language writes, by the
 * header.
 */
const delimiterOf = (text: string): string => {
  const header = /^[^\r\n]*/.exec(text)![0];
  return [',', ';', '\t'].reduce((best, d) =>
    header.split(d).length > header.split(best).length ? d : best,
  );
};

/** Counted before the file is taken apart: a line of nothing but commas would cost seconds. */
const checkColumns = (text: string, delimiter: string): void => {
  let columns = 1;
  for (const sign of text) {
    if (sign === '\n') columns = 1;
    else if (sign === delimiter && ++columns > MAX_COLUMNS)
      throw new InputError(
        'file',
        `A line has more than ${MAX_COLUMNS} columns.`,
        'Use the columns of an exported file',
      );
  }
};

/** The cells of a file. Throws `InputError` for what is no CSV, is empty, or is too long. */
const cellsOf = (text: string): string[][] => {
  const delimiter = delimiterOf(text);
  checkColumns(text, delimiter);
  let rows: string[][];
  try {
    rows = parse(text, {
      bom: true,
      relax_column_count: true,
      skip_empty_lines: true,
      trim: true,
      delimiter,
    });
  } catch (error) {
    const line = (error as { lines?: number }).lines;
    throw new InputError(
      'file',
      `This is not a CSV file${line ? `: look at line ${line}` : ''}.`,
      'Separate cells with commas, and quote a cell that contains one',
    );
  }
  if (rows.length < 2)
    throw new InputError('file', 'The file has no rows.', 'Include a header and at least one row');
  if (rows.length > MAX_ROWS + 1)
    throw new InputError(
      'file',
      `The file has ${rows.length - 1} rows.`,
      `Enter at most ${MAX_ROWS} at a time`,
    );
  return rows.map((row) => row.map(unmark));
};

/** The records that a file is compared with. */
export interface CsvInput<K extends RecordKind = RecordKind> {
  kind: K;
  text: string;
  have: readonly Records[K][];
  machineIds: ReadonlySet<string>;
  /** The progress, for the client that waits. */
  told?: Told;
}

/** The effect of a file on the records of a kind. Throws `InputError` for what is no CSV. */
export const planCsv = <K extends RecordKind>({
  kind,
  text,
  have,
  machineIds,
  told,
}: CsvInput<K>): ImportPlan<K> =>
  planImport(kind, cellsOf(text), have, {
    needed: fieldsOfKind(kind)
      .filter((f) => f.usual === undefined && !f.may)
      .map((f) => columnName(f.key)),
    machineIds,
    newId: randomUUID,
    onRow: (index, of) => tell(told, 'looking', index, of),
  });
