/** Values that are stored under another name than the one people read. */
const WORDS: Readonly<Record<string, string>> = {
  'split pin': 'cotter pin',
  'lbf·ft': 'ft-lb',
  'round and round': 'around in order',
};

/** What a stored choice is called on screen; most are called as they are stored. */
export const valueWord = (stored: string): string => WORDS[stored] ?? stored;
