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
}

/** Where a section is drawn: the middle of the rim at its bead seats, and units to a millimeter. */
export interface SectionPlace {
  x: number;
  y: number;
  scale: number;
}

/** Share of the section that the usual rim is wide, and how deep a well is. Basis: memory. */
const USUAL_RIM = 0.7;
const USUAL_WELL_MM = 20;
const FLANGE_MM = 14;
const SEAT_MM = 17;
/** Thickness of carcass and rim as they are drawn. */
const WALL_MM = 7;
const RIM_MM = 4;
const BEAD_MM = 5;

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

/** The middle line of the carcass from bead to bead, and the crown that blocks stand on. */
const carcass = (
  { sectionMm, heightMm, tread }: Section,
  rimMm: number,
  inset: number,
): { d: string; crown: readonly (readonly [number, number])[] } => {
  const { drop, wide } = CROWN[CROWN_OF[tread]];
  const half = sectionMm / 2 - inset;
  const high = heightMm - BLOCK_MM[tread] - inset;
  const foot = rimMm / 2 - 3 - inset / 2;
  const edge = half * wide;
  const edgeY = high * (1 - drop);
  const widestY = edgeY * 0.6;
  const side = (way: 1 | -1): readonly (readonly [number, number])[] =>
    [
      [foot, 2 + inset / 2],
      [half, widestY * 0.15],
      [half, widestY * 0.6],
      [half, widestY],
      [half, widestY + (edgeY - widestY) * 0.6],
      [edge + (half - edge) * 0.5, edgeY - (edgeY - widestY) * 0.2],
      [edge, edgeY],
      [edge * 0.86, edgeY + high * drop * 0.62],
      [edge * 0.45, high],
      [0, high],
    ].map(([x, y]) => [way * x!, y!] as const);
  const left = side(-1);
  const right = [...side(1)].reverse();
  const xy = ([x, y]: readonly [number, number]): string => `${coordinate(x)} ${coordinate(-y)}`;
  const curves = (points: readonly (readonly [number, number])[]): string =>
    [0, 3, 6]
      .map((i) => `C${xy(points[i + 1]!)} ${xy(points[i + 2]!)} ${xy(points[i + 3]!)}`)
      .join('');
  // Places along the crown, by the same curve as the outline's top.
  const [p0, p1, p2, p3] = [left[6]!, left[7]!, left[8]!, left[9]!];
  const onCrown = (t: number): readonly [number, number] => {
    const u = 1 - t;
    const mix = (k: 0 | 1) =>
      u ** 3 * p0[k] + 3 * u * u * t * p1[k] + 3 * u * t * t * p2[k] + t ** 3 * p3[k];
    return [mix(0), mix(1)];
  };
  const leftBlocks = [0.06, 0.55].map(onCrown);
  return {
    d: `M${xy(left[0]!)}${curves(left)}${curves(right)}`,
    crown: [...leftBlocks, [0, high], ...leftBlocks.map(([x, y]) => [-x, y] as const)],
  };
};

/** The rim's own line from flange to flange. */
const rimLine = (rimMm: number, wellMm: number, hasHump: boolean): string => {
  const half = rimMm / 2;
  const seat = Math.min(SEAT_MM, half * 0.42);
  const hump = hasHump ? 3 : 0;
  const side: readonly (readonly [number, number])[] = [
    [half + 3, FLANGE_MM],
    [half, FLANGE_MM - 3],
    [half, 0],
    [half - seat + 4, 0],
    [half - seat, hump],
    [half - seat - 4, 0],
    [Math.max(5, half - seat - 14), -wellMm],
  ];
  const left = side.map(([x, y]) => `${coordinate(-x)} ${coordinate(-y)}`);
  const right = [...side].reverse().map(([x, y]) => `${coordinate(x)} ${coordinate(-y)}`);
  return `M${[...left, ...right].join('L')}`;
};

/** Moves a path that is written about the seat's middle to its place. */
const placed = (d: string, { x, y, scale }: SectionPlace): string =>
  d.replace(
    /(-?[\d.]+) (-?[\d.]+)/g,
    (_, px: string, py: string) =>
      `${coordinate(x + Number(px) * scale)} ${coordinate(y + Number(py) * scale)}`,
  );

/** The outer line of a tire, for one that is drawn over another. */
export const sectionOutline = (section: Section, place: SectionPlace): string => {
  const rimMm = section.rimWidthMm ?? section.sectionMm * USUAL_RIM;
  return placed(carcass(section, rimMm, 0).d, place);
};

/**
 * A tire on its rim, cut through and to scale: rim with flanges, seats, humps and well, carcass,
 * beads, tread blocks, and the tube inside.
 */
export const sectionShapes = (section: Section, place: SectionPlace): DrawnShape[] => {
  const { scale } = place;
  const rimMm = section.rimWidthMm ?? section.sectionMm * USUAL_RIM;
  const { d, crown } = carcass(section, rimMm, WALL_MM / 2);
  const block = BLOCK_MM[section.tread];
  const blockWide = (section.sectionMm / BLOCKS_ACROSS) * 0.62;
  const blocks =
    block === 0
      ? []
      : crown.map(([px, py]) =>
          path(
            'rubber-cut',
            placed(
              `M${coordinate(px)} ${coordinate(-py)}L${coordinate(px)} ${coordinate(-py - block)}`,
              place,
            ),
            false,
            blockWide * scale,
          ),
        );
  const tube = carcass({ ...section, heightMm: section.heightMm - 3 }, rimMm - 10, WALL_MM + 3).d;
  const bead = (way: 1 | -1): DrawnShape => ({
    kind: 'circle',
    role: 'ink',
    cx: coordinate(place.x + way * (rimMm / 2 - BEAD_MM - 1) * scale),
    cy: coordinate(place.y - (BEAD_MM + 1) * scale),
    r: coordinate(BEAD_MM * scale),
    filled: true,
  });
  return [
    ...(section.hasTube
      ? [
          path('tube', placed(`${tube}Z`, place)),
          path('tube-edge', placed(`${tube}Z`, place), false),
        ]
      : []),
    path('rubber-cut', placed(d, place), false, WALL_MM * scale),
    ...blocks,
    path(
      'rim-cut',
      placed(rimLine(rimMm, section.wellMm ?? USUAL_WELL_MM, section.hasHump), place),
      false,
      RIM_MM * scale,
    ),
    bead(-1),
    bead(1),
  ];
};
