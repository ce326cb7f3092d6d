import { reason, type Reason } from '../working';
import { bottomMm, hoopSlackMm, limpLoop, type BeadAndRim } from './bead-geometry';

/** An arc of the bead that one stroke takes, degrees. */
interface Arc {
  spanDeg: number;
}

/** What the rim lets through, bite by bite. */
export interface JudgedBites {
  /** What is left over at each bite, by the limp loop, mm of its circumference; below 0 it does not pass. */
  sparesMm: readonly number[];
  /** The arc of the far side that has to be down in the well at the worst bite, degrees. */
  downDeg: number;
  reason: Reason;
}

/**
 * Whether each bite passes, by what is left over of a limp loop, and how much of the far side has to be down for the
 * worst of them. Going on, what is left goes over bite by bite; coming off, what is over grows. Source: geometry.
 */
export const judgeBites = (bites: readonly Arc[], rim: BeadAndRim, direction: 'off' | 'on'): JudgedBites => {
  const loop = limpLoop(rim, bottomMm(rim));
  const spans = bites.map((b) => b.spanDeg);
  const sum = (arcs: readonly number[]): number => arcs.reduce((all, arc) => all + arc, 0);
  const overDeg = spans.map((_, i) => (direction === 'on' ? sum(spans.slice(i)) : sum(spans.slice(0, i + 1))));
  const mostDeg = 360 - 2 * loop.riseDeg;
  const sparesMm = spans.map((span, i) => loop.slackMm(Math.min(overDeg[i]!, mostDeg), span));
  const leastMm = Math.min(...sparesMm);
  const worst = sparesMm.indexOf(leastMm);
  const mountedDeg = Math.max(0, mostDeg - overDeg[worst]!);
  const upDeg = loop.perUpDegMm > 0 ? leastMm / loop.perUpDegMm : mountedDeg;
  const downDeg = Math.max(0, Math.min(mountedDeg, mountedDeg - upDeg));
  const spare = { value: Math.abs(leastMm), unit: 'mm' as const, digits: 1 };
  if (leastMm <= 0)
    return {
      sparesMm,
      downDeg: mountedDeg,
      reason: reason(
        'stop',
        `Bite ${worst + 1} is {0} short with all of the far side down: shorter bites, or find out why.`,
        [spare],
      ),
    };
  if (hoopSlackMm(rim, bottomMm(rim)) >= 0)
    return { sparesMm, downDeg, reason: reason('good', 'There is slack, even for a stiff bead: it goes by hand.') };
  return {
    sparesMm,
    downDeg,
    reason: reason('good', `Tightest at bite ${worst + 1}: {0} to spare, with {1} of the far side down in the well.`, [
      spare,
      { value: downDeg, unit: 'deg', digits: 0 },
    ]),
  };
};
