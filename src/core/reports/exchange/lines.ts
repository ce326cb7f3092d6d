import Joi from 'joi';
import { ROLES, type Role } from '../../shop/auth';
import { check, count, instant, listOf, oneOf, text } from '../../base/fields';
import { checkKeptEntry, type EntryData, type KeptEntry } from '../../job';
import type { PartOrder } from '../../shop/parts';
import { MAX_ACTS, MAX_SEED, PRACTICE_KINDS, type PracticeScore } from '../../practice';
import {
  checkRecord,
  PACES,
  RECORD_KINDS,
  type ChangedKind,
  type Pace,
  type RecordKind,
  type Records,
} from '../../shop/records';
import { checkKeptVisitEntry, type KeptVisitEntry } from '../../shop/visit';
import { InputError } from '../../base/errors';
import { lowerFirst } from '../../base/text-case';

/** The format name of a shop's file, and the version that this program writes. */
export const SHOP_FORMAT = 'rimstone-shop';
export const SHOP_FORMAT_VERSION = 1;

/**
 * The subjects of a file: everything that a shop keeps, one job with what it needs, or all that is
 * kept of a rider.
 */
export const FILE_OF = ['shop', 'job', 'rider'] as const;
export type FileOf = (typeof FILE_OF)[number];

/** The parts that a job took from a shelf at the hand-over. */
export interface TakenPart {
  kind: RecordKind;
  stockId: string;
  count: number;
}

/** The data of each kind of line of a shop's file. */
export interface LineData {
  /** The first line. */
  shop: {
    format: typeof SHOP_FORMAT;
    version: typeof SHOP_FORMAT_VERSION;
    of: FileOf;
    name: string;
  };
  /** Without a secret: who comes to another shop is let in there. */
  person: { name: string; role: Role; pace: Pace };
  rule: {
    key: string;
    value: number | string;
    note: string;
    changedBy: string;
    reason: string;
    changedAt: string;
  };
  'rule-change': {
    key: string;
    from: number | string;
    to: number | string;
    changedBy: string;
    reason: string;
    changedAt: string;
  };
  record: { kind: RecordKind; record: Records[RecordKind] };
  visit: { id: string; entries: KeptVisitEntry[] };
  job: {
    id: string;
    number: number;
    /** Null where the wheel was taken out of its visit. */
    visitId: string | null;
    entries: KeptEntry[];
    taken: TakenPart[];
    /** The wheel's record before its hand-over and after; `place` says which came later. */
    fitted: { before: object; after: object | null; place: number } | null;
  };
  order: PartOrder & { closedAt: string | null; closedBy: string | null };
  practice: PracticeScore & { acts: readonly unknown[] };
  change: {
    at: string;
    who: string | null;
    kind: ChangedKind;
    of: string;
    name: string;
    fields: Record<string, [from: unknown, to: unknown]>;
  };
}
export type LineKind = keyof LineData;
export type Line<K extends LineKind = LineKind> = { [L in K]: { line: L } & LineData[L] }[K];

/** Kinds of lines in the order in which a file has them: each names only what stands before it. */
export const LINE_KINDS = [
  'shop',
  'person',
  'rule',
  'rule-change',
  'record',
  'visit',
  'job',
  'order',
  'practice',
  'change',
] as const satisfies readonly LineKind[];

const id = text(60, 'Its ID').pattern(/^[\w-]+$/);
const person = text(60, 'A person');
const ruleValue = Joi.alternatives(Joi.number(), Joi.string().max(200).allow(''))
  .required()
  .meta({ expected: 'Enter a number or a word' });
const ruleKey = text(60, 'The rule');
const note = (label: string) => text(1000, label).allow('');
const flag = Joi.boolean().required().meta({ expected: 'Choose true or false' });
const loose = Joi.object().unknown().required();
/** Longer logs are not written by hand. */
const MAX_ENTRIES = 100_000;
const entries = (label: string) =>
  Joi.array()
    .items(loose)
    .min(1)
    .max(MAX_ENTRIES)
    .required()
    .meta({ expected: `Enter ${lowerFirst(label)}, at least its opening` });
const maybe = (schema: Joi.Schema) => schema.allow(null);

/** A schema for every field of every kind: a missing or misspelled one does not compile. */
const FIELDS: { [K in LineKind]: Record<keyof LineData[K], Joi.Schema> } = {
  shop: {
    format: oneOf([SHOP_FORMAT], 'The format'),
    version: Joi.number()
      .valid(SHOP_FORMAT_VERSION)
      .required()
      .meta({ expected: `Use version ${SHOP_FORMAT_VERSION}` }),
    of: oneOf(FILE_OF, 'What the file holds'),
    name: text(80, 'The shop’s name').allow(''),
  },
  person: { name: person, role: oneOf(ROLES, 'Role'), pace: oneOf(PACES, 'Step mode') },
  rule: {
    key: ruleKey,
    value: ruleValue,
    note: note('The note'),
    changedBy: person,
    reason: note('The reason'),
    changedAt: instant('When it was changed'),
  },
  'rule-change': {
    key: ruleKey,
    from: ruleValue,
    to: ruleValue,
    changedBy: person,
    reason: note('The reason'),
    changedAt: instant('When it was changed'),
  },
  record: { kind: oneOf(RECORD_KINDS, 'The kind of record'), record: loose },
  visit: { id, entries: entries('The log of the visit') },
  job: {
    id,
    number: count(1, 1_000_000_000, 'The job’s number'),
    visitId: maybe(id),
    entries: entries('The log of the job'),
    taken: listOf(
      Joi.object({
        kind: oneOf(RECORD_KINDS, 'The stock'),
        stockId: id,
        count: count(1, 1_000_000, 'Count'),
      }),
      200,
      'Stock it used',
    ),
    fitted: maybe(
      Joi.object({
        before: loose,
        after: maybe(loose),
        place: count(0, 1_000_000_000, 'Its number among the hand-overs'),
      }).required(),
    ),
  },
  order: {
    id,
    what: text(120, 'What it is'),
    stockId: maybe(id),
    count: count(1, 1000, 'Count'),
    supplier: text(80, 'Supplier').allow(''),
    jobIds: listOf(id, 60, 'The jobs it is for'),
    orderedAt: instant('When it was ordered'),
    orderedBy: person,
    closedAt: maybe(instant('When it was received or canceled')),
    closedBy: maybe(person),
    came: maybe(flag),
  },
  practice: {
    id,
    who: person,
    at: instant('When'),
    kind: oneOf(PRACTICE_KINDS, 'The kind of practice'),
    level: text(60, 'Level'),
    seed: count(0, MAX_SEED, 'Number of the hidden wheel'),
    acts: Joi.array()
      .max(MAX_ACTS)
      .required()
      .meta({ expected: `Enter what was done: a list of at most ${MAX_ACTS}` }),
    good: flag,
    cost: count(0, 1000, 'What it cost'),
    advisedCost: count(0, 1000, 'What the advised moves would have cost'),
    tookS: count(0, 86_400, 'Seconds it took'),
  },
  change: {
    at: instant('When'),
    who: maybe(person),
    kind: oneOf([...RECORD_KINDS, 'rules', 'people'], 'What was changed'),
    of: text(80, 'Its ID'),
    name: text(200, 'What it is called').allow(''),
    fields: Joi.object()
      .pattern(/^[a-z]\w{0,59}$/i, Joi.array().items(Joi.any()).length(2))
      .required()
      .meta({ expected: 'List each field with its old and new value' }),
  },
};

/** The schema of a line of a kind, its logs and records not looked into. */
export const lineSchema = (kind: LineKind): Joi.ObjectSchema =>
  Joi.object({ line: oneOf([kind], 'The kind of line'), ...FIELDS[kind] }).required();

const SCHEMAS = new Map(LINE_KINDS.map((kind) => [kind, lineSchema(kind)]));
const kindSchema = Joi.object({ line: oneOf(LINE_KINDS, 'The kind of line') })
  .unknown()
  .required();

/** The same refusal, from further out. */
const within = <T>(field: string, run: () => T): T => {
  try {
    return run();
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(`${field}.${error.field}`.slice(0, 80), error.message, error.expected);
    throw error;
  }
};

const logOf = <E>(given: readonly unknown[], checked: (value: unknown) => E): E[] =>
  given.map((value, i) => within(`entries[${i}]`, () => checked(value)));

/** Checks a line in full. Throws `InputError` naming the field that does not fit. */
export const checkLine = (value: unknown): Line => {
  const { line: kind } = check<{ line: LineKind }>(kindSchema, value);
  const line = check<Line>(SCHEMAS.get(kind)!, value);
  if (line.line === 'record')
    return { ...line, record: within('record', () => checkRecord(line.kind, line.record)) };
  if (line.line === 'job') return { ...line, entries: logOf(line.entries, checkKeptEntry) };
  if (line.line === 'visit') return { ...line, entries: logOf(line.entries, checkKeptVisitEntry) };
  return line;
};

/** The ids of the photographs that a line names. */
export const photosOf = (line: Line): string[] =>
  line.line === 'job'
    ? line.entries.flatMap((e) =>
        e.kind === 'photo' ? [(e.data as EntryData['photo']).photoId] : [],
      )
    : [];
