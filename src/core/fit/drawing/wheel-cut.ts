import {
  BEAD_MM,
  FLANGE_MM,
  placedPoint,
  rimShapes,
  rimWidthOf,
  sectionLine,
  seatedBeads,
  tireShapes,
  wellDepthOf,
  wellHalfOf,
  type BeadPoints,
  type Section,
  type SectionPlace,
  type SectionPoint,
} from './section';
import { path, type DrawnShape } from './shapes';

/**
 * Where a bead is: on its seat, in the well, on its way from there to its seat (1: on it), or over
 * the upper flange (1: outside).
 */
export type BeadPlace = 'seat' | 'well' | { seatShare: number } | { overShare: number };

/** Both beads at one place of the wheel. */
export interface BeadPlaces {
  lower: BeadPlace;
  upper: BeadPlace;
}

/** The beads of a wheel that lies flat: at the levers, and at the middle of what is on the rim. */
export interface WheelCut {
  near: BeadPlaces;
  far: BeadPlaces;
  /** A lever holds the bead that goes over. */
  hasLever?: boolean;
  /** The tire is off: the rim alone. */
  isBare?: boolean;
  /** A word for each half, in the gap between them. */
  words?: readonly [string, string];
}

/** Field of the cut, in units of the drawing. */
export const CUT_FIELD = { width: 640, height: 196 };

/** Free room between the two halves, where the hub is left out; and above and beside the tire. */
const GAP = 210;
const MARGIN = 6;
/** From the bottom of the well to the line that stands for the hub. */
const AXLE_MM = 26;
const WORD_SIZE = 22;
/** Room outside the flange that a bead takes. */
const OUTSIDE_MM = 22;
const LEVER_MM = 7;

/** The point between two, by its share of the way. */
const between = (from: SectionPoint, to: SectionPoint, share: number): SectionPoint => [
  from[0] + (to[0] - from[0]) * share,
  from[1] + (to[1] - from[1]) * share,
];

/** The middle of a bead on its way from inside the rim, along the flange and over it. */
const onTheWay = (section: Section, overShare: number, isStacked: boolean): SectionPoint => {
  const half = rimWidthOf(section) / 2;
  const seat: SectionPoint = [half - BEAD_MM - 1, BEAD_MM + 1];
  const lip: SectionPoint = [half - 1, FLANGE_MM + BEAD_MM + 3];
  const outside: SectionPoint = [half + OUTSIDE_MM - (isStacked ? BEAD_MM * 1.6 : 0), BEAD_MM];
  return overShare < 0.5
    ? between(seat, lip, overShare * 2)
    : between(lip, outside, overShare * 2 - 1);
};

/** The middles of both beads. The upper one is the section's right one. */
export const beadPoints = (
  section: Section,
  { lower, upper }: BeadPlaces,
  fillMm = 0,
): BeadPoints => {
  const seated = seatedBeads(section);
  const deep: number = BEAD_MM + 3 + fillMm - wellDepthOf(section);
  const beside = Math.max(BEAD_MM + 1, wellHalfOf(rimWidthOf(section)) - BEAD_MM);
  const pointOf = (place: BeadPlace, way: -1 | 1): SectionPoint => {
    if (place === 'seat') return way < 0 ? seated.left : seated.right;
    const well: SectionPoint = [way * beside, deep];
    if (place === 'well') return well;
    if ('seatShare' in place) {
      const seat = way < 0 ? seated.left : seated.right;
      return between(well, seat, place.seatShare);
    }
    return onTheWay(section, place.overShare, way < 0);
  };
  return { left: pointOf(lower, -1), right: pointOf(upper, 1) };
};

/** A lever under the bead, over the flange and back toward the axle. */
const leverShape = (section: Section, place: SectionPlace): DrawnShape => {
  const half = rimWidthOf(section) / 2;
  const lever: SectionPoint[] = [
    [half - 2 * BEAD_MM - 3, FLANGE_MM + BEAD_MM - 2],
    [half - 1, FLANGE_MM + 1],
    [half + 14, FLANGE_MM - 22],
    [half + 24, -60],
  ];
  return path('lever', sectionLine(lever, place), false, LEVER_MM * place.scale);
};

/** The room that a wheel takes above and below its middle plane and outward, mm. */
const roomOf = (
  section: Section,
  isBare: boolean,
): { aboveMm: number; belowMm: number; outMm: number } => {
  const half = rimWidthOf(section) / 2;
  if (isBare) return { aboveMm: half + 8, belowMm: half + 8, outMm: FLANGE_MM + 4 };
  const wide = section.sectionMm / 2;
  return {
    // A tire with both beads over the flange stands so far above the rim.
    aboveMm: half + OUTSIDE_MM + wide - BEAD_MM,
    belowMm: Math.max(wide, half) + 6,
    outMm: section.heightMm + FLANGE_MM + 10,
  };
};

/**
 * A wheel that lies flat, cut through its axle and to scale: on the left the place of the levers,
 * on the right the far side, each with its beads where they are. `fillMm` is what lies in the well.
 */
export const wheelCut = (section: Section, cut: WheelCut, fillMm = 0): DrawnShape[] => {
  const { aboveMm, belowMm, outMm } = roomOf(section, cut.isBare ?? false);
  const { width, height } = CUT_FIELD;
  const scale = Math.min(
    (width - GAP) / 2 / (outMm + wellDepthOf(section) + AXLE_MM),
    (height - 2 * MARGIN) / (aboveMm + belowMm),
  );
  const y = MARGIN + aboveMm * scale;
  const inward = (wellDepthOf(section) + AXLE_MM) * scale;
  const left: SectionPlace = { x: width / 2 - GAP / 2 - inward, y, scale, tread: 'left' };
  const right: SectionPlace = { x: width / 2 + GAP / 2 + inward, y, scale, tread: 'right' };
  const half = rimWidthOf(section) / 2;
  const halfShapes = (place: SectionPlace, beads: BeadPlaces): DrawnShape[] => [
    ...(cut.isBare ? [] : tireShapes(section, place, beadPoints(section, beads, fillMm))),
    ...rimShapes(section, place),
  ];
  const [nearSays, farSays] = cut.words ?? [];
  const word = (text: string | undefined, x: number, anchor: 'start' | 'end'): DrawnShape[] =>
    text ? [{ kind: 'text', role: 'label', x, y: y + 7, text, size: WORD_SIZE, anchor }] : [];
  const words = [
    ...word(nearSays, width / 2 - GAP / 2 + 12, 'start'),
    ...word(farSays, width / 2 + GAP / 2 - 12, 'end'),
  ];
  // The hub is left out: a broken line on each side stands for it.
  const hub = [left, right].map((place) => {
    const [x, top] = placedPoint([half, -wellDepthOf(section) - 6], place);
    const out = place === left ? 1 : -1;
    const low = 2 * y - top;
    const mid = y - 8;
    return path(
      'leader',
      `M${x} ${y}H${x + out * AXLE_MM * scale}M${x + out * AXLE_MM * scale} ${top}V${mid}l${5} 5l${-10} 6l${5} 5V${low}`,
      false,
    );
  });
  return [
    ...hub,
    ...words,
    ...halfShapes(left, cut.near),
    ...halfShapes(right, cut.far),
    ...(cut.hasLever ? [leverShape(section, left)] : []),
  ];
};
