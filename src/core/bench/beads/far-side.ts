import { normalDeg } from '../../base/units';
import type { Bite } from './bite-plan';

/** An arc, clockwise from one place to the other. */
export interface Arc {
  fromDeg: number;
  toDeg: number;
}

/** The way the part that is on the rim has to lie for a bite to pass. */
interface FarSide {
  /** Down in the well; null where nothing has to be. */
  well: Arc | null;
  /**
   * The rest of it, on both sides, which may still sit up on its seat; none where all has to be
   * down.
   */
  seat: Arc[];
}

/** A piece that is shorter is not worth drawing. */
const MIN_DEG = 4;

/**
 * The way the far side lies at a bite: in the well, or on the seat; null if the rim was not
 * measured.
 */
export const farSideOf = ({ mountedMidDeg, mountedDeg, downDeg }: Bite): FarSide | null => {
  if (downDeg === null) return null;
  const arc = (from: number, to: number): Arc => ({
    fromDeg: normalDeg(mountedMidDeg + from),
    toDeg: normalDeg(mountedMidDeg + to),
  });
  const [down, half] = [Math.min(downDeg, mountedDeg) / 2, mountedDeg / 2];
  if (half < MIN_DEG) return { well: null, seat: [] };
  if (down < MIN_DEG) return { well: null, seat: [arc(-half, half)] };
  return {
    well: arc(-down, down),
    seat: half - down < MIN_DEG ? [] : [arc(-half, -down), arc(down, half)],
  };
};
