import Joi from 'joi';
import { BLOCKS, type BlockName } from '../day';
import { InputError } from '../errors';
import { check, count, instant, oneOf, record, text } from '../fields';
import { POSITIONS, type Position } from '../wheels';

/** What each kind of entry of a visit holds. */
export interface VisitEntryData {
  /** A machine that came in; `machineId` null for a loose wheel over the counter. */
  opened: { machineId: string | null; machineName: string; rider: string };
  /** A wheel takes part: its job has a log of its own. */
  'wheel-added': { jobId: string; wheelId: string; position: Position };
  'wheel-removed': { jobId: string; why: string };
  /** What the rider wants. */
  wanted: { text: string };
  /** When it is to be done, ISO 8601. */
  promised: { dueAt: string };
  /** What it may cost, in the smallest coin, and who agreed. */
  agreed: { amountMinor: number; currency: string; by: string };
  /** What keeps it from going on, and until when where that is known; `what` null where it waits no longer. */
  waits: { what: string | null; until?: string | null };
  /** A block of work given to somebody by hand, or, with nulls, left to the plan again. */
  planned: { jobId: string; block: BlockName; person: string | null; startAt: string | null };
  note: { text: string };
  'handed-over': { to: string };
  undo: { entryId: string };
}
export type VisitEntryKind = keyof VisitEntryData;

/** What a client asks to append. */
export interface VisitEntryBody<K extends VisitEntryKind = VisitEntryKind> {
  id: string;
  who: string;
  kind: K;
  data: VisitEntryData[K];
}

/** An entry as it stands in the log; `seq` counts from 1 without gaps, `at` is ISO 8601. */
export type VisitEntry = {
  [K in VisitEntryKind]: VisitEntryBody<K> & { seq: number; at: string };
}[VisitEntryKind];

const ID = text(60, 'An id').pattern(/^[\w-]+$/);
const MAX_MINOR = 100_000_000;

const DATA: { [K in VisitEntryKind]: Record<keyof VisitEntryData[K], Joi.Schema> } = {
  opened: {
    machineId: ID.allow(null),
    machineName: text(80, 'The machine'),
    rider: text(80, 'The rider'),
  },
  'wheel-added': { jobId: ID, wheelId: ID, position: oneOf(POSITIONS, 'Where the wheel sits') },
  'wheel-removed': { jobId: ID, why: text(200, 'Why it takes no part') },
  wanted: { text: text(500, 'What is wanted') },
  promised: { dueAt: instant('When it is to be done') },
  agreed: {
    amountMinor: count(0, MAX_MINOR, 'The amount, in the smallest coin'),
    currency: text(3, 'The currency').pattern(/^[A-Z]{3}$/),
    by: text(80, 'Who agreed'),
  },
  waits: {
    what: text(120, 'What it waits for').allow(null),
    until: instant('Until when it waits').allow(null).optional().default(null),
  },
  planned: {
    jobId: ID,
    block: oneOf(BLOCKS, 'The block of work'),
    person: text(60, 'Who does it').allow(null),
    startAt: instant('When it begins').allow(null),
  },
  note: { text: text(2000, 'The note') },
  'handed-over': { to: text(80, 'Who takes it') },
  undo: { entryId: ID },
};

const DATA_SCHEMAS = Object.fromEntries(
  Object.entries(DATA).map(([kind, fields]) => [kind, record(fields, kind)]),
) as Record<VisitEntryKind, Joi.ObjectSchema>;

/** Kinds that only the server writes: it opens a visit together with its jobs. */
const SERVER_ONLY: readonly VisitEntryKind[] = ['opened', 'wheel-added'];

export const VISIT_ENTRY_KINDS = Object.keys(DATA) as readonly VisitEntryKind[];

const bodySchema = Joi.object({
  id: ID,
  who: text(60, 'Who does it'),
  kind: oneOf(
    VISIT_ENTRY_KINDS.filter((k) => !SERVER_ONLY.includes(k)),
    'The kind of entry',
  ),
  data: Joi.object().unknown().required().meta({ expected: 'what the entry holds' }),
}).required();

/** What the data of a kind may hold. */
export const visitDataSchema = (kind: VisitEntryKind): Joi.ObjectSchema => DATA_SCHEMAS[kind];

/** The entry with clean data. Throws `InputError` naming the field that does not fit. */
export const checkVisitEntry = (value: unknown): VisitEntryBody => {
  const body = check<VisitEntryBody>(bodySchema, value);
  try {
    return {
      ...body,
      data: check<VisitEntryData[VisitEntryKind]>(DATA_SCHEMAS[body.kind], body.data),
    };
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(`data.${error.field}`, error.message, error.expected);
    throw error;
  }
};
