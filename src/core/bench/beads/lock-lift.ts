/**
 * A rim lock that is pushed in still holds the bead up, so high over so long a piece. Basis:
 * memory.
 */
const LOCK = { liftMm: 5, lengthMm: 45 } as const;

/** The slack that locks under the far side cost a limp loop, mm of its circumference. */
export const lockLiftMm = (locks: number, wellMm: number): number =>
  locks * LOCK.liftMm * (LOCK.lengthMm / (wellMm / 2));
