import { sumParts, toVector } from './mass-vector';
import type { LevelTest, MachineReading, Observation, Settle, Swing } from './observation';

/** Looked up once: they run a million times for a wheel. */
const { sqrt, abs, exp, asin, sin, cos, hypot, log, max } = Math;

/** Standard deviation of a place that a fitter reads off the wheel. Basis: memory. */
export const READ_DEG = 1.5;
/**
 * The share of observations that are simply wrong: misread, mistyped, the wheel touched. Basis:
 * memory.
 */
export const WRONG = 0.004;
/** A level test near the edge of the dead band goes either way. */
const EDGE_G = 0.4;
/** Timing of a swing by hand, as a share; a share of the mass twice as large. Basis: memory. */
const TIMING = 0.015;
/** Rounding spreads an error evenly over a step. */
const ROUNDING = sqrt(12);
const RAD = Math.PI / 180;
const READ_RAD = READ_DEG * RAD;
/** So many standard deviations out there is nothing to speak of. */
const FAR = 4.5;

/** The error integral's S-curve, to 0.01%: logistic form of Bowling and others, 2009. */
const logistic = (z: number): number => 1 / (1 + exp(-(1.5976 + 0.07056 * z * z) * z));
/** Beyond so many standard deviations the curve is 0 or 1 to five digits. */
const CURVE_END = 4.5;
const STEPS_PER_SD = 256;
const CURVE = Float64Array.from({ length: 2 * CURVE_END * STEPS_PER_SD + 2 }, (_, i) =>
  logistic(i / STEPS_PER_SD - CURVE_END),
);

/** The same by linear interpolation in a table, to 0.001%: an exponential costs five times as much. */
const share = (z: number): number => {
  const at = (z + CURVE_END) * STEPS_PER_SD;
  if (at <= 0) return 0;
  if (at >= 2 * CURVE_END * STEPS_PER_SD) return 1;
  const i = at | 0;
  return CURVE[i]! + (at - i) * (CURVE[i + 1]! - CURVE[i]!);
};

/** Half the width of a cell along a direction, grams: what a coarse grid cannot tell apart. */
type Blur = (nx: number, ny: number) => number;

/**
 * Writes into `out` how probable an observation is for a wheel whose heavy vector with nothing on
 * is (x, y) grams, on a stand of each of the dead bands. All bands at once: what does not depend on
 * the band is computed once.
 */
type Likelihood = (x: number, y: number, out: Float64Array) => void;

const ANYWHERE = 1 / (2 * Math.PI);

interface Situation {
  /** Grams on the wheel, as a vector. */
  on: readonly [number, number];
  /** Dead bands, grams. */
  bands: readonly number[];
  blur: Blur;
  tiltG: number;
}

/** A density over the turn, per radian. */
const settleLikelihood = (seen: Settle, { on, bands, blur, tiltG }: Situation): Likelihood => {
  const [wx, wy] = on;
  const [ex, ey] = [sin(seen.restDeg * RAD), cos(seen.restDeg * RAD)];
  const softG = blur(ey, -ex);
  // Turned around on the stand, the wheel feels the same tilt the other way.
  const heldG = seen.turned ? -tiltG : tiltG;
  return (x, y, out) => {
    const vx = x + wx;
    const vy = y + wy;
    const r = sqrt(vx * vx + vy * vy);
    const isBehind = vx * ex + vy * ey < 0;
    const across = vx * ey - vy * ex - heldG;
    const blurG = sqrt((READ_RAD * r) ** 2 + softG * softG);
    for (let b = 0; b < bands.length; b++) {
      const f = bands[b]!;
      const beyond = abs(across) - f;
      // Within the dead band it rests anywhere.
      if (r <= f + abs(heldG)) out[b] = ANYWHERE;
      else if (isBehind || beyond > FAR * blurG) out[b] = 0;
      else {
        const inside =
          beyond < -FAR * blurG ? 1 : share((across + f) / blurG) - share((across - f) / blurG);
        const arc = heldG === 0 ? 2 * asin(f / r) : asin((heldG + f) / r) - asin((heldG - f) / r);
        out[b] = inside / arc;
      }
    }
  };
};

/** A probability. */
const levelLikelihood = (seen: LevelTest, { on, bands, blur, tiltG }: Situation): Likelihood => {
  const [wx, wy] = on;
  const [ex, ey] = [sin(seen.deg * RAD), cos(seen.deg * RAD)];
  const blurG = hypot(EDGE_G, blur(ex, ey));
  // A clockwise moment pulls down what is held at 3 o'clock and lifts what is held at 9.
  const helpG = seen.at === 'right' ? tiltG : seen.at === 'left' ? -tiltG : 0;
  const { moved } = seen;
  return (x, y, out) => {
    const pull = (x + wx) * ex + (y + wy) * ey + helpG;
    for (let b = 0; b < bands.length; b++) {
      const f = bands[b]!;
      if (moved === 'sinks') out[b] = share((pull - f) / blurG);
      else if (moved === 'rises') out[b] = share((-pull - f) / blurG);
      else out[b] = max(0, 1 - share((pull - f) / blurG) - share((-pull - f) / blurG));
    }
  };
};

/** A density over the plane, per square gram. */
const machineLikelihood = (seen: MachineReading, { on, blur }: Situation): Likelihood => {
  const [wx, wy] = on;
  const [mx, my] = toVector(seen);
  const softG = blur(Math.SQRT1_2, Math.SQRT1_2);
  const sd = hypot(seen.stepG / ROUNDING, (seen.massG * seen.stepDeg * RAD) / ROUNDING, softG, 0.5);
  return (x, y, out) =>
    out.fill(
      exp(-((x + wx - mx) ** 2 + (y + wy - my) ** 2) / (2 * sd * sd)) / (2 * Math.PI * sd * sd),
    );
};

/** Swinging faster or slower than at first tells how much more or less is heavy. */
const swingLikelihood = (seen: Swing, first: Swing, { on, blur }: Situation): Likelihood => {
  const [wx, wy] = on;
  const softG = blur(Math.SQRT1_2, Math.SQRT1_2);
  const [fx, fy] = sumParts(first.weights);
  // T² is as the inertia over the heavy mass; the weights hardly change the inertia.
  const told = 2 * log(first.periodS / seen.periodS);
  return (x, y, out) => {
    const r = sqrt((x + wx) ** 2 + (y + wy) ** 2) + 1e-9;
    const r0 = sqrt((x + fx) ** 2 + (y + fy) ** 2) + 1e-9;
    const sd = hypot(2 * Math.SQRT2 * TIMING, softG / r, softG / r0);
    const off = log(r / r0) - told;
    out.fill(exp(-(off * off) / (2 * sd * sd)) / sd);
  };
};

/**
 * The likelihood of an observation on stands of each of the dead bands `bands`, blurred as coarsely
 * as the grid; `wrong` is what it would be if the observation were simply wrong. A swing speaks
 * only beside an earlier one, `first`. `tiltG` is the clockwise moment of a stand that is not
 * level, as grams at the weight radius.
 */
export const likelihoodOf = (
  seen: Observation,
  first: Observation | null,
  bands: readonly number[],
  blur: Blur,
  tiltG = 0,
): { of: Likelihood; wrong: number } => {
  const at: Situation = { on: sumParts(seen.weights), bands, blur, tiltG };
  switch (seen.kind) {
    case 'settle':
      return { of: settleLikelihood(seen, at), wrong: ANYWHERE };
    case 'level':
      return { of: levelLikelihood(seen, at), wrong: 1 / 3 };
    case 'machine':
      return { of: machineLikelihood(seen, at), wrong: 1e-5 };
    case 'swing':
      return first?.kind === 'swing'
        ? { of: swingLikelihood(seen, first, at), wrong: 0.5 }
        : { of: (_x, _y, out) => out.fill(1), wrong: 1 };
  }
};
