/**
 * A tape's inches as fitters say them, `104 3/8` or `3/8`; null for anything else. Halves to
 * sixty-fourths, the top smaller than the bottom.
 */
export const parseInches = (typed: string): number | null => {
  const read = /^(?:(\d{1,4})\s+)?(\d{1,2})\s*\/\s*(2|4|8|16|32|64)$/.exec(typed.trim());
  if (!read) return null;
  const [top, bottom] = [Number(read[2]), Number(read[3])];
  return top >= bottom ? null : Number(read[1] ?? 0) + top / bottom;
};
