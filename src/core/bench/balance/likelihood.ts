import { sumParts, toVector } from './mass-vector';
import type { Observation } from './observation';

/** Looked up once: they run a million times for a wheel. */
const { sqrt, abs, exp, asin, sin, cos, hypot, log, max } = Math;

/** How well a fitter reads a place off the wheel, one standard deviation. Basis: memory. */
export const READ_DEG = 1.5;
/**
 * How often an observation is simply wrong: misread, mistyped, the wheel touched. Basis: memory.
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
const share = (z: number): number => 1 / (1 + exp(-(1.5976 + 0.07056 * z * z) * z));

/**
 * How probable an observation is for a wheel whose heavy vector with nothing on is (x, y), on a
 * stand of dead band `f`; grams.
 */
type Likelihood = (x: number, y: number, f: number) => number;

/** Half the width of a cell along a direction, grams: what a coarse grid cannot tell apart. */
type Blur = (nx: number, ny: number) => number;

/**
 * The likelihood of an observation, blurred as coarsely as the grid. A settle is a density over the
 * turn (in radians), a level test a probability, a machine's reading a density over the plane; what
 * it would be if the observation were simply wrong is `wrong`. A swing speaks only beside an
 * earlier one, `first`. `tiltG` is the clockwise moment of a stand that is not level, as grams at
 * the weight radius.
 */
export const likelihoodOf = (
  seen: Observation,
  first: Observation | null,
  blurOf: Blur,
  tiltG = 0,
): { of: Likelihood; wrong: number } => {
  const [wx, wy] = sumParts(seen.weights);
  switch (seen.kind) {
    case 'settle': {
      const [ex, ey] = [sin(seen.restDeg * RAD), cos(seen.restDeg * RAD)];
      const softG = blurOf(ey, -ex);
      // Turned around on the stand, the wheel feels the same tilt the other way.
      const heldG = seen.turned ? -tiltG : tiltG;
      const of: Likelihood = (x, y, f) => {
        const vx = x + wx;
        const vy = y + wy;
        const r = sqrt(vx * vx + vy * vy);
        // Within the dead band it rests anywhere.
        if (r <= f + abs(heldG)) return 1 / (2 * Math.PI);
        if (vx * ex + vy * ey < 0) return 0;
        const across = vx * ey - vy * ex - heldG;
        const blur = sqrt((READ_RAD * r) ** 2 + softG * softG);
        const beyond = abs(across) - f;
        if (beyond > FAR * blur) return 0;
        const inside =
          beyond < -FAR * blur ? 1 : share((across + f) / blur) - share((across - f) / blur);
        return (
          inside / (heldG === 0 ? 2 * asin(f / r) : asin((heldG + f) / r) - asin((heldG - f) / r))
        );
      };
      return { of, wrong: 1 / (2 * Math.PI) };
    }
    case 'level': {
      const [ex, ey] = [sin(seen.deg * RAD), cos(seen.deg * RAD)];
      const blur = hypot(EDGE_G, blurOf(ex, ey));
      // A clockwise moment pulls down what is held at 3 o'clock and lifts what is held at 9.
      const helpG = seen.at === 'right' ? tiltG : seen.at === 'left' ? -tiltG : 0;
      const of: Likelihood = (x, y, f) => {
        const pull = (x + wx) * ex + (y + wy) * ey + helpG;
        const sinks = share((pull - f) / blur);
        const rises = share((-pull - f) / blur);
        return seen.moved === 'sinks'
          ? sinks
          : seen.moved === 'rises'
            ? rises
            : max(0, 1 - sinks - rises);
      };
      return { of, wrong: 1 / 3 };
    }
    case 'machine': {
      const [mx, my] = toVector(seen);
      const softG = blurOf(Math.SQRT1_2, Math.SQRT1_2);
      const sd = hypot(
        seen.stepG / ROUNDING,
        (seen.massG * seen.stepDeg * RAD) / ROUNDING,
        softG,
        0.5,
      );
      const of: Likelihood = (x, y) =>
        exp(-((x + wx - mx) ** 2 + (y + wy - my) ** 2) / (2 * sd * sd)) / (2 * Math.PI * sd * sd);
      return { of, wrong: 1e-5 };
    }
    case 'swing': {
      if (first?.kind !== 'swing') return { of: () => 1, wrong: 1 };
      const softG = blurOf(Math.SQRT1_2, Math.SQRT1_2);
      const [fx, fy] = sumParts(first.weights);
      // T² is as the inertia over the heavy mass; the weights hardly change the inertia.
      const told = 2 * log(first.periodS / seen.periodS);
      const of: Likelihood = (x, y) => {
        const [r, r0] = [
          sqrt((x + wx) ** 2 + (y + wy) ** 2) + 1e-9,
          sqrt((x + fx) ** 2 + (y + fy) ** 2) + 1e-9,
        ];
        const sd = hypot(2 * Math.SQRT2 * TIMING, softG / r, softG / r0);
        const off = log(r / r0) - told;
        return exp(-(off * off) / (2 * sd * sd)) / sd;
      };
      return { of, wrong: 0.5 };
    }
  }
};
