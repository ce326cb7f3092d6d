import { coordinate, line, type DrawnShape } from '../../fit/drawing';
import { bottomMm, limpLoop, type BeadAndRim } from './bead-geometry';

const CENTER = 300;
const FLANGE_R = 262;
const RAD = Math.PI / 180;

/** A point of the drawing, degrees clockwise from the top. */
const at = (deg: number, r: number): string =>
  `${coordinate(CENTER + r * Math.sin(deg * RAD))} ${coordinate(CENTER - r * Math.cos(deg * RAD))}`;

/** An arc clockwise from one angle to another, going on from where the pen is. */
const arcTo = (fromDeg: number, toDeg: number, r: number): string =>
  `A${coordinate(r)} ${coordinate(r)} 0 ${toDeg - fromDeg > 180 ? 1 : 0} 1 ${at(toDeg, r)}`;

/** The drawing's input: a bead on its way over the flange. */
export interface BeadPathView {
  rim: BeadAndRim;
  /** The arc that is not over the flange yet. */
  leftDeg: number;
  biteMm: number;
  /** The arc of the far side that sits up on its seat. */
  farUpDeg: number;
  /** Writes a length. */
  say: (mm: number) => string;
}

/**
 * A bead on its way over the flange, to scale on a field of 600 x 600, seen along the axle: flange,
 * bead seat and well as circles, the loop in the well below, its two rises, the bite along the
 * flange, and the rest straight across. What is left to go is at the top. The same arcs as
 * `limpLoop`.
 */
export const beadPathDrawing = (view: BeadPathView): DrawnShape[] => {
  const { rim, leftDeg, biteMm, farUpDeg, say } = view;
  const scale = FLANGE_R / (rim.flangeMm / 2);
  const bottom = bottomMm(rim);
  const wellR = (bottom / 2) * scale;
  const seatR = (rim.beadMm / 2) * scale;
  const { riseDeg } = limpLoop(rim, bottom);
  const half = Math.min(leftDeg / 2, 180 - riseDeg);
  const biteDeg = Math.min(2 * half, (biteMm / (Math.PI * rim.flangeMm)) * 360);
  const biteFrom = half - biteDeg;
  const [wellFrom, wellTo] = [half + riseDeg, 360 - half - riseDeg];
  const circle = (role: DrawnShape['role'], r: number, filled: boolean): DrawnShape => ({
    kind: 'circle',
    role,
    cx: CENTER,
    cy: CENTER,
    r: coordinate(r),
    filled,
  });
  const words = (y: number, text: string, role: DrawnShape['role'] = 'label'): DrawnShape => ({
    kind: 'text',
    role,
    x: CENTER,
    y: coordinate(y),
    text,
    size: 24,
    anchor: 'middle',
  });
  const isUp = farUpDeg > 0;
  const up = Math.min(farUpDeg, wellTo - wellFrom) / 2;
  return [
    circle('rim', FLANGE_R, true),
    circle('ink', FLANGE_R, false),
    circle('leader', seatR, false),
    circle('open', wellR, true),
    circle('ink', wellR, false),
    line(
      'bead',
      `M${at(wellFrom, wellR)}${arcTo(wellFrom, wellTo, wellR)}L${at(-half, FLANGE_R)}L${at(biteFrom, FLANGE_R)}`,
    ),
    line('bead', `M${at(half, FLANGE_R)}L${at(wellFrom, wellR)}`),
    line('bead-bite', `M${at(biteFrom, FLANGE_R)}${arcTo(biteFrom, half, FLANGE_R)}`),
    ...(isUp ? [line('seat', `M${at(180 - up, seatR)}${arcTo(180 - up, 180 + up, seatR)}`)] : []),
    words(CENTER - wellR * 0.62, `${say((leftDeg * Math.PI * rim.flangeMm) / 360)} to go`),
    words(CENTER - wellR * 0.62 + 32, `bite ${say(biteMm)}`, 'live'),
    words(CENTER + wellR - 46, isUp ? 'far side up on its seat' : 'far side down in the well'),
  ];
};
