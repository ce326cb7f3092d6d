import Joi from 'joi';
import { check, instant, oneOf, text } from '../../base/fields';
import {
  VISIT_ENTRY_KINDS,
  visitDataSchema,
  type VisitEntry,
  type VisitEntryKind,
} from './entries';

/** An entry as a file holds it: its place in the log is its place in the list. */
export type KeptVisitEntry = Omit<VisitEntry, 'seq'>;

const around = {
  id: text(80, 'Name of the entry').pattern(/^[\w-]+$/),
  at: instant('When it was written'),
  who: text(60, 'Who wrote it'),
  kind: oneOf(VISIT_ENTRY_KINDS, 'The kind of entry'),
  data: Joi.object().unknown().required().meta({ expected: 'Use the data of this kind of entry' }),
};
const aroundSchema = Joi.object(around).required();

/** A machine may have come in without a rider's name. */
const keptData = (kind: VisitEntryKind): Joi.ObjectSchema =>
  kind === 'opened'
    ? visitDataSchema(kind).keys({ rider: text(80, 'The rider').allow('') })
    : visitDataSchema(kind);

export const keptVisitEntrySchema = (kind: VisitEntryKind): Joi.ObjectSchema =>
  Joi.object({
    ...around,
    kind: oneOf([kind], 'The kind of entry'),
    data: keptData(kind),
  }).required();

/** The entry with clean data. Throws `InputError` naming the field that does not fit. */
export const checkKeptVisitEntry = (value: unknown): KeptVisitEntry => {
  const { kind } = check<KeptVisitEntry>(aroundSchema, value);
  return check<KeptVisitEntry>(keptVisitEntrySchema(kind), value);
};
