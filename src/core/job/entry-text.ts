import type { UnitPreferences } from '../base/units';
import { definitionOf, type Entry, type EntryKind, type EntryOf } from './entries';
import { entryWords, type EntryWords } from './entry-words';

const textOf = <K extends EntryKind>(entry: EntryOf<K>, words: EntryWords): string =>
  definitionOf(entry.kind).text(entry.data, words, entry);

/**
 * One entry of the log as a sentence, in the fitter's units. `steps` gives the words of step ids.
 */
export const entryText = (
  entry: Entry,
  units: UnitPreferences,
  steps: ReadonlyMap<string, string>,
): string => textOf<EntryKind>(entry, entryWords(units, steps));
