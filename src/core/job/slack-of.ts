import { beadSlack, type BeadSlack } from '../beads';
import { attempt, type Attempt } from '../working';
import { rimDiameterMm } from './bites-of';
import type { EntryData } from './entries';
import type { JobState } from './fold-job';

/** How the bead lies just now. */
export interface SlackNow {
  /** Arc of the far side that is down in the well, degrees. */
  arcInWellDeg: number;
  /** Tube, strip and lock in the well, mm. */
  fillMm: number;
}

/** Whether the bead can pass the flange as it lies; null where the rim's diameter is not known. */
export const beadSlackOf = (
  state: JobState,
  { flangeMm, wellMm, wellToFlangeMm }: EntryData['rim-shape'],
  now: SlackNow,
): Attempt<BeadSlack> | null => {
  const beadMm = rimDiameterMm(state);
  return beadMm === null
    ? null
    : attempt(beadSlack, { beadMm, flangeMm, wellMm, axialMm: wellToFlangeMm, ...now, rules: state.rules });
};
