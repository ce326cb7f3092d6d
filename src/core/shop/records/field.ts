import Joi from 'joi';
import { InputError } from '../../base/errors';
import {
  angle,
  check,
  count,
  date,
  listOf,
  marking,
  oneOf,
  quantity,
  record,
  text,
  boolean,
} from '../../base/fields';
import { parseMarking } from '../../fit/tires';
import { parseTubeLabel } from '../../fit/tubes';
import { clockText, parseAngle, type Unit } from '../../base/units';
import { readRimCode, RENEWS, type Fastener } from '../../fit/wheels';
import { lowerFirst } from '../../base/text-case';

/** A number of a dated measurement. */
export interface DatedNumber {
  key: string;
  label: string;
  /** Null for a count. */
  unit: Unit | null;
  min: number;
  max: number;
}

/** A dated measurement; its numbers by their keys. */
export type Dated = { onDate: string } & Record<string, number | string>;

/** The way a field is typed, shown, stored and written to CSV. */
export type Form =
  | { as: 'text'; max: number }
  | {
      as:
        | 'size'
        | 'tube-label'
        | 'rim-code'
        | 'date-code'
        | 'date'
        | 'yes'
        | 'money'
        | 'places'
        | 'fasteners'
        | 'machine';
    }
  /** Measurements by day, each with a few numbers. */
  | { as: 'dated'; of: readonly DatedNumber[] }
  /** `isDrawn`: chosen by picture. */
  | {
      as: 'choice';
      of: readonly string[];
      words?: Readonly<Record<string, string>>;
      isDrawn?: boolean;
    }
  | { as: 'whole'; min: number; max: number }
  | { as: 'quantity'; unit: Unit; min: number; max: number };

/**
 * A field of a record: one definition for its schema, its form, its column and its place in a file.
 */
export interface Field<Key extends string = string> {
  key: Key;
  label: string;
  form: Form;
  /** May be left empty; null then. */
  may?: boolean;
  /** The default. */
  usual?: unknown;
  hint?: string;
  /** Of a wheel: asked for on rims of these builds alone. */
  builds?: readonly string[];
  /** Stands in the list. */
  listed?: boolean;
}

const MONEY_MAX = 100_000_000;

/** The parser's own words, where it refuses. */
const reads =
  (parse: (value: string) => unknown) =>
  (value: string, helpers: Joi.CustomHelpers): string | Joi.ErrorReport => {
    try {
      parse(value);
      return value;
    } catch (error) {
      if (error instanceof InputError) return helpers.error('any.invalid');
      throw error;
    }
  };

const fastener = record(
  {
    name: text(60, 'Name of the fastener'),
    wheel: oneOf(['front', 'rear', 'any'], 'Which wheel it holds'),
    torqueNm: quantity('Nm', 0.1, 1000, 'Torque in the manual').allow(null),
    socket: text(20, 'Socket or key').allow(null).optional().default(null),
    renews: oneOf(RENEWS, 'One-time part').optional().default('nothing'),
  },
  'A fastener',
);
const dated = (of: readonly DatedNumber[], label: string) =>
  record(
    {
      onDate: date('Day it was measured'),
      ...Object.fromEntries(
        of.map((n) => [
          n.key,
          n.unit === null ? count(n.min, n.max, n.label) : quantity(n.unit, n.min, n.max, n.label),
        ]),
      ),
    },
    label,
  );

const plain = ({ label, form }: Field): Joi.Schema => {
  switch (form.as) {
    case 'text':
      return text(form.max, label);
    case 'size':
      return marking(`${label}, as in 110/90-19 62M`).custom(reads(parseMarking));
    case 'tube-label':
      return text(80, `${label}, as in 2.75/3.00-21`).custom(reads(parseTubeLabel));
    case 'rim-code':
      return text(40, `${label}, as in 2.15x19`).custom(reads(readRimCode));
    case 'date-code':
      return Joi.string()
        .pattern(/^\d{3,4}$/)
        .required()
        .meta({ expected: `Enter ${lowerFirst(label)}: four digits, week then year, as in 3824` });
    case 'date':
      return date(label);
    case 'yes':
      return boolean(label);
    case 'money':
      return Joi.number()
        .integer()
        .min(0)
        .max(MONEY_MAX)
        .required()
        .meta({ expected: `Enter ${lowerFirst(label)}: a price` });
    case 'places':
      return listOf(angle(label), 3, label);
    case 'fasteners':
      return listOf(fastener, 40, label);
    case 'dated':
      return listOf(dated(form.of, label), 60, label);
    case 'machine':
      return text(60, label);
    case 'choice':
      return oneOf(form.of, label);
    case 'whole':
      return count(form.min, form.max, label);
    case 'quantity':
      return quantity(form.unit, form.min, form.max, label);
  }
};

/** The Joi schema of a field. */
export const schemaOf = (field: Field): Joi.Schema => {
  const schema = plain(field);
  const open =
    field.form.as === 'text' && field.usual === ''
      ? schema.allow('')
      : field.may
        ? schema.allow(null)
        : schema;
  return field.usual === undefined ? open : open.optional().default(field.usual);
};

const numberText = (value: number) => String(Number(value.toFixed(6)));
const LIST = '; ';
const PART = ' | ';

/** A value as a cell of a file. SI where it has a unit. */
export const toCell = ({ form }: Field, value: unknown): string => {
  if (value === null || value === undefined) return '';
  switch (form.as) {
    case 'yes':
      return value ? 'yes' : 'no';
    case 'places':
      return (value as number[]).map(numberText).join(LIST);
    case 'fasteners':
      return (value as Fastener[])
        .map(({ name, wheel, torqueNm, socket, renews = 'nothing' }) =>
          [
            name,
            wheel,
            torqueNm === null ? '' : numberText(torqueNm),
            socket ?? '',
            ...(renews === 'nothing' ? [] : [renews]),
          ].join(PART),
        )
        .join(LIST);
    case 'dated':
      return (value as Dated[])
        .map((r) => [r.onDate, ...form.of.map((n) => numberText(Number(r[n.key])))].join(PART))
        .join(LIST);
    case 'whole':
    case 'quantity':
    case 'money':
      return numberText(value as number);
    default:
      return String(value);
  }
};

const pieces = (text: string): string[] =>
  text
    .split(';')
    .map((t) => t.trim())
    .filter(Boolean);
const parts = (text: string): string[] => text.split('|').map((t) => t.trim());

/** A number as files have it; text that is none comes back as it is, for the schema to refuse. */
const toNumber = (text: string): unknown =>
  /^-?\d{1,12}(\.\d{1,9})?$/.test(text) ? Number(text) : text;

/** A cell of a file as a value that `schemaOf` then checks. */
export const fromCell = (field: Field, cell: string): unknown => {
  const text = cell.trim();
  const { form } = field;
  if (text === '') {
    if (field.usual !== undefined) return structuredClone(field.usual);
    return field.may ? null : undefined;
  }
  switch (form.as) {
    case 'yes':
      return /^(yes|true|1)$/i.test(text) ? true : /^(no|false|0)$/i.test(text) ? false : text;
    case 'places':
      return pieces(text).map(toNumber);
    case 'fasteners':
      return pieces(text).map((piece) => {
        const [name = '', wheel = '', torque = '', socket = '', renews = ''] = parts(piece);
        return {
          name,
          wheel,
          torqueNm: torque === '' ? null : toNumber(torque),
          socket: socket || null,
          renews: renews || 'nothing',
        };
      });
    case 'dated':
      return pieces(text).map((piece) => {
        const [onDate = '', ...numbers] = parts(piece);
        return {
          onDate,
          ...Object.fromEntries(form.of.map((n, i) => [n.key, toNumber(numbers[i] ?? '')])),
        };
      });
    case 'whole':
    case 'quantity':
    case 'money':
      return toNumber(text);
    default:
      return text;
  }
};

/** Places as typed, clock readings or degrees, separated by commas. Throws `InputError`. */
export const parsePlaces = (typed: string): number[] =>
  typed
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean)
    .map((t) => parseAngle(t));

/** Places as a fitter reads them. */
export const placesText = (degs: readonly number[]): string =>
  degs.map((d) => clockText(d)).join(', ');

/**
 * A sentence for what a parser of a marking has against a value; null where it has nothing, or
 * there is no parser.
 */
const parserProblem = (form: Form, value: string): InputError | null => {
  const parse =
    form.as === 'size'
      ? parseMarking
      : form.as === 'tube-label'
        ? parseTubeLabel
        : form.as === 'rim-code'
          ? readRimCode
          : null;
  if (!parse) return null;
  try {
    parse(value);
    return null;
  } catch (error) {
    if (error instanceof InputError) return error;
    throw error;
  }
};

/** Schemas by field, made once: a file has thousands of cells. */
const CELL_SCHEMAS = new WeakMap<Field, Joi.ObjectSchema>();
const cellSchema = (field: Field): Joi.ObjectSchema => {
  const known = CELL_SCHEMAS.get(field) ?? Joi.object({ it: schemaOf(field) });
  CELL_SCHEMAS.set(field, known);
  return known;
};

/**
 * One field's value, checked. Throws `InputError` with the words of the field's own parser where
 * there is one.
 */
export const checkField = (field: Field, value: unknown): unknown => {
  const problem = typeof value === 'string' ? parserProblem(field.form, value) : null;
  if (problem) throw new InputError(field.key, problem.message, problem.expected);
  try {
    return check<{ it: unknown }>(cellSchema(field), { it: value }).it;
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    const inner = error.field.replace(/^it/, field.key);
    const message = error.message.replace(/^it\b/, field.label).replace('is missing', 'is empty');
    throw new InputError(inner, message, error.expected);
  }
};
