import Joi from 'joi';
import { InputError } from '../base/errors';
import { check, oneOf, text } from '../base/fields';
import { STATIONS } from '../base/stations';
import {
  definitionOf,
  ENTRY_KINDS,
  type EntryBody,
  type EntryData,
  type EntryKind,
} from './entries';
import { id } from './entry-fields';

/** The shape around every kind's data. */
const entryBodySchema = Joi.object({
  id,
  who: text(60, 'Who writes it'),
  station: oneOf(STATIONS, 'The station'),
  kind: oneOf(ENTRY_KINDS, 'The kind of entry'),
  data: Joi.object().required().meta({ expected: 'Use the data of this kind of entry' }),
  replaces: id.optional(),
}).required();

const schemas = new Map<EntryKind, Joi.ObjectSchema>();
/** The schema of a kind's data, built when first asked for. */
export const dataSchema = (kind: EntryKind): Joi.ObjectSchema => {
  const known = schemas.get(kind);
  if (known) return known;
  const fields: Joi.PartialSchemaMap = definitionOf(kind).schema();
  const schema = Joi.object(fields).required();
  schemas.set(kind, schema);
  return schema;
};

/** The entry with clean data. Throws `InputError` naming the field that does not fit. */
export const checkEntryBody = (value: unknown): EntryBody => {
  const body = check<EntryBody>(entryBodySchema, value);
  try {
    const data = check<EntryData[EntryKind]>(dataSchema(body.kind), body.data);
    definitionOf(body.kind).check?.(data);
    return { ...body, data };
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(`data.${error.field}`, error.message, error.expected);
    throw error;
  }
};
