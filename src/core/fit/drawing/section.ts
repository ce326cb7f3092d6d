import type { Tread } from '../tires';
import { BLOCK_MM } from './drawn-wheel';
import { coordinate, path, type DrawnShape } from './shapes';

/** A tire on its rim, cut through: lengths in millimeters, what is left out is drawn plain. */
export interface Section {
  sectionMm: number;
  heightMm: number;
  /** Between the flanges; null if no one knows the rim. */
  rimWidthMm: number | null;
  /** From the bead seat down to the bottom of the well; null if not measured. */
  wellMm: number | null;
  /** A safety hump inside each seat. */
  hasHump: boolean;
  tread: Tread;
  hasTube: boolean;
  /** A strip over the nipples; none if left out. */
  hasStrip?: boolean;
  /** Cut where a rim lock sits. */
  hasLock?: boolean;
}

/** Where a section is drawn: the middle of the rim at its bead seats, and units to a millimeter. */
export interface SectionPlace {
  x: number;
  y: number;
  scale: number;
  /** The way that the tread faces; up if left out. With the tread aside, the right bead is on top. */
  tread?: 'up' | 'left' | 'right';
}

/** A point of a section: millimeters to the right of its middle and outward from the bead seat. */
export type SectionPoint = readonly [x: number, out: number];

/** The middle of each bead. */
export interface BeadPoints {
  left: SectionPoint;
  right: SectionPoint;
}

/** Share of the section that the usual rim is wide, and how deep a well is. Basis: memory. */
const USUAL_RIM = 0.7;
const USUAL_WELL_MM = 20;
export const FLANGE_MM = 14;
const SEAT_MM = 17;
/** Thickness of carcass and rim as they are drawn. */
const WALL_MM = 7;
const RIM_MM = 4;
/** Half the thickness of a bead. */
export const BEAD_MM = 5;
const STRIP_MM = 3;

/**
 * How round a tread is: the drop from its middle to its edge as a share of the height, and its
 * width as a share of the section. Basis: memory.
 */
const CROWN: Record<'round' | 'medium' | 'flat', { drop: number; wide: number }> = {
  round: { drop: 0.36, wide: 0.94 },
  medium: { drop: 0.22, wide: 0.88 },
  flat: { drop: 0.07, wide: 0.86 },
};
const CROWN_OF: Record<Tread, keyof typeof CROWN> = {
  soft: 'medium',
  hard: 'medium',
  trials: 'flat',
  half: 'medium',
  touring: 'round',
  road: 'round',
  sport: 'round',
  slick: 'flat',
  'four-wheel': 'flat',
  other: 'medium',
};
const BLOCKS_ACROSS = 5;

/** Width between the flanges: the rim's, or the usual one for the tire. */
export const rimWidthOf = ({ rimWidthMm, sectionMm }: Section): number =>
  rimWidthMm ?? sectionMm * USUAL_RIM;

/** Depth of the well: as measured, or the usual one. */
export const wellDepthOf = ({ wellMm }: Section): number => wellMm ?? USUAL_WELL_MM;

/** Width of a bead seat, and half the width of the well's bottom. */
const seatOf = (rimMm: number): number => Math.min(SEAT_MM, rimMm * 0.21);
export const wellHalfOf = (rimMm: number): number => Math.max(5, rimMm / 2 - seatOf(rimMm) - 14);

/** Both beads on their seats. */
export const seatedBeads = (section: Section): BeadPoints => {
  const x = rimWidthOf(section) / 2 - BEAD_MM - 1;
  return { left: [-x, BEAD_MM + 1], right: [x, BEAD_MM + 1] };
};

/** The middle line of the carcass from bead to bead, and the crown that blocks stand on. */
const carcass = (
  section: Section,
  inset: number,
  beads = seatedBeads(section),
): { d: string; crown: readonly SectionPoint[] } => {
  const { sectionMm, heightMm, tread } = section;
  const seated = seatedBeads(section);
  // A tire whose beads are off their seats lies where its beads are.
  const shift = (beads.left[0] + beads.right[0]) / 2;
  const lift = (beads.left[1] + beads.right[1]) / 2 - BEAD_MM - 1;
  const { drop, wide } = CROWN[CROWN_OF[tread]];
  const half = sectionMm / 2 - inset;
  const high = heightMm - BLOCK_MM[tread] - inset;
  const edge = half * wide;
  const edgeY = high * (1 - drop);
  const widestY = edgeY * 0.6;
  const side = (way: 1 | -1): readonly SectionPoint[] => {
    const bead = way < 0 ? beads.left : beads.right;
    // The foot is beside the bead, on its outer lower side.
    const foot: SectionPoint = [
      bead[0] + way * (BEAD_MM - 2 - inset / 2),
      bead[1] - BEAD_MM + 1 + inset / 2,
    ];
    const [homeX, homeOut] = way < 0 ? seated.left : seated.right;
    const isSeated = Math.hypot(bead[0] - homeX, bead[1] - homeOut) < 0.5;
    const moved = ([x, out]: SectionPoint): SectionPoint => [way * x + shift, out + lift];
    // Off its seat the sidewall rises past the flange before it spreads.
    const fromFoot: readonly SectionPoint[] = isSeated
      ? [moved([half, widestY * 0.15]), moved([half, widestY * 0.6])]
      : [[foot[0], foot[1] + 2 * FLANGE_MM], moved([half, widestY * 0.45])];
    const rest: readonly SectionPoint[] = [
      [half, widestY],
      [half, widestY + (edgeY - widestY) * 0.6],
      [edge + (half - edge) * 0.5, edgeY - (edgeY - widestY) * 0.2],
      [edge, edgeY],
      [edge * 0.86, edgeY + high * drop * 0.62],
      [edge * 0.45, high],
      [0, high],
    ];
    return [foot, ...fromFoot, ...rest.map(moved)];
  };
  const left = side(-1);
  const right = [...side(1)].reverse();
  const xy = ([x, y]: SectionPoint): string => `${coordinate(x)} ${coordinate(-y)}`;
  const curves = (points: readonly SectionPoint[]): string =>
    [0, 3, 6]
      .map((i) => `C${xy(points[i + 1]!)} ${xy(points[i + 2]!)} ${xy(points[i + 3]!)}`)
      .join('');
  // Places along the crown, by the same curve as the outline's top.
  const [p0, p1, p2, p3] = [left[6]!, left[7]!, left[8]!, left[9]!];
  const onCrown = (t: number): SectionPoint => {
    const u = 1 - t;
    const mix = (k: 0 | 1) =>
      u ** 3 * p0[k] + 3 * u * u * t * p1[k] + 3 * u * t * t * p2[k] + t ** 3 * p3[k];
    return [mix(0), mix(1)];
  };
  const leftBlocks = [0.06, 0.55].map(onCrown);
  return {
    d: `M${xy(left[0]!)}${curves(left)}${curves(right)}`,
    crown: [
      ...leftBlocks,
      [shift, high + lift],
      ...leftBlocks.map(([x, y]) => [2 * shift - x, y] as const),
    ],
  };
};

/** The rim's own line from flange to flange. */
const rimLine = (rimMm: number, wellMm: number, hasHump: boolean): string => {
  const half = rimMm / 2;
  const seat = seatOf(rimMm);
  const hump = hasHump ? 3 : 0;
  const side: readonly (readonly [number, number])[] = [
    [half + 3, FLANGE_MM],
    [half, FLANGE_MM - 3],
    [half, 0],
    [half - seat + 4, 0],
    [half - seat, hump],
    [half - seat - 4, 0],
    [wellHalfOf(rimMm), -wellMm],
  ];
  const left = side.map(([x, y]) => `${coordinate(-x)} ${coordinate(-y)}`);
  const right = [...side].reverse().map(([x, y]) => `${coordinate(x)} ${coordinate(-y)}`);
  return `M${[...left, ...right].join('L')}`;
};

/** A rim lock: its plate over both beads, and its stud through the bottom of the well. */
const lockShapes = (section: Section, place: SectionPlace): DrawnShape[] => {
  const rimMm = rimWidthOf(section);
  const top = 2 * BEAD_MM + 6;
  const foot = rimMm / 2 - 3 * BEAD_MM;
  const { scale } = place;
  return [
    path(
      'lock-cut',
      sectionLine(
        [
          [-foot - BEAD_MM * 1.6, top],
          [-foot, top],
          [-foot * 0.7, 2],
          [foot * 0.7, 2],
          [foot, top],
          [foot + BEAD_MM * 1.6, top],
        ],
        place,
      ),
      false,
      5 * scale,
    ),
    path(
      'lock-cut',
      sectionLine(
        [
          [0, 2],
          [0, -wellDepthOf(section) - 16],
        ],
        place,
      ),
      false,
      8 * scale,
    ),
  ];
};

/** A point of a section where it is drawn. */
export const placedPoint = (
  [px, out]: SectionPoint,
  { x, y, scale, tread = 'up' }: SectionPlace,
): readonly [number, number] => {
  const [dx, dy] = tread === 'up' ? [px, -out] : [tread === 'left' ? -out : out, -px];
  return [coordinate(x + dx * scale), coordinate(y + dy * scale)];
};

/** Moves a path that is written about the seat's middle to its place. */
const placed = (d: string, place: SectionPlace): string =>
  d.replace(/(-?[\d.]+) (-?[\d.]+)/g, (_, px: string, py: string) =>
    placedPoint([Number(px), -Number(py)], place).join(' '),
  );

/** A line through points of a section. */
export const sectionLine = (points: readonly SectionPoint[], place: SectionPlace): string =>
  `M${points.map((p) => placedPoint(p, place).join(' ')).join('L')}`;

/** The outer line of a tire, for one that is drawn over another. */
export const sectionOutline = (section: Section, place: SectionPlace): string =>
  placed(carcass(section, 0).d, place);

/** The tire alone: tube, carcass, blocks and beads; on its seats unless its beads are elsewhere. */
export const tireShapes = (
  section: Section,
  place: SectionPlace,
  beads = seatedBeads(section),
): DrawnShape[] => {
  const { scale } = place;
  const { d, crown } = carcass(section, WALL_MM / 2, beads);
  const block = BLOCK_MM[section.tread];
  const blockWide = (section.sectionMm / BLOCKS_ACROSS) * 0.62;
  const blocks =
    block === 0
      ? []
      : crown.map(([px, out]) =>
          path(
            'rubber-cut',
            sectionLine(
              [
                [px, out],
                [px, out + block],
              ],
              place,
            ),
            false,
            blockWide * scale,
          ),
        );
  const tube = `${carcass({ ...section, heightMm: section.heightMm - 3 }, WALL_MM + 3, beads).d}Z`;
  const bead = (point: SectionPoint): DrawnShape => {
    const [cx, cy] = placedPoint(point, place);
    return { kind: 'circle', role: 'ink', cx, cy, r: coordinate(BEAD_MM * scale), filled: true };
  };
  return [
    ...(section.hasTube
      ? [path('tube', placed(tube, place)), path('tube-edge', placed(tube, place), false)]
      : []),
    path('rubber-cut', placed(d, place), false, WALL_MM * scale),
    ...blocks,
    bead(beads.left),
    bead(beads.right),
  ];
};

/** The rim alone: flanges, seats, humps and well, with its strip and its lock. */
export const rimShapes = (section: Section, place: SectionPlace): DrawnShape[] => {
  const { scale } = place;
  const rimMm = rimWidthOf(section);
  const wellMm = wellDepthOf(section);
  const wellHalf = wellHalfOf(rimMm);
  const stripOut = RIM_MM / 2 + STRIP_MM / 2 - wellMm;
  return [
    path('rim-cut', placed(rimLine(rimMm, wellMm, section.hasHump), place), false, RIM_MM * scale),
    ...(section.hasStrip
      ? [
          path(
            'strip-cut',
            sectionLine(
              [
                [-wellHalf, stripOut],
                [wellHalf, stripOut],
              ],
              place,
            ),
            false,
            STRIP_MM * scale,
          ),
        ]
      : []),
  ];
};

/**
 * A tire on its rim, cut through and to scale: rim with flanges, seats, humps, well and strip,
 * carcass, beads, tread blocks, the tube inside, and a rim lock that pins the beads.
 */
export const sectionShapes = (
  section: Section,
  place: SectionPlace,
  beads = seatedBeads(section),
): DrawnShape[] => [
  ...tireShapes(section, place, beads),
  ...rimShapes(section, place),
  ...(section.hasLock ? lockShapes(section, place) : []),
];
