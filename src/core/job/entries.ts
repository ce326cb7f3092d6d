import type { DataOf, Intersection, OwnOf } from '../base/log/kind-types';
import type { StationId } from '../base/stations';
import type { EntryDefinition } from './define-entry';
import { KINDS } from './kinds';

type Kinds = typeof KINDS;
export type EntryKind = keyof Kinds;

/** The data of each kind of entry. SI inside, angles from the valve as seen from the disc side. */
export type EntryData = { [K in EntryKind]: DataOf<Kinds[K]> };

/** The state of a job by its standing entries: the parts that the kinds add. */
export type KindState = Intersection<OwnOf<Kinds[EntryKind]>>;

/**
 * An entry that a client asks to append. `replaces` names the entry that a correction stands in
 * for.
 */
export interface EntryBody<K extends EntryKind = EntryKind> {
  id: string;
  who: string;
  station: StationId;
  kind: K;
  data: EntryData[K];
  replaces?: string;
}

/** An entry of one kind as it stands in the log. */
export type EntryOf<K extends EntryKind> = EntryBody<K> & {
  /** Counts from 1 without gaps. */
  seq: number;
  /** When it was saved at the bench, ISO 8601. */
  at: string;
  /** When the log got it, if it had to wait on the way. */
  arrivedAt?: string;
};
export type Entry = { [K in EntryKind]: EntryOf<K> }[EntryKind];

const DEFINITIONS: { [K in EntryKind]: EntryDefinition<EntryData[K], KindState> } = KINDS;

/** The definition of a kind, over the whole state of a job. */
export const definitionOf = <K extends EntryKind>(
  kind: K,
): EntryDefinition<EntryData[K], KindState> => DEFINITIONS[kind];

export const ENTRY_KINDS = Object.keys(KINDS) as EntryKind[];
