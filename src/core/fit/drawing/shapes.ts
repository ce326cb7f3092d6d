/** The role of a shape, which decides its color in every theme and in print. */
export type ShapeRole =
  | 'rubber'
  | 'sidewall'
  | 'groove'
  | 'molding'
  | 'rim'
  | 'ring'
  | 'plate'
  | 'hub'
  | 'open'
  | 'edge'
  | 'spoke'
  | 'spoke-far'
  | 'cast'
  | 'disc'
  | 'drive'
  | 'ink'
  | 'label'
  | 'hour'
  | 'lock'
  | 'weight'
  | 'heavy'
  | 'wedge'
  | 'seat'
  | 'live'
  | 'mark'
  | 'finding'
  | 'arrow'
  | 'leader'
  | 'leader-on-rubber'
  | 'bite'
  | 'bite-done'
  | 'bite-now'
  | 'bead'
  | 'bead-bite'
  | 'chain'
  | 'rubber-cut'
  | 'rim-cut'
  | 'strip-cut'
  | 'lock-cut'
  | 'lever'
  | 'tube'
  | 'tube-edge'
  | 'valve'
  | 'line-open'
  | 'line-even'
  | 'line-low';

/** Text along an arc about the middle of the field, its letters standing outward. */
export interface ArcText {
  kind: 'arc-text';
  role: ShapeRole;
  text: string;
  /** Height of the letters. */
  size: number;
  /** Radius of the line that the letters stand on. */
  r: number;
  /** Angle of the middle of the text, clockwise from the top. */
  deg: number;
}

export type DrawnShape =
  | { kind: 'circle'; role: ShapeRole; cx: number; cy: number; r: number; filled: boolean }
  /** A line without `width` has the one of its role. */
  | { kind: 'path'; role: ShapeRole; d: string; filled: boolean; width?: number }
  | {
      kind: 'text';
      role: ShapeRole;
      x: number;
      y: number;
      text: string;
      size: number;
      anchor: 'start' | 'middle' | 'end';
    }
  | ArcText;

/** The field of a dial: 600 by 600, the axle in the middle. */
export const CENTER = 300;

const RAD = Math.PI / 180;

/** A coordinate of a drawing: a tenth of its unit is finer than a screen shows. */
export const coordinate = (value: number): number => Math.round(value * 10) / 10;

/** The point at an angle clockwise from the top and a distance from the axle. */
export const at = (deg: number, r: number): readonly [number, number] => [
  coordinate(CENTER + r * Math.sin(deg * RAD)),
  coordinate(CENTER - r * Math.cos(deg * RAD)),
];

/** The same as the text of a path. */
export const spot = (deg: number, r: number): string => at(deg, r).join(' ');

/** A circle about the axle. */
export const circle = (role: ShapeRole, r: number, filled = true): DrawnShape => ({
  kind: 'circle',
  role,
  cx: CENTER,
  cy: CENTER,
  r: coordinate(r),
  filled,
});

/** A small circle at a place of the wheel. */
export const dot = (role: ShapeRole, deg: number, atR: number, r: number): DrawnShape => {
  const [cx, cy] = at(deg, atR);
  return { kind: 'circle', role, cx, cy, r: coordinate(r), filled: true };
};

/** A path as SVG writes it. */
export const path = (role: ShapeRole, d: string, filled = true, width?: number): DrawnShape => ({
  kind: 'path',
  role,
  d,
  filled,
  ...(width === undefined ? {} : { width: coordinate(width) }),
});

/** A line of a drawing, not filled; `d` as in SVG. */
export const line = (role: ShapeRole, d: string): DrawnShape => path(role, d, false);

/** A straight line between two places of the wheel. */
export const ray = (
  role: ShapeRole,
  fromDeg: number,
  fromR: number,
  toR: number,
  toDeg = fromDeg,
  width?: number,
): DrawnShape => path(role, `M${spot(fromDeg, fromR)}L${spot(toDeg, toR)}`, false, width);

/** A ring segment from one angle clockwise to another. */
export const band = (fromDeg: number, toDeg: number, outer: number, inner: number): string => {
  const span = (((toDeg - fromDeg) % 360) + 360) % 360;
  const large = span > 180 ? 1 : 0;
  const [o, i] = [coordinate(outer), coordinate(inner)];
  return (
    `M${spot(fromDeg, outer)}A${o} ${o} 0 ${large} 1 ${spot(toDeg, outer)}` +
    `L${spot(toDeg, inner)}A${i} ${i} 0 ${large} 0 ${spot(fromDeg, inner)}Z`
  );
};

const around = (r: number, sweep: 0 | 1): string => {
  const its = coordinate(r);
  return `M${spot(0, r)}A${its} ${its} 0 1 ${sweep} ${spot(180, r)}A${its} ${its} 0 1 ${sweep} ${spot(0, r)}Z`;
};

/** A hole about the axle in a path that runs clockwise. */
export const hole = (r: number): string => around(r, 0);

/** A full ring about the axle. */
export const annulus = (outer: number, inner: number): string => around(outer, 1) + hole(inner);

/** Letters that take less room than the others. */
const NARROW = new Set('/.- 1IJ');
const ADVANCE = 0.74;
const NARROW_ADVANCE = 0.46;
const advanceOf = (letter: string): number => (NARROW.has(letter) ? NARROW_ADVANCE : ADVANCE);

/** The angle that a text along an arc takes. */
export const arcSpanDeg = (text: string, size: number, r: number): number =>
  ([...text].reduce((sum, c) => sum + advanceOf(c), 0) * size) / r / RAD;

/** A letter of a text along an arc: the middle of its foot, and its turn. */
export interface ArcLetter {
  letter: string;
  x: number;
  y: number;
  turnDeg: number;
}

/** The letters of a text along an arc, each in its place. */
export const arcLetters = ({ text, size, r, deg }: ArcText): ArcLetter[] => {
  let along = deg - arcSpanDeg(text, size, r) / 2;
  return [...text].map((letter) => {
    const half = (advanceOf(letter) * size) / r / RAD / 2;
    const turnDeg = coordinate(along + half);
    along += 2 * half;
    const [x, y] = at(turnDeg, r);
    return { letter, x, y, turnDeg };
  });
};
