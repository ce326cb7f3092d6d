/** Deeper than this nothing that the program takes is nested. */
export const MAX_JSON_DEPTH = 32;

const [QUOTE, BACKSLASH] = [0x22, 0x5c];
const OPENS = [0x7b, 0x5b];
const CLOSES = [0x7d, 0x5d];

/**
 * Whether JSON is nested deeper than `MAX_JSON_DEPTH`: told from its bytes in one pass, before
 * anything that walks it by recursion, such as a schema, can run out of stack.
 */
export const isTooDeep = (json: Buffer | string): boolean => {
  const bytes = typeof json === 'string' ? Buffer.from(json) : json;
  let depth = 0;
  let isText = false;
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i]!;
    if (isText) {
      if (byte === BACKSLASH) i++;
      else if (byte === QUOTE) isText = false;
    } else if (byte === QUOTE) isText = true;
    else if (OPENS.includes(byte)) {
      if (++depth > MAX_JSON_DEPTH) return true;
    } else if (CLOSES.includes(byte)) depth--;
  }
  return false;
};
