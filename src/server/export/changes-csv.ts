import type { ShopChange } from '../../core/shop/records';
import { csvOf } from './csv-cells';

const COLUMNS = ['at', 'who', 'kind', 'of', 'name', 'field', 'from', 'to', 'reason'] as const;

const cell = (value: unknown): string =>
  value === null || value === undefined
    ? ''
    : typeof value === 'string'
      ? value
      : JSON.stringify(value);

/** The changes as CSV (RFC 4180). */
export const changesCsv = (changes: readonly ShopChange[]): string =>
  csvOf(
    changes.map((c) => ({
      ...c,
      who: c.who ?? '',
      field: c.field ?? '',
      from: cell(c.from),
      to: cell(c.to),
      reason: c.reason ?? '',
    })),
    { header: true, columns: [...COLUMNS] },
  );
