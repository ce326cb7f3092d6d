/** A chance in words, never as sure as all or nothing: `97 of 100`. */
export const chanceText = (chance: number): string =>
  `${Math.min(99, Math.max(1, Math.round(chance * 100)))}%`;
