import Joi from 'joi';
import { check, instant, oneOf, text } from '../base/fields';
import { STATIONS } from '../base/stations';
import { ENTRY_KINDS, type Entry, type EntryKind } from './entries';
import { checkEntryBody, dataSchema } from './entry-check';

/** An entry as a file holds it: its place in the log is its place in the list. */
export type KeptEntry = Omit<Entry, 'seq'>;

const id = text(60, 'Name of the entry');

const around = {
  id,
  at: instant('When it was saved'),
  who: text(60, 'Who saved it'),
  station: oneOf(STATIONS, 'The station'),
  kind: oneOf(ENTRY_KINDS, 'The kind of entry'),
  data: Joi.object().unknown().required().meta({ expected: 'Use the data of this kind of entry' }),
  replaces: id.optional(),
  arrivedAt: instant('When the log got it').optional(),
};
const aroundSchema = Joi.object(around).required();

/**
 * Rules are kept by the keys and values that an earlier program had too: which of them stand, the
 * log's reader says.
 */
const keptRules = Joi.object({
  values: Joi.object()
    .pattern(/^[a-z][a-zA-Z0-9.-]{1,60}$/, Joi.alternatives(Joi.number(), Joi.string().max(60)))
    .required()
    .meta({ expected: 'Use rule values by key' }),
}).required();

const OF_SERVER = 'of';
const namesAnother = (kind: EntryKind): boolean =>
  dataSchema(kind).$_terms.keys!.some((k: { key: string }) => k.key === OF_SERVER);

/**
 * The schema of an entry of a kind once it stands in a log: the server may have named the entry
 * that it follows from.
 */
export const keptEntrySchema = (kind: EntryKind): Joi.ObjectSchema =>
  Joi.object({
    ...around,
    kind: oneOf([kind], 'The kind of entry'),
    data:
      kind === 'rules'
        ? keptRules
        : namesAnother(kind)
          ? dataSchema(kind).keys({ [OF_SERVER]: id.optional() })
          : dataSchema(kind),
  }).required();

const RULES = keptEntrySchema('rules');

/** The entry with clean data. Throws `InputError` naming the field that does not fit. */
export const checkKeptEntry = (value: unknown): KeptEntry => {
  const whole = check<KeptEntry>(aroundSchema, value);
  if (whole.kind === 'rules') return check<KeptEntry>(RULES, value);
  const { at, arrivedAt, ...body } = whole;
  const { [OF_SERVER]: of, ...said } = body.data as { of?: unknown };
  const { data, ...rest } = checkEntryBody({
    ...body,
    data: namesAnother(body.kind) ? said : body.data,
  });
  if (of !== undefined && namesAnother(body.kind)) check(id, of);
  return {
    ...rest,
    at,
    data: of !== undefined && namesAnother(body.kind) ? { ...data, of } : data,
    ...(arrivedAt === undefined ? {} : { arrivedAt }),
  } as KeptEntry;
};
