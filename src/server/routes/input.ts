import type { Response } from 'express';
import Joi from 'joi';
import { count, date, expectedAt, listOf, text } from '../../core/base/fields';
import { InputError } from '../../core/base/errors';
import { AskerGone, NotFound } from '../errors';
import { RECORD_KINDS, type RecordKind } from '../../core/shop/records';
import type { UnitPreferences } from '../../core/base/units';
import { lowerFirst } from '../../core/base/text-case';

/** Aborted when the client hangs up before the answer is whole. */
export const goneOf = (res: Response): AbortSignal => {
  const gone = new AbortController();
  res.on('close', () => {
    if (!res.writableEnded) gone.abort(new AskerGone());
  });
  return gone.signal;
};

/** Query and parameters arrive as text: this turns numbers into numbers and then checks as ever. */
export const checkQuery = <T>(schema: Joi.Schema, query: unknown): T => {
  const { error, value } = schema.validate(query, { convert: true, abortEarly: true });
  if (!error) return value as T;
  const field = String(error.details[0]!.path[0] ?? 'query').slice(0, 60);
  throw new InputError(field, `${field} is not valid.`, expectedAt(schema, [field]));
};

export const who = text(60, 'Who does it');
export const recordId = text(60, 'The record’s name in the database').pattern(/^[\w-]+$/);

export const riderName = text(80, 'The rider’s name');
/** The rider that is asked for. */
export const riderQuery = Joi.object({ name: riderName });

/** A kind of record by its name in an address. Throws `NotFound`. */
export const kindOf = (value: string): RecordKind => {
  const kind = RECORD_KINDS.find((k) => k === value);
  if (!kind) throw new NotFound(`There are no records of kind ${value.slice(0, 40)}.`);
  return kind;
};

const MAX_ENTRIES = 50;

/** The longest that an entry may have waited on its way, in seconds: thirty days. */
const LONGEST_WAIT_S = 2_592_000;

/** The entries to append to a log, and the newest entry that the writer has seen. */
export interface Append {
  expectedSeq: number;
  entries: unknown[];
}
export const appendBody = Joi.object({
  expectedSeq: count(0, 1_000_000_000, 'Newest entry you have seen'),
  entries: listOf(Joi.object().unknown(), MAX_ENTRIES, 'Entries to append').custom(
    (value: unknown[], helpers) => (value.length > 0 ? value : helpers.error('any.invalid')),
  ),
}).required();

/** The entries to append to a job's log, and how long they waited on their way, in seconds. */
export interface JobAppend extends Append {
  waitedS: number;
}
export const jobAppendBody = appendBody.keys({
  waitedS: count(0, LONGEST_WAIT_S, 'Seconds it waited').optional().default(0),
});

/** A whole number in a query, with what it is where nothing is said. */
export const number = (min: number, max: number, usual: number, label: string) =>
  Joi.number()
    .integer()
    .min(min)
    .max(max)
    .default(usual)
    .meta({ expected: `Enter ${lowerFirst(label)}, a whole number from ${min} to ${max}` });

/** The text of a search. The index of words takes no control characters. */
export const searchText = Joi.string()
  .allow('')
  .max(100)
  // eslint-disable-next-line no-control-regex
  .pattern(/^[^\u0000-\u001f\u007f]*$/)
  .default('')
  .meta({ expected: 'Enter up to 100 characters to search for' });

/** The query of the jobs list. */
export const jobQuery = Joi.object({
  search: searchText,
  from: date('First day').optional(),
  to: date('Last day').optional(),
  limit: number(1, 200, 50, 'limit'),
  offset: number(0, 1_000_000, 0, 'offset'),
});

/** The query of the list of visits. */
export const visitQuery = Joi.object({
  state: Joi.string()
    .valid('open', 'done')
    .default('open')
    .meta({ expected: 'Use state=open or done' }),
  search: searchText,
  limit: number(1, 200, 50, 'limit'),
  after: Joi.string()
    .pattern(/^\d{4}-[\dT:.Z-]{6,24} [\w-]{1,60}$/)
    .optional()
    .meta({ expected: 'Use `after` as the last page gave it' }),
});

/** The days over which the shop looks at itself. */
export const knowsQuery = Joi.object({
  from: date('First day').optional(),
  to: date('Last day').optional(),
});

/**
 * The people at work, for the plan of the day: `person` once for each, everyone if none is named;
 * `closely=yes` takes longer.
 */
export const planQuery = Joi.object({
  person: Joi.array()
    .items(Joi.string().min(1).max(60))
    .single()
    .max(6)
    .unique()
    .default([])
    .meta({ expected: 'Use person with up to 6 different names' }),
  closely: Joi.string().valid('yes').meta({ expected: 'Use closely=yes, or leave it out' }),
});

/** The query of what is to be looked at again. */
export const recheckQuery = Joi.object({
  state: Joi.string()
    .valid('open', 'done')
    .default('open')
    .meta({ expected: 'Use state=open or done' }),
  search: searchText,
  from: date('First day').optional(),
  limit: number(1, 200, 50, 'limit'),
  after: Joi.string()
    .pattern(/^\d{4}-[\dT:.Z-]{5,24} [\w-]{1,60}$/)
    .optional()
    .meta({ expected: 'Use `after` as the last page gave it' }),
});

const unit = (...choices: string[]) =>
  Joi.string()
    .valid(...choices)
    .default(choices[0]!)
    .meta({ expected: `Choose one of ${choices.join(', ')}` });

/** The fitter's units, for what is printed. */
export const unitQuery = Joi.object<UnitPreferences>({
  pressure: unit('psi', 'kPa', 'bar'),
  length: unit('mm', 'in'),
  mass: unit('g', 'oz'),
  torque: unit('N·m', 'lbf·ft'),
  temperature: unit('°C', '°F'),
});
