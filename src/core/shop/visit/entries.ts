import Joi from 'joi';
import { InputError } from '../../base/errors';
import { check, oneOf, record, text } from '../../base/fields';
import type { DataOf, Intersection, OwnOf } from '../../base/log/kind-types';
import type { JobsNow, VisitDefinition, VisitWords } from './define-entry';
import { ID } from './fields';
import { VISIT_KINDS } from './kinds';

type Kinds = typeof VISIT_KINDS;
export type VisitEntryKind = keyof Kinds;

/** The data of each kind of entry of a visit. */
export type VisitEntryData = { [K in VisitEntryKind]: DataOf<Kinds[K]> };

/** A visit as its log says: the parts that the kinds of entries add. */
export type VisitState = Intersection<OwnOf<Kinds[VisitEntryKind]>>;

/** An entry that a client asks to append. */
export interface VisitEntryBody<K extends VisitEntryKind = VisitEntryKind> {
  id: string;
  who: string;
  kind: K;
  data: VisitEntryData[K];
}

/**
 * An entry of one kind as it stands in the log; `seq` counts from 1 without gaps, `at` is ISO 8601.
 */
type VisitEntryOf<K extends VisitEntryKind> = VisitEntryBody<K> & { seq: number; at: string };
export type VisitEntry = { [K in VisitEntryKind]: VisitEntryOf<K> }[VisitEntryKind];

const DEFINITIONS: { [K in VisitEntryKind]: VisitDefinition<VisitEntryData[K], VisitState> } =
  VISIT_KINDS;

/** The definition of a kind, over the whole state of a visit. */
export const visitDefinitionOf = <K extends VisitEntryKind>(
  kind: K,
): VisitDefinition<VisitEntryData[K], VisitState> => DEFINITIONS[kind];

export const VISIT_ENTRY_KINDS = Object.keys(VISIT_KINDS) as readonly VisitEntryKind[];

const bodySchema = Joi.object({
  id: ID,
  who: text(60, 'Who does it'),
  kind: oneOf(
    VISIT_ENTRY_KINDS.filter((kind) => visitDefinitionOf(kind).author !== 'server'),
    'The kind of entry',
  ),
  data: Joi.object().unknown().required().meta({ expected: 'Use the data of this kind of entry' }),
}).required();

const SCHEMAS = Object.fromEntries(
  VISIT_ENTRY_KINDS.map((kind) => [kind, record(visitDefinitionOf(kind).schema, kind)]),
) as Record<VisitEntryKind, Joi.ObjectSchema>;

/** The schema of a kind's data. */
export const visitDataSchema = (kind: VisitEntryKind): Joi.ObjectSchema => SCHEMAS[kind];

/** The entry with clean data. Throws `InputError` naming the field that does not fit. */
export const checkVisitEntry = (value: unknown): VisitEntryBody => {
  const body = check<VisitEntryBody>(bodySchema, value);
  try {
    const schema = visitDataSchema(body.kind);
    return { ...body, data: check<VisitEntryData[VisitEntryKind]>(schema, body.data) };
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(`data.${error.field}`, error.message, error.expected);
    throw error;
  }
};

/**
 * Throws `InputError` if an entry may not follow on a visit as it stands; `nowIso` is the server's
 * time, for promises.
 */
export const checkVisitAppend = <K extends VisitEntryKind>(
  { kind, data }: VisitEntryBody<K>,
  state: VisitState,
  jobs: JobsNow,
  nowIso: string,
): void => visitDefinitionOf(kind).check?.(data, state, jobs, nowIso);

/** The people an entry names as having acted, beside the one who writes it. */
export const peopleInVisitEntry = <K extends VisitEntryKind>({
  kind,
  data,
}: VisitEntryBody<K>): string[] => visitDefinitionOf(kind).people?.(data) ?? [];

/** An entry as a sentence. */
export const visitEntryText = <K extends VisitEntryKind>(
  { kind, data }: VisitEntryBody<K>,
  words: VisitWords,
): string => visitDefinitionOf(kind).text(data, words);
