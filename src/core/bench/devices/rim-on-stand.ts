const toRad = (deg: number): number => (deg * Math.PI) / 180;

/**
 * A rim on the stand, under a dial indicator: how far it swings once round, and a dent. Millimetres
 * and degrees.
 */
export interface RimShape {
  lateral: { swingMm: number; highDeg: number };
  radial: { swingMm: number; highDeg: number };
  dent: { deg: number; depthMm: number; halfWidthDeg: number };
}

export type Axis = 'lateral' | 'radial';

/**
 * The rim's position under the indicator: out by its first harmonic, and in at the dent when
 * measured up and down.
 */
export const rimAtMm = (shape: RimShape, axis: Axis, deg: number): number => {
  const { swingMm, highDeg } = shape[axis];
  const wave = (swingMm / 2) * Math.cos(toRad(deg - highDeg));
  const away = Math.abs(((deg - shape.dent.deg + 540) % 360) - 180) / shape.dent.halfWidthDeg;
  return axis === 'radial' && away < 1
    ? wave - (shape.dent.depthMm * (1 + Math.cos(Math.PI * away))) / 2
    : wave;
};

/** Time in which the plunger comes within a third of its place. Basis: memory. */
const PLUNGER_S = 0.12;
const STEP_MM = 0.01;

/**
 * The plunger follows the rim with a lag, and the dial shows hundredths; `noise` from -1 to 1 moves
 * it by less than one.
 */
export const followMm = (
  shownMm: number,
  trueMm: number,
  seconds: number,
  noise: number,
): number => {
  const moved = trueMm + (shownMm - trueMm) * Math.exp(-seconds / PLUNGER_S);
  return Math.round((moved + noise * STEP_MM * 0.6) / STEP_MM) * STEP_MM;
};
