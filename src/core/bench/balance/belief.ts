import { likelihoodOf, WRONG } from './likelihood';
import { sumParts, toVector, type MassVector } from './mass-vector';
import type { Observation } from './observation';

/** Looked up once: they run a million times for a wheel. */
const { sqrt, exp, abs, floor, max, min, hypot } = Math;

/** The prior belief: an old answer for this wheel, and how far it may be off. */
export interface Prior extends MassVector {
  spreadG: number;
}

/** Prior knowledge: an old answer for this wheel, and the stand's own dead band, grams. */
export interface Known {
  prior?: Prior;
  bandG?: number;
  /** Dead bands to tell apart; more of them where it is the band that is asked for. */
  bandSteps?: number;
  /** A coarser grid and fewer dead bands: enough to compare how well stories explain readings. */
  isRough?: boolean;
  /**
   * Clockwise moment of a stand that is not level, as grams at the weight radius; 0 if left out.
   */
  tiltG?: number;
}

/**
 * A patch of the plane of heavy vectors: a turned rectangle of cells, grams, x to the right of the
 * valve and y toward it.
 */
interface Patch {
  x: number;
  y: number;
  /** Unit vector of the first axis. */
  cos: number;
  sin: number;
  halfU: number;
  halfV: number;
}

/** The posterior probability of each heavy vector and each dead band. */
export interface Belief {
  patch: Patch;
  /** Cells along each axis. */
  cells: number;
  /** Probability of each cell, row by row, summed over dead bands. */
  mass: Float64Array;
  /** Whether the stand's dead band was known beforehand. */
  bandKnown: boolean;
  /** Mean dead band in each cell, grams. */
  bandOf: Float64Array;
  meanX: number;
  meanY: number;
  bandG: number;
  /** The probability of each dead band, after the readings and before them. */
  bands: { f: number; p: number; before: number }[];
  /** Variance along x, along y, and of both together, g². */
  varX: number;
  varY: number;
  covXY: number;
  /** For each observation how probable it is that it is simply wrong. */
  wrong: number[];
  /** The probability that none of them is. */
  allRight: number;
  /** The probability of all that was seen, to be compared with the same under another story. */
  evidence: number;
}

/**
 * Cells along each axis, pass by pass: the first ones only find where the belief is. The blur of
 * the likelihoods follows the cells, so that a coarse grid misses nothing narrow.
 */
const CELLS_BY_PASS = [24, 32, 48];
const ROUGH_CELLS_BY_PASS = [24, 24, 24];
/**
 * Dead bands that a stand may have, grams, from a good one to a bad one, any alike. Basis: memory.
 */
const [MIN_BAND_G, MAX_BAND_G] = [0.5, 7.5];
/**
 * A stand's own band, once it is known, is right to about so much, one standard deviation of its
 * logarithm. Basis: memory.
 */
const KNOWN_WITHIN = 0.18;
const BAND_STEPS = 10;
const ROUGH_BAND_STEPS = 4;

/** Dead bands to look at, and how probable each is beforehand. */
const bandsOf = (knownG: number | undefined, steps: number): { f: number; p: number }[] => {
  const [from, to] =
    knownG === undefined
      ? [MIN_BAND_G, MAX_BAND_G]
      : [knownG * exp(-2.2 * KNOWN_WITHIN), knownG * exp(2.2 * KNOWN_WITHIN)];
  const raw = Array.from({ length: steps }, (_, i) => {
    const f = from * (to / from) ** (i / (steps - 1));
    // Steps are even in the logarithm, so an even chance over grams grows with f.
    return {
      f,
      p: knownG === undefined ? f : exp(-((Math.log(f / knownG) / KNOWN_WITHIN) ** 2) / 2),
    };
  });
  const sum = raw.reduce((t, b) => t + b.p, 0);
  return raw.map((b) => ({ f: b.f, p: b.p / sum }));
};

/**
 * A wheel is out by anything up to here, alike; beyond it is less and less likely. Basis: memory.
 */
const USUAL_G = 95;
const RARE_G = 25;
/**
 * Old answers for a wheel are for another tire: so often they do not help at all. Basis: memory.
 */
const NO_HELP = 0.35;

/** Density of a heavy vector before anything is seen: any size alike, any direction alike. */
const priorAt = (x: number, y: number, prior: Prior | undefined): number => {
  const r = sqrt(x * x + y * y);
  const open =
    (r < USUAL_G ? 1 : exp((USUAL_G - r) / RARE_G)) /
    (2 * Math.PI * max(r, 2) * (USUAL_G + RARE_G));
  if (!prior) return open;
  const [px, py] = toVector(prior);
  const near =
    exp(-((x - px) ** 2 + (y - py) ** 2) / (2 * prior.spreadG ** 2)) /
    (2 * Math.PI * prior.spreadG ** 2);
  return NO_HELP * open + (1 - NO_HELP) * near;
};

/** The middle of a cell in grams. */
export const cellAt = (
  { patch, cells }: Pick<Belief, 'patch' | 'cells'>,
  i: number,
): readonly [number, number] => {
  const u = (((i % cells) + 0.5) / cells) * 2 * patch.halfU - patch.halfU;
  const v = ((floor(i / cells) + 0.5) / cells) * 2 * patch.halfV - patch.halfV;
  return [patch.x + u * patch.cos - v * patch.sin, patch.y + u * patch.sin + v * patch.cos];
};

/** The middles of all cells, grams. */
const middlesOf = (patch: Patch, cells: number): { xs: Float64Array; ys: Float64Array } => {
  const xs = new Float64Array(cells * cells);
  const ys = new Float64Array(cells * cells);
  for (let i = 0; i < xs.length; i++) [xs[i], ys[i]] = cellAt({ patch, cells }, i);
  return { xs, ys };
};

/** The belief over one patch. */
const over = (
  patch: Patch,
  cells: number,
  seen: readonly Observation[],
  { prior, bandG: knownG, bandSteps, isRough, tiltG }: Known,
): Belief => {
  const bands = bandsOf(knownG, bandSteps ?? (isRough ? ROUGH_BAND_STEPS : BAND_STEPS));
  const { cos, sin, halfU, halfV } = patch;
  const blur = (nx: number, ny: number) =>
    (abs(nx * cos + ny * sin) * halfU + abs(ny * cos - nx * sin) * halfV) / cells;
  const first = seen.find((o) => o.kind === 'swing') ?? null;
  const fs = bands.map((b) => b.f);
  const likelihoods = seen.map((o) => likelihoodOf(o, o === first ? null : first, fs, blur, tiltG));
  const steps = bands.length;
  const { xs, ys } = middlesOf(patch, cells);
  const mass = new Float64Array(cells * cells);
  const bandOf = new Float64Array(cells * cells);
  const wrong = new Float64Array(seen.length);
  /** For each observation, at one cell: how probable it is that it is wrong, band by band. */
  const shares = new Float64Array(seen.length * steps);
  const likely = new Float64Array(steps);
  const p = new Float64Array(steps);
  const rightShare = new Float64Array(steps);
  const perBand = new Float64Array(steps);
  let [total, right] = [0, 0];
  for (let i = 0; i < mass.length; i++) {
    const before = priorAt(xs[i]!, ys[i]!, prior);
    for (let b = 0; b < steps; b++) p[b] = before * bands[b]!.p;
    rightShare.fill(1);
    for (let k = 0; k < likelihoods.length; k++) {
      const { of, wrong: anyhow } = likelihoods[k]!;
      of(xs[i]!, ys[i]!, likely);
      for (let b = 0; b < steps; b++) {
        // Against a reading that is simply wrong: however many contradict each other, the product
        // stays a number.
        const times = ((1 - WRONG) * likely[b]!) / anyhow + WRONG;
        const share = WRONG / times;
        shares[k * steps + b] = share;
        p[b]! *= times;
        rightShare[b]! *= 1 - share;
      }
    }
    for (let b = 0; b < steps; b++) {
      mass[i]! += p[b]!;
      right += p[b]! * rightShare[b]!;
      bandOf[i]! += p[b]! * fs[b]!;
      perBand[b]! += p[b]!;
    }
    for (let k = 0; k < wrong.length; k++)
      for (let b = 0; b < steps; b++) wrong[k]! += p[b]! * shares[k * steps + b]!;
    total += mass[i]!;
  }
  let [meanX, meanY, bandG] = [0, 0, 0];
  for (let i = 0; i < mass.length; i++) {
    bandG += bandOf[i]! / total;
    if (mass[i]! > 0) bandOf[i]! /= mass[i]!;
    mass[i]! /= total;
    meanX += mass[i]! * xs[i]!;
    meanY += mass[i]! * ys[i]!;
  }
  let [varX, varY, covXY] = [0, 0, 0];
  for (let i = 0; i < mass.length; i++) {
    const dx = xs[i]! - meanX;
    const dy = ys[i]! - meanY;
    varX += mass[i]! * dx ** 2;
    varY += mass[i]! * dy ** 2;
    covXY += mass[i]! * dx * dy;
  }
  return {
    patch,
    cells,
    mass,
    bandKnown: knownG !== undefined,
    bandOf,
    meanX,
    meanY,
    bandG,
    bands: bands.map((b, i) => ({ f: b.f, p: perBand[i]! / total, before: b.p })),
    varX,
    varY,
    covXY,
    wrong: [...wrong].map((w) => w / total),
    allRight: right / total,
    evidence: (total * 4 * halfU * halfV) / cells ** 2,
  };
};

/** The smallest turned rectangle, along the belief's own axes, that holds nearly all of it. */
const closer = (belief: Belief): Patch => {
  const { varX, varY, covXY, meanX, meanY, mass, patch, cells } = belief;
  const turn = Math.atan2(2 * covXY, varX - varY) / 2;
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
  const most = mass.reduce((a, b) => max(a, b), 0);
  let [u0, u1, v0, v1] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < mass.length; i++) {
    if (mass[i]! < most * 2e-4) continue;
    const [x, y] = cellAt(belief, i);
    const u = (x - meanX) * cos + (y - meanY) * sin;
    const v = (y - meanY) * cos - (x - meanX) * sin;
    [u0, u1, v0, v1] = [min(u0, u), max(u1, u), min(v0, v), max(v1, v)];
  }
  // A cell more on every side, of the coarser grid.
  const edge = (1.5 * max(patch.halfU, patch.halfV) * 2) / cells;
  const [mu, mv] = [(u0 + u1) / 2, (v0 + v1) / 2];
  return {
    x: meanX + mu * cos - mv * sin,
    y: meanY + mu * sin + mv * cos,
    cos,
    sin,
    halfU: (u1 - u0) / 2 + edge,
    halfV: (v1 - v0) / 2 + edge,
  };
};

const REACH_G = 190;
const EVERYWHERE: Patch = { x: 0, y: 0, cos: 1, sin: 0, halfU: REACH_G, halfV: REACH_G };

/**
 * The belief after what was seen, and an old answer if there is one. The same input gives the same
 * belief, to the last digit.
 */
export const believe = (seen: readonly Observation[], known: Known = {}): Belief => {
  const [first, ...others] = known.isRough ? ROUGH_CELLS_BY_PASS : CELLS_BY_PASS;
  return others.reduce(
    (belief, cells) => over(closer(belief), cells, seen, known),
    over(EVERYWHERE, first!, seen, known),
  );
};

/**
 * The probability that the wheel with `weights` on is out by no more than `toleranceG`, or by no
 * more than its stand shows if `orBand`.
 */
export const withinChance = (
  belief: Belief,
  weights: readonly MassVector[],
  toleranceG: number,
  orBand = false,
): number => {
  const [wx, wy] = sumParts(weights);
  let sum = 0;
  for (let i = 0; i < belief.mass.length; i++) {
    if (belief.mass[i]! === 0) continue;
    const [x, y] = cellAt(belief, i);
    if (hypot(x + wx, y + wy) <= (orBand ? max(toleranceG, belief.bandOf[i]!) : toleranceG))
      sum += belief.mass[i]!;
  }
  return sum;
};
