import { angleBetween } from '../../base/units';
import { likelihoodOf, READ_DEG } from './likelihood';
import type { Observation, Settle } from './observation';

/**
 * Goodness of fit of the readings taken with the present weights to a balanced wheel: whatever
 * earlier readings suggested, these have to bear it out.
 */

/** Imbalances up to here are tried, grams, in rings and directions. */
const MAX_G = 80;
const RINGS = 24;
const DIRECTIONS = 72;
/** Dead bands that are tried if the stand's own is not known, grams. Basis: memory. */
const BANDS_G = [0.5, 0.8, 1.2, 1.8, 2.6, 3.6, 5, 7];
/**
 * A place that stays at 3 and at 9 may still hide so many dead bands, by the geometry of the test.
 */
const HIDDEN_BANDS = Math.SQRT2;
/** Resting places that crowd more than in one of twenty balanced wheels speak against it. */
const CROWDED = 0.05;

const DEG = Math.PI / 180;

/** The smallest arc that holds all of these places, degrees. */
export const arcOf = (degs: readonly number[]): number => {
  const sorted = [...degs].sort((a, b) => a - b);
  const gaps = sorted.map((deg, i) => (sorted[i + 1] ?? sorted[0]! + 360) - deg);
  return 360 - Math.max(...gaps);
};

/**
 * The chance that `count` places that fall evenly over `widthDeg` lie within an arc so small or
 * smaller. Source: the range of a sample from the uniform distribution; on a whole turn, the
 * shortest arc that covers all of them.
 */
const crowdChance = (count: number, arcDeg: number, widthDeg: number): number => {
  if (count < 2) return 1;
  const share = Math.min(1, arcDeg / widthDeg);
  const isWholeTurn = widthDeg >= 360;
  const chance = isWholeTurn
    ? count * share ** (count - 1)
    : count * share ** (count - 1) - (count - 1) * share ** count;
  return Math.min(1, chance);
};

interface LastFit {
  /**
   * The likelihood of the best balanced wheel beside the best wheel of any kind, 0 to 1; lower
   * still if the resting places crowd as they would not on a balanced wheel.
   */
  fit: number;
  /** The resting places crowd: one more tells. */
  crowded: boolean;
}

/**
 * Goodness of fit of the last readings to a balanced wheel: a likelihood ratio, and a test of how
 * closely the resting places crowd. `now` are the readings with the present weights; `limitG` the
 * balance tolerance; `bandG` the stand's dead band if it is known.
 */
export const lastFit = (now: readonly Observation[], limitG: number, bandG?: number): LastFit => {
  if (now.length === 0) return { fit: 1, crowded: false };
  const blur = () => 0.4;
  const bands = bandG === undefined ? BANDS_G : [bandG];
  // What is on belongs to the wheel here: only what is left counts.
  const likelihoods = now.map((o) => likelihoodOf({ ...o, weights: [] }, null, bands, blur));
  const rests = now.filter((o): o is Settle => o.kind === 'settle');
  const arcDeg = rests.length === 0 ? 0 : arcOf(rests.map((r) => r.restDeg)) + 2 * READ_DEG;
  // A machine does not hide behind bearings.
  const byMachine = now.some((o) => o.kind === 'machine');
  const likely = new Float64Array(bands.length);
  const all = new Float64Array(bands.length);
  const levels = new Float64Array(bands.length);
  let [within, anywhere, crowd] = [0, 0, 0];
  for (let ring = 0; ring <= RINGS; ring++) {
    // Rings lie closer where little is left.
    const r = MAX_G * (ring / RINGS) ** 2;
    for (let k = 0; k < (ring === 0 ? 1 : DIRECTIONS); k++) {
      const rad = (2 * Math.PI * k) / DIRECTIONS;
      all.fill(1);
      levels.fill(1);
      likelihoods.forEach(({ of, wrong }, i) => {
        of(r * Math.sin(rad), r * Math.cos(rad), likely);
        for (let b = 0; b < bands.length; b++) {
          all[b]! *= likely[b]! / wrong + 1e-4;
          if (now[i]!.kind === 'level') levels[b]! *= likely[b]!;
        }
      });
      for (let b = 0; b < bands.length; b++) {
        const f = bands[b]!;
        anywhere = Math.max(anywhere, all[b]!);
        if (r > (byMachine ? limitG : Math.max(limitG, HIDDEN_BANDS * f))) continue;
        within = Math.max(within, all[b]!);
        const widthDeg = r <= f ? 360 : (2 * Math.asin(f / r)) / DEG + 2 * READ_DEG;
        const isNear =
          r <= f ||
          rests.every((rest) => Math.abs(angleBetween(rest.restDeg, rad / DEG)) <= widthDeg / 2);
        if (isNear)
          crowd = Math.max(crowd, levels[b]! * crowdChance(rests.length, arcDeg, widthDeg));
      }
    }
  }
  const ratio = anywhere === 0 ? 1 : within / anywhere;
  return { fit: ratio * Math.min(1, crowd / CROWDED), crowded: crowd < CROWDED };
};
