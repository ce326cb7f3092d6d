import type Joi from 'joi';
import type { Right } from '../shop/auth';
import type { StationId } from '../base/stations';
import type { EntryWords } from './entry-words';

/** An entry of the log as its kind sees it. */
export interface Written<Data> {
  id: string;
  /** When it was saved at the bench, ISO 8601. */
  at: string;
  who: string;
  station: StationId;
  data: Data;
}

/**
 * The needs, moves and proofs of a kind of entry. No part has a default: a new kind decides each.
 */
interface EntryPolicy {
  /** The author. Entries of the server open a job: they are neither undone nor replaced. */
  author: 'anyone' | 'server';
  /**
   * `machine`: done once, and copied to the other wheels of the visit that are still on the bench.
   */
  scope: 'wheel' | 'machine';
  /**
   * The moves it can make between shelf, wheel record and job. `none`: nothing. `record`: after the
   * hand-over the wheel record is settled again. `parts`: it also changes which parts the job
   * wants.
   */
  stock: 'none' | 'record' | 'parts';
  /** The right that its author needs, and anyone who takes it back. */
  right: Right;
  /** A safety check may rest on it. */
  isProof: boolean;
}

/** Work on the wheel. */
export const WHEEL_WORK = {
  author: 'anyone',
  scope: 'wheel',
  stock: 'record',
  right: 'work',
  isProof: true,
} as const satisfies EntryPolicy;

/** A remark beside the work: it moves nothing and proves nothing. */
export const REMARK = {
  author: 'anyone',
  scope: 'wheel',
  stock: 'none',
  right: 'work',
  isProof: false,
} as const satisfies EntryPolicy;

/** A kind of entry; `Data` is what it holds, `State` the part of the job it reads and changes. */
export interface EntryDefinition<Data, State> extends EntryPolicy {
  /** A schema for every field; built when first asked for. */
  schema: () => { [Field in keyof Required<Data>]: Joi.Schema };
  /** Throws `InputError` for data that fits the schema and still cannot be. */
  check?: (data: Data) => void;
  /** One sentence for the log. */
  text: (data: Data, words: EntryWords, entry: Written<Data>) => string;
  /** Its change to the job. */
  apply: (state: State, entry: Written<Data>) => Partial<State>;
  /** Ids of the steps it checks off by what it says; `after` is the job with it. */
  steps?: (data: Data, after: State) => readonly string[];
  /** People it names as having acted, beside its author. */
  people?: (data: Data) => string[];
}

/**
 * Defines a kind of entry. `Own` is the part of the job's state that it adds, with its `initial`
 * value; `Other` is what it reads or changes of other kinds.
 */
export const defineEntry = <Data, Own extends object = object, Other extends object = object>(
  definition: EntryDefinition<Data, Own & Other> & { initial: Own },
) => definition;
