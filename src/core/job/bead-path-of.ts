import { beadPath, type BeadPath } from '../bench/beads';
import { ruleNumber } from '../base/rules';
import { attempt, type Attempt } from '../base/working';
import { rimDiameterMm } from './bites-of';
import type { EntryData } from './entries';
import type { JobState } from './job-state';

/** The bead as it lies now. */
interface BeadNow {
  /** Arc of the far side still on its seat, degrees. */
  farUpDeg: number;
  /** Tube, strip and lock in the well, mm. */
  fillMm: number;
  /** Length of a bite, mm; by the shop's rule where it is not said. */
  biteMm?: number;
}

/** Whether the bead gets over the flange as it lies; null where the rim's diameter is not known. */
export const beadPathOf = (
  state: JobState,
  { flangeMm, wellMm, wellToFlangeMm }: EntryData['rim-shape'],
  now: BeadNow,
): Attempt<BeadPath> | null => {
  const beadMm = rimDiameterMm(state);
  const biteMm = now.biteMm ?? ruleNumber('bite.lengthMm', state.rules);
  return beadMm === null
    ? null
    : attempt(beadPath, { beadMm, flangeMm, wellMm, axialMm: wellToFlangeMm, ...now, biteMm });
};
