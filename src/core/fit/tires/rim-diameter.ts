/**
 * Nominal rim diameter in mm by code in inches. Source: UN Regulation No. 75, nominal rim diameter
 * table.
 */
const NOMINAL_RIM_MM: Record<number, number> = {
  4: 102,
  5: 127,
  6: 152,
  7: 178,
  8: 203,
  9: 229,
  10: 254,
  11: 279,
  12: 305,
  13: 330,
  14: 356,
  15: 381,
  16: 406,
  17: 432,
  18: 457,
  19: 483,
  20: 508,
  21: 533,
  22: 559,
  23: 584,
};

/** Nominal rim diameter in mm for a code of 4 to 23; undefined outside the table. */
export const nominalRimMm = (codeIn: number): number | undefined => NOMINAL_RIM_MM[codeIn];

/** `an 18 inch`, `a 19 inch`: how a diameter is said before its noun. */
export const anInch = (codeIn: number): string =>
  `${/^(8|11|18)$/.test(String(codeIn)) ? 'an' : 'a'} ${codeIn} inch`;
