import { InputError } from '../../base/errors';

/** The words that replace a rider's name. */
export const FORGOTTEN = 'forgotten rider';
/** Shorter words stand in too many others. */
const MIN_LETTERS = 3;

const escaped = (text: string): string => text.replace(/[\\^$.*+?()[\]{}|/-]/g, '\\$&');

/**
 * Finds any of these words where they stand by themselves, in capitals or not, however their
 * accents are stored. Throws `InputError` for a word of fewer than three letters or digits.
 */
export const wordsPattern = (words: readonly string[]): RegExp => {
  for (const [i, word] of words.entries())
    if ((word.match(/[\p{L}\p{N}]/gu) ?? []).length < MIN_LETTERS)
      throw new InputError(
        i === 0 ? 'name' : `also[${i - 1}]`,
        `“${word.slice(0, 20)}” would be found in too many words.`,
        `Enter at least ${MIN_LETTERS} letters or digits`,
      );
  const forms = new Set(words.flatMap((w) => [w, w.normalize('NFC'), w.normalize('NFD')]));
  // The longest first: a name goes whole, not by its first part.
  const either = [...forms]
    .sort((a, b) => b.length - a.length)
    .map((w) => escaped(w).replace(/\s+/g, '\\s+'));
  return new RegExp(`(?<![\\p{L}\\p{N}])(?:${either.join('|')})(?![\\p{L}\\p{N}])`, 'giu');
};

/** The text without what the pattern finds. */
export const withoutWords = (text: string, pattern: RegExp): string =>
  text.replace(pattern, FORGOTTEN);

/** The data kept of a rider. */
export interface RiderKept {
  name: string;
  machines: { id: string; name: string }[];
  visits: number;
  jobs: number;
}

/** The result of forgetting, and the files that still hold the name. */
export interface Forgotten {
  /** ISO 8601. */
  at: string;
  records: number;
  entries: number;
  /** Backups and copies made before: they hold the name until they are deleted. */
  stillIn: string[];
}
