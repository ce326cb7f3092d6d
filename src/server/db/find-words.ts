/** So many letters in a row are in the index of words; shorter words have one of their own. */
const INDEXED = 3;

const quoted = (word: string): string => `"${word.replaceAll('"', '""')}"`;

/** The words of a search, for both indexes. */
interface FindWords {
  /** Each word, in small letters. */
  words: readonly string[];
  /** For `MATCH` in the index of three letters in a row; empty where no word is long enough. */
  match: string;
  /** For `MATCH` in the index of one and two letters; empty where no word is so short. */
  parts: string;
}

/** Every word has to be found, as it is or as a part of another. */
export const findWords = (typed: string): FindWords => {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const isLong = (word: string) => [...word].length >= INDEXED;
  const hex = (word: string) => Buffer.from(word, 'utf8').toString('hex');
  return {
    words,
    match: words.filter(isLong).map(quoted).join(' AND '),
    parts: words
      .filter((w) => !isLong(w))
      .map((w) => quoted(hex(w)))
      .join(' AND '),
  };
};

/**
 * The query for the row numbers in which all words are; null where nothing is looked for. `what`
 * names the indexes.
 */
export const rowsWith = (
  what: 'job' | 'record' | 'visit',
  { match, parts }: FindWords,
): string | null => {
  const asked = [
    ...(match ? [`SELECT rowid FROM ${what}_words WHERE ${what}_words MATCH @match`] : []),
    ...(parts ? [`SELECT rowid FROM ${what}_parts WHERE ${what}_parts MATCH @parts`] : []),
  ];
  return asked.length === 0 ? null : asked.join(' INTERSECT ');
};

/** The values to bind for `rowsWith`: only those looked for. */
export const boundWords = ({
  match,
  parts,
}: FindWords): Partial<Pick<FindWords, 'match' | 'parts'>> => ({
  ...(match && { match }),
  ...(parts && { parts }),
});
