import { stringify, type Options } from 'csv-stringify/sync';

/** The start of a cell that a spreadsheet would run as a formula, with any marks before it. */
const FORMULA = /^'*[=+\-@\t\r]/;

/** A cell that a spreadsheet would run as a formula is marked as text. */
export const mark = (cell: string): string => (FORMULA.test(cell) ? `'${cell}` : cell);

/** Takes the mark away again: what was written is what is read, whatever it begins with. */
export const unmark = (cell: string): string =>
  cell.startsWith("'") && FORMULA.test(cell.slice(1)) ? cell.slice(1) : cell;

/**
 * Rows as CSV (RFC 4180), every text marked where it has to be; spaces at its ends and breaks in it
 * stay.
 */
export const csvOf = (
  rows: readonly (readonly unknown[])[] | readonly object[],
  options: Options = {},
): string =>
  stringify([...rows], {
    record_delimiter: 'windows',
    quoted_match: /^\s|\s$|[\r\n]/,
    cast: { string: mark },
    ...options,
  });
