/** So many letters in a row are in the index; a shorter word is looked for in what the longer ones leave. */
const INDEXED = 3;

const quoted = (word: string): string => `"${word.replaceAll('"', '""')}"`;

/** What is typed into a search, as an index of three letters in a row takes it. */
export interface FindWords {
  /** For `MATCH`; empty where no word is long enough. */
  match: string;
  /** The words that are too short for the index. */
  short: string[];
}

/** Every word has to be found, as it is or as a part of another. */
export const findWords = (typed: string): FindWords => {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  const long = words.filter((w) => [...w].length >= INDEXED);
  return { match: long.map(quoted).join(' AND '), short: words.filter((w) => !long.includes(w)) };
};
