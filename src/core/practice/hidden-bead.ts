import { bottomMm, limpLoop, type BeadAndRim } from '../bench/beads/bead-geometry';
import { lockLiftMm } from '../bench/beads/lock-lift';
import { wellFillMm, type WellFill } from '../bench/beads';
import { seeded } from '../base/statistics';

/** Rims to lever a second bead over. */
export const LEVER_LEVELS = [
  'deep rim',
  'shallow rim',
  'small scooter',
  'with a lock',
  'doubled tube',
  'stiff cold tire',
] as const;
export type LeverLevel = (typeof LEVER_LEVELS)[number];

/** A wheel whose second bead waits: the first is on, the tube lies in it. */
export interface HiddenBead {
  rim: BeadAndRim;
  fill: WellFill;
  lockDegs: readonly number[];
  /** The slack that the locks cost a limp loop. */
  lockMm: number;
  /** The climb of the fitted part out of the well with each stroke, degrees of it. */
  climbDeg: number;
  /** The places where the tube lies on the seat, until someone feels for it. */
  tubeDegs: readonly number[];
}

interface Kind {
  beadMm: [number, number];
  wellBelowMm: [number, number];
  flangeAboveMm: [number, number];
  axialMm: [number, number];
  tube: WellFill['tube'];
  locks: number;
  climbDeg: number;
  tubes: number;
}
const USUAL: Kind = {
  beadMm: [405, 533],
  wellBelowMm: [30, 38],
  flangeAboveMm: [24, 28],
  axialMm: [30, 42],
  tube: 'one',
  locks: 0,
  climbDeg: 10,
  tubes: 2,
};
const KINDS: Record<LeverLevel, Kind> = {
  'deep rim': USUAL,
  'shallow rim': { ...USUAL, wellBelowMm: [22, 26] },
  'small scooter': {
    ...USUAL,
    beadMm: [250, 305],
    wellBelowMm: [30, 34],
    axialMm: [30, 40],
    tubes: 1,
  },
  'with a lock': { ...USUAL, wellBelowMm: [28, 34], locks: 1 },
  'doubled tube': { ...USUAL, wellBelowMm: [34, 40], tube: 'doubled', tubes: 4 },
  'stiff cold tire': { ...USUAL, climbDeg: 22 },
};

/** The shortest bite that a lever takes, mm. Basis: memory. */
export const MIN_BITE_MM = 30;
/**
 * So much of a bite of 40 mm has to be left over for a hidden rim to be one that a fitter gets
 * done.
 */
const FAIR = { biteMm: 40, spareMm: 3 } as const;

/**
 * The bead and rim that a number hides; with all of the far side down a bite of 40 mm passes all
 * the way round.
 */
export const hiddenBead = (seed: number, level: LeverLevel): HiddenBead => {
  const chance = seeded(seed * 9241 + 577);
  const kind = KINDS[level];
  const within = ([least, most]: [number, number]) => least + (most - least) * chance();
  const fill: WellFill = { tube: kind.tube, wall: 'standard', strips: 1 };
  const beadMm = within(kind.beadMm);
  const flangeMm = beadMm + within(kind.flangeAboveMm);
  const axialMm = within(kind.axialMm);
  let wellMm = beadMm - within(kind.wellBelowMm);
  const lockDegs = Array.from({ length: kind.locks }, () => Math.round(90 + 180 * chance()));
  const rimOf = (): BeadAndRim => ({ beadMm, wellMm, flangeMm, axialMm, fillMm: wellFillMm(fill) });
  const lockMm = () => lockLiftMm(lockDegs.length, wellMm);
  const spareMm = () => {
    const loop = limpLoop(rimOf(), bottomMm(rimOf()));
    const biteDeg = (FAIR.biteMm / (Math.PI * flangeMm)) * 360;
    return loop.slackMm(loop.tightestDeg(biteDeg), biteDeg) - lockMm();
  };
  while (spareMm() < FAIR.spareMm) wellMm -= 1;
  return {
    rim: rimOf(),
    fill,
    lockDegs,
    lockMm: lockMm(),
    climbDeg: kind.climbDeg,
    tubeDegs: Array.from({ length: kind.tubes }, () => Math.round(30 + 300 * chance())),
  };
};
