import { inputError } from '../../base/errors';

/** A rim and the bead that has to get over its flange; diameters and the axial distance in mm. */
export interface BeadAndRim {
  beadMm: number;
  wellMm: number;
  flangeMm: number;
  /** From the well’s far side to the flange, along the axle. */
  axialMm: number;
  /** Tube, strip and lock that lie in the well. */
  fillMm: number;
}

/** The measured parts of a rim. */
export type RimProfile = Pick<BeadAndRim, 'wellMm' | 'flangeMm' | 'axialMm'>;

/** Throws `InputError` for a rim and a bead that contradict each other. */
export const checkRim = ({
  beadMm,
  wellMm,
  flangeMm,
}: Omit<BeadAndRim, 'axialMm' | 'fillMm'>): void => {
  const bead = [{ value: beadMm, unit: 'mm' as const }];
  if (wellMm >= beadMm)
    throw inputError(
      'wellMm',
      'The well is not smaller than the bead.',
      'Enter less than the bead, {0}',
      bead,
    );
  if (flangeMm <= beadMm)
    throw inputError(
      'flangeMm',
      'The flange is not larger than the bead.',
      'Enter more than the bead, {0}',
      bead,
    );
};

const DEG = 180 / Math.PI;

/** The far side lies no higher than its seat, however much is in the well. */
export const bottomMm = ({ beadMm, wellMm, fillMm }: BeadAndRim): number =>
  Math.min(beadMm, wellMm + 2 * fillMm);

/**
 * The bead as a stiff hoop at the last instant: its diameter less the straight way from the far
 * side, at diameter `farMm`, to the flange. Source: geometry, slack = Db − √(((Dfar + Df) / 2)² +
 * a²).
 */
export const hoopSlackMm = ({ beadMm, flangeMm, axialMm }: BeadAndRim, farMm: number): number =>
  beadMm - Math.hypot((farMm + flangeMm) / 2, axialMm);

/** A limp loop on its way over the flange. */
export interface LimpLoop {
  /**
   * The arc between where it leaves the well and where it meets the flange, at each end, degrees.
   */
  riseDeg: number;
  /**
   * The slack with an arc of the bead still to come and a bite of it being taken, degrees; mm of
   * the loop.
   */
  slackMm: (leftDeg: number, biteDeg: number) => number;
  /** The arc still to come at which least is left over, for a bite. */
  tightestDeg: (biteDeg: number) => number;
  /**
   * The longest bite that still passes at its tightest, with so much lost to a far side that is up;
   * below 0: none.
   */
  longestBiteDeg: (upMm: number) => number;
  /** The arc from which all that is left still goes over at once. */
  oneGoDeg: (upMm: number) => number;
  /** The slack lost for each degree of the far side that sits on its seat and not in the well. */
  perUpDegMm: number;
}

/**
 * The bead as a limp loop that does not stretch: the mounted part in the well, two tangents up to
 * the flange, the bite along the flange, and the rest straight across above it, L = (2π − φ −
 * 2b)·Rw + 2·√(Rf² − Rw² + a²) + β·Rf + 2·Rf·sin((φ − β) / 2), with b = arccos(Rw / Rf).
 *
 * `farMm` is the diameter that the far side lies at. Source: geometry; the least of it lies at φ = β + 2b, where
 * dL/dφ = Rf·cos((φ − β) / 2) − Rw is zero.
 */
export const limpLoop = (rim: BeadAndRim, farMm: number): LimpLoop => {
  const [wellR, flangeR] = [farMm / 2, rim.flangeMm / 2];
  const rise = Math.acos(Math.min(1, wellR / flangeR));
  const tangents = 2 * Math.sqrt(flangeR ** 2 - wellR ** 2 + rim.axialMm ** 2);
  const slack = (left: number, bite: number): number => {
    const taken = Math.min(bite, left);
    const inWell = (2 * Math.PI - left - 2 * rise) * wellR;
    const across = 2 * flangeR * Math.sin((left - taken) / 2);
    return Math.PI * rim.beadMm - (inWell + tangents + taken * flangeR + across);
  };
  // What is left over falls by Rf − Rw for each radian of the bite: at the tightest, and also with
  // all that is left in it.
  const arcOf = (spareMm: number): number => (spareMm / (flangeR - wellR)) * DEG;
  return {
    riseDeg: rise * DEG,
    slackMm: (leftDeg, biteDeg) => slack(leftDeg / DEG, biteDeg / DEG),
    tightestDeg: (biteDeg) => biteDeg + 2 * rise * DEG,
    longestBiteDeg: (upMm) => arcOf(slack(2 * rise, 0) - upMm),
    oneGoDeg: (upMm) => arcOf(slack(0, 0) - upMm),
    perUpDegMm: (rim.beadMm / 2 - wellR) / DEG,
  };
};
