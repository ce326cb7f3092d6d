import { seeded } from '../base/statistics';

/**
 * Rings to close: one that tilts, one on bundles that vary, and one on beads that are too thin to
 * be clamped.
 */
export const RING_LEVELS = ['a ring that tilts', 'bundles that vary', 'too thin'] as const;
export type RingLevel = (typeof RING_LEVELS)[number];

/** A ring with its bolts just started, on beads that no one has measured. */
export interface HiddenRing {
  bolts: number;
  /** The caliper's readings, place after place, mm; after the last it begins again. */
  bundleMm: readonly number[];
  gapMm: readonly number[];
  /** The ring's position: its mean gap, and half of what it tilts, toward a place. */
  meanMm: number;
  tiltMm: number;
  tiltDeg: number;
  /** Too little crush: it has to be called off. */
  isThin: boolean;
}

/** Bolts of the rings to practice on, and their size. */
export const RING_BOLTS = { count: 12, size: '5/16-18' } as const;
const PLACES = 8;

const KINDS: Record<
  RingLevel,
  { crushMm: [number, number]; variesMm: number; tiltMm: [number, number] }
> = {
  'a ring that tilts': { crushMm: [2.7, 2.95], variesMm: 0.06, tiltMm: [0.6, 1.1] },
  'bundles that vary': { crushMm: [2.7, 2.95], variesMm: 0.2, tiltMm: [0.3, 0.7] },
  'too thin': { crushMm: [1.5, 2.3], variesMm: 0.1, tiltMm: [0.3, 0.7] },
};

const hundredth = (mm: number): number => Math.round(mm * 100) / 100;

/** The ring that a number hides. */
export const hiddenRing = (seed: number, level: RingLevel): HiddenRing => {
  const chance = seeded(seed * 6367 + 83);
  const within = ([least, most]: readonly [number, number]) => least + (most - least) * chance();
  const kind = KINDS[level];
  const [crushMm, gapMm] = [within(kind.crushMm), within([16, 18])];
  // By pairs of places that lie as far above the mean as below: the mean of all places is the
  // crush.
  const off = Array.from({ length: PLACES / 2 }, () => kind.variesMm * (2 * chance() - 1));
  const around = (meanMm: number, share: number) =>
    off.flatMap((o) => [hundredth(meanMm + share * o), hundredth(meanMm - share * o)]);
  return {
    bolts: RING_BOLTS.count,
    bundleMm: around(gapMm + crushMm, 1),
    gapMm: around(gapMm, 0.2),
    meanMm: crushMm + within([0.6, 1]),
    tiltMm: within(kind.tiltMm),
    tiltDeg: 360 * chance(),
    isThin: level === 'too thin',
  };
};
