import { reason, type Reason } from '../../base/working';
import { bottomMm, hoopSlackMm, limpLoop, type BeadAndRim } from './bead-geometry';
import { effortOf, effortShare, type Effort } from './lever-effort';

/** A stroke on its way: what it takes, and what is still to come with it, degrees. */
interface Stroke {
  spanDeg: number;
  leftDeg: number;
}

/** The judgment of one bite by the rim. */
interface BiteJudged {
  /** The slack of a limp bead, mm of its circumference; below 0 it does not pass. */
  spareMm: number;
  /** Arc of the far side that has to be down in the well, degrees. */
  downDeg: number;
  /** Null where it does not pass. */
  effort: Effort | null;
}

/** The judgments of all bites by the rim. */
interface JudgedBites {
  bites: readonly BiteJudged[];
  /** The most of the far side that has to be down for any of them, degrees. */
  downDeg: number;
  /** Even a stiff bead has slack: no lever is needed. */
  byHand: boolean;
  reason: Reason;
}

/**
 * Whether each bite passes, by what is left over of a limp loop, and how much of the far side has
 * to be down for it. `lostMm` of the loop go where locks hold the far side up. Source: geometry.
 */
export const judgeBites = (
  strokes: readonly Stroke[],
  rim: BeadAndRim,
  lostMm: number,
): JudgedBites => {
  const loop = limpLoop(rim, bottomMm(rim));
  const hoopMm = hoopSlackMm(rim, bottomMm(rim)) - lostMm / Math.PI;
  const mostDeg = 360 - 2 * loop.riseDeg;
  const bites = strokes.map(({ spanDeg, leftDeg }): BiteJudged => {
    const spareMm = loop.slackMm(Math.min(leftDeg, mostDeg), spanDeg) - lostMm;
    const mountedDeg = Math.max(0, mostDeg - leftDeg);
    const upDeg = spareMm <= 0 ? 0 : loop.perUpDegMm > 0 ? spareMm / loop.perUpDegMm : mountedDeg;
    return {
      spareMm,
      downDeg: Math.max(0, mountedDeg - upDeg),
      effort: spareMm <= 0 ? null : effortOf(effortShare(hoopMm, spareMm)),
    };
  });
  const leastMm = Math.min(...bites.map((b) => b.spareMm));
  const worst = bites.findIndex((b) => b.spareMm === leastMm);
  const downDeg = bites[worst]!.downDeg;
  const spare = { value: Math.abs(leastMm), unit: 'mm' as const, digits: 1 };
  if (leastMm <= 0)
    return {
      bites,
      downDeg,
      byHand: false,
      reason: reason(
        'stop',
        `Bite ${worst + 1} is {0} short with all of the far side down. Take shorter bites, or find out why.`,
        [spare],
      ),
    };
  if (hoopMm >= 0)
    return {
      bites,
      downDeg,
      byHand: true,
      reason: reason('good', 'Enough slack, even for a stiff bead. Finish by hand.'),
    };
  return {
    bites,
    downDeg,
    byHand: false,
    reason: reason(
      'good',
      `Tightest at bite ${worst + 1}: {0} to spare, with {1} of the far side down in the well.`,
      [spare, { value: downDeg, unit: 'deg', digits: 0 }],
    ),
  };
};
