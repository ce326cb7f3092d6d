import Joi from 'joi';
import { InputError } from '../../base/errors';
import { check, count, text, boolean } from '../../base/fields';
import { checkField, fromCell, schemaOf, toCell, type Field } from './field';
import { fieldsOfKind } from './kinds';
import type { RecordKind, Records } from './shop';
import { checkLockPlaces } from '../../fit/wheels';

const id = text(60, 'The record’s name in the database').pattern(/^[\w-]+$/);
const kept = {
  id,
  archived: boolean('archived').optional().default(false),
  version: count(1, 1_000_000_000, 'The version that you have seen').optional().default(1),
};

const described = new Map<RecordKind, Joi.ObjectSchema>();

/** The schema of a record of a kind. */
export const recordSchema = (kind: RecordKind): Joi.ObjectSchema => {
  const fields = () => Object.fromEntries(fieldsOfKind(kind).map((f) => [f.key, schemaOf(f)]));
  const schema = described.get(kind) ?? Joi.object({ ...kept, ...fields() }).required();
  described.set(kind, schema);
  return schema;
};

/** The checks that no single field can make. Throws `InputError`. */
const checkWhole = (kind: RecordKind, it: Records[RecordKind]): void => {
  if (kind === 'wrenches') {
    const { minNm, maxNm } = it as Records['wrenches'];
    if (maxNm <= minNm)
      throw new InputError(
        'maxNm',
        'The highest setting is not above the lowest.',
        `Enter a number above ${minNm}`,
      );
  }
  if (kind === 'strips') {
    const { rimFromIn, rimToIn } = it as Records['strips'];
    if (rimToIn < rimFromIn)
      throw new InputError(
        'rimToIn',
        'The range of rims runs backwards.',
        `Enter at least ${rimFromIn}`,
      );
  }
  if (kind === 'wheels') checkLockPlaces('rimLockDegs', (it as Records['wheels']).rimLockDegs);
  if (kind === 'tires') {
    const { takeOff, treadMm } = it as Records['tires'];
    if (takeOff && treadMm === null)
      throw new InputError(
        'treadMm',
        'A take-off has no depth.',
        'Enter the depth of its tread, measured',
      );
  }
};

/**
 * Spaces round a text are nothing that anyone meant: without them a file goes out and comes in the
 * same.
 */
const withoutSpaces = (value: unknown): unknown =>
  value !== null && typeof value === 'object' && !Array.isArray(value)
    ? Object.fromEntries(
        Object.entries(value).map(([key, v]) => [
          key,
          typeof v === 'string' ? v.trim() : (v as unknown),
        ]),
      )
    : value;

/**
 * A record with its usual values filled in. Throws `InputError` naming the field that does not fit.
 */
export const checkRecord = <K extends RecordKind>(kind: K, given: unknown): Records[K] => {
  const value = withoutSpaces(given);
  if (value !== null && typeof value === 'object')
    for (const field of fieldsOfKind(kind)) {
      const text = (value as Record<string, unknown>)[field.key];
      if (typeof text === 'string') checkField(field, text);
    }
  const it = check<Records[K]>(recordSchema(kind), value);
  checkWhole(kind, it);
  return it;
};

/**
 * A record from its parts, with the usual values for those not given; unchecked, for records of an
 * older program.
 */
export const complete = <K extends RecordKind>(kind: K, parts: Partial<Records[K]>): Records[K] => {
  const usual = Object.fromEntries(
    fieldsOfKind(kind)
      .filter((f) => f.usual !== undefined)
      .map((f) => [f.key, structuredClone(f.usual)]),
  );
  return { archived: false, version: 1, ...usual, ...parts } as unknown as Records[K];
};

/** `seatLimitKpa` as the name of a column: `seat_limit_kpa`. */
export const columnName = (key: string): string =>
  key.replace(/[A-Z]/g, (c) => `_${c.toLowerCase()}`);

/** The columns of a kind's file, in order. */
export const fileColumns = (kind: RecordKind): string[] => [
  'id',
  ...fieldsOfKind(kind).map((f) => columnName(f.key)),
  'archived',
];

/** A record as the cells of a file. */
export const toCells = <K extends RecordKind>(kind: K, it: Records[K]): string[] => [
  it.id,
  ...fieldsOfKind(kind).map((f) => toCell(f, (it as unknown as Record<string, unknown>)[f.key])),
  it.archived ? 'yes' : 'no',
];

const ARCHIVED: Field = { key: 'archived', label: 'archived', form: { as: 'yes' }, usual: false };

/** A fault of a cell. */
export interface CellProblem {
  column: string;
  message: string;
  expected: string;
}

/**
 * Cells by column name as a record, with everything that is wrong with them. `id` is what to call a
 * row that names none. Columns that are not there take their usual value.
 */
export const fromCells = <K extends RecordKind>(
  kind: K,
  cells: Readonly<Record<string, string>>,
  newId: string,
): { record: Records[K] | null; problems: CellProblem[] } => {
  const problems: CellProblem[] = [];
  const it: Record<string, unknown> = {};
  for (const field of [...fieldsOfKind(kind), ARCHIVED])
    try {
      it[field.key] = checkField(field, fromCell(field, cells[columnName(field.key)] ?? ''));
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      problems.push({
        column: columnName(field.key),
        message: error.message,
        expected: error.expected,
      });
    }
  if (problems.length > 0) return { record: null, problems };
  try {
    return { record: checkRecord(kind, { ...it, id: cells.id?.trim() || newId }), problems };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return {
      record: null,
      problems: [
        { column: columnName(error.field), message: error.message, expected: error.expected },
      ],
    };
  }
};
