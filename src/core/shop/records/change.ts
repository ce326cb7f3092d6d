import type { RecordKind } from './shop';

/** The kinds of changes, beside those in logs. */
export type ChangedKind = RecordKind | 'rules' | 'people' | 'sign-ins' | 'clock';

/** One field of something, changed by someone. */
export interface ShopChange {
  /** When, ISO 8601. */
  at: string;
  /** Null where no one said who. */
  who: string | null;
  kind: ChangedKind;
  /** The name of the thing changed, and its id. */
  name: string;
  of: string;
  /** Null where it is new. */
  field: string | null;
  from: unknown;
  to: unknown;
  /** Why, where it had to be said. */
  reason: string | null;
}
