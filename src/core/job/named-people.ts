import { definitionOf, type Entry, type EntryKind, type EntryOf } from './entries';

const namedBy = <K extends EntryKind>({ kind, data }: EntryOf<K>): string[] =>
  definitionOf(kind).people?.(data) ?? [];

/** The people an entry names as having acted, beside the one who writes it. */
export const namedPeople = (entry: Entry): string[] => namedBy<EntryKind>(entry);
