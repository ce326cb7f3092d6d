import type { CastShape, Lacing } from '../wheels';
import type { DrawnWheel, WheelRadii } from './drawn-wheel';
import { at, circle, coordinate, dot, path, ray, spot, type DrawnShape } from './shapes';

/** The place of the middle of a spoke at the rim; the valve stands between two of them. */
const placeOf = (i: number, count: number): number => ((i + 0.5) * 360) / count;

/** The spokes of its flange that a spoke crosses. */
const CROSSED: Record<Lacing, number> = { radial: 0, '1x': 1, '2x': 2, '3x': 3, '4x': 4 };

/** How far inside the rim the nipples stand, and the heads outside the hub. */
const NIPPLE = 9;
const HEAD_SHARE = 0.86;

/**
 * Wire spokes by number and crossing: a spoke that crosses `c` others of its flange leaves the hub
 * `c` times two pitches of the rim away from its nipple (tangential lacing, geometry). Those of the
 * flange at the back are told from those in front. Without a lacing only nipples and the line to
 * the hub are drawn.
 */
const wireSpokes = (
  { spokes, lacing }: DrawnWheel,
  { rimIn, hub }: WheelRadii,
  isOver: boolean,
): DrawnShape[] => {
  const pitch = 360 / spokes;
  const drawn = Array.from({ length: spokes }, (_, i) => {
    // Neighbors go to different flanges; of one flange every other one leads.
    const isFront = (i % 2 === 0) !== isOver;
    const leads = Math.floor(i / 2) % 2 === 0 ? 1 : -1;
    const deg = placeOf(i, spokes);
    const hubDeg = deg + leads * (lacing ? CROSSED[lacing] : 0) * 2 * pitch;
    const role = isFront ? ('spoke' as const) : ('spoke-far' as const);
    return {
      isFront,
      spoke: ray(role, isOver ? -deg : deg, rimIn, hub * HEAD_SHARE, isOver ? -hubDeg : hubDeg),
      nipple: ray('ink', isOver ? -deg : deg, rimIn + 1, rimIn - NIPPLE, undefined, 3.4),
    };
  });
  const far = drawn.filter(({ isFront }) => !isFront);
  const near = drawn.filter(({ isFront }) => isFront);
  return [...[...far, ...near].map(({ spoke }) => spoke), ...drawn.map(({ nipple }) => nipple)];
};

/** A bar between hub and rim, of different width at its ends, bent sideways by `bend`. */
const bar = (
  deg: number,
  { rimIn, hub }: WheelRadii,
  {
    atHub,
    atRim,
    fromSide,
    toSide,
  }: { atHub: number; atRim: number; fromSide: number; toSide: number },
): string => {
  const inner = hub * 0.9;
  const outer = rimIn + 2;
  const middle = (inner + outer) / 2;
  const turn = (side: number, r: number): number => deg + (side / r) * (180 / Math.PI);
  const bent = fromSide + (toSide - fromSide) * 0.3;
  const half = (atHub + atRim) / 4;
  return (
    `M${spot(turn(fromSide - atHub / 2, inner), inner)}` +
    `Q${spot(turn(bent - half, middle), middle)} ${spot(turn(toSide - atRim / 2, outer), outer)}` +
    `L${spot(turn(toSide + atRim / 2, outer), outer)}` +
    `Q${spot(turn(bent + half, middle), middle)} ${spot(turn(fromSide + atHub / 2, inner), inner)}Z`
  );
};

/** Width of a cast spoke in millimeters, narrower if there are many. Basis: memory. */
const CAST_MM = 26;
const MANY_SPOKES = 6;

/** Bars of one cast spoke, by its shape. */
const CAST: Record<Exclude<CastShape, 'plate'>, (wide: number) => Parameters<typeof bar>[2][]> = {
  single: (wide) => [{ atHub: wide * 1.2, atRim: wide * 0.85, fromSide: 0, toSide: 0 }],
  double: (wide) =>
    [-1, 1].map((side) => ({
      atHub: wide * 0.5,
      atRim: wide * 0.5,
      fromSide: side * wide * 0.45,
      toSide: side * wide * 1.15,
    })),
  fork: (wide) =>
    [-1, 1].map((side) => ({
      atHub: wide * 0.62,
      atRim: wide * 0.5,
      fromSide: side * wide * 0.2,
      toSide: side * wide * 1.9,
    })),
};

const castSpokes = (
  { spokes, castShape }: DrawnWheel,
  radii: WheelRadii,
  isOver: boolean,
): DrawnShape[] => {
  const wide = CAST_MM * radii.scale * Math.min(1, MANY_SPOKES / spokes);
  const bars = CAST[castShape && castShape !== 'plate' ? castShape : 'single'](wide);
  return Array.from({ length: spokes }, (_, i) => placeOf(i, spokes) * (isOver ? -1 : 1)).flatMap(
    (deg) => bars.map((its) => path('cast', bar(deg, radii, its))),
  );
};

/** A pressed plate between hub and rim, with openings if someone has counted them. */
const plate = (
  { spokes, castShape }: DrawnWheel,
  radii: WheelRadii,
  isOver: boolean,
): DrawnShape[] => {
  const { rimIn, hub } = radii;
  const face = [circle('plate', rimIn), circle('edge', rimIn * 0.94, false)];
  if (castShape !== 'plate' || spokes === 0) return face;
  const middle = (hub + rimIn * 0.94) / 2;
  const long = (rimIn * 0.94 - hub) * 0.3;
  const wide = Math.min(long, (Math.PI * middle) / spokes / 1.6);
  return [
    ...face,
    ...Array.from({ length: spokes }, (_, i) => {
      const deg = placeOf(i, spokes) * (isOver ? -1 : 1);
      const [x, y] = at(deg, middle - long);
      const [u, v] = at(deg, middle + long);
      const radiusOf = `${coordinate(long)} ${coordinate(wide)} ${coordinate(deg - 90)}`;
      return path('open', `M${x} ${y}A${radiusOf} 0 1 ${u} ${v}A${radiusOf} 0 1 ${x} ${y}Z`);
    }),
  ];
};

/**
 * What joins hub and rim: wire or cast spokes by number and shape, a plate with its openings, or a
 * plain plate if no one has counted them.
 */
export const spokeShapes = (
  wheel: DrawnWheel,
  radii: WheelRadii,
  isOver: boolean,
): DrawnShape[] => {
  if (wheel.spokes === 0 || wheel.castShape === 'plate') return plate(wheel, radii, isOver);
  if (wheel.build === 'spoked') return wireSpokes(wheel, radii, isOver);
  return castSpokes(wheel, radii, isOver);
};

/** Bolts evenly around, the first one between valve and its neighbor. */
export const boltCircle = (count: number, r: number, size: number): DrawnShape[] =>
  Array.from({ length: count }, (_, i) => placeOf(i, count)).flatMap((deg) => [
    dot('edge', deg, r, size * 1.6),
    dot('ink', deg, r, size),
  ]);
