import type Joi from 'joi';
import type { Position } from '../../fit/wheels';

/** A wheel that takes part in a visit. */
export interface VisitWheel {
  jobId: string;
  wheelId: string;
  position: Position;
}

/** The state of a visit's jobs when an entry is written. */
export interface JobsNow {
  /** Its log holds more than its opening. */
  isBegun(jobId: string): boolean;
  isHandedOver(jobId: string): boolean;
}

/** Values of entries in words. */
export interface VisitWords {
  /** `3:30 PM`, `tomorrow 9:00 AM` */
  moment(iso: string): string;
  money(amountMinor: number, currency: string): string;
  /** The place of a job’s wheel. */
  wheel(jobId: string): string;
}

/**
 * A kind of entry of a visit; `Data` is what it holds, `State` the part of the visit it reads and
 * changes.
 */
export interface VisitDefinition<Data, State> {
  /** The author: the server opens a visit together with its jobs. */
  author: 'anyone' | 'server';
  undo: 'allowed' | 'never';
  /** A schema for every field. */
  schema: { [Field in keyof Required<Data>]: Joi.Schema };
  /**
   * Throws `InputError` if it may not follow on the visit as it stands; `nowIso` is the server’s
   * time.
   */
  check?: (data: Data, state: State, jobs: JobsNow, nowIso: string) => void;
  /** One sentence for the log. */
  text: (data: Data, words: VisitWords) => string;
  /** Its change to the visit. */
  apply: (state: State, entry: { at: string; who: string; data: Data }) => Partial<State>;
  /** People it names as having acted, beside its author. */
  people?: (data: Data) => string[];
}

/**
 * Defines a kind of entry. `Own` is the part of the visit's state that it adds, with its `initial`
 * value; `Other` is what it reads or changes of other kinds.
 */
export const defineVisitEntry = <Data, Own extends object = object, Other extends object = object>(
  definition: VisitDefinition<Data, Own & Other> & { initial: Own },
) => definition;
