/** A chance as a percentage, never 0% or 100%: `97%`. */
export const chanceText = (chance: number): string =>
  `${Math.min(99, Math.max(1, Math.round(chance * 100)))}%`;
