import {
  sumVectors,
  type LevelTest,
  type MassVector,
  type Settle,
} from '../src/core/bench/balance';
import { seeded } from '../src/core/base/statistics';
import { angleBetween, normalDeg } from '../src/core/base/units';

/**
 * A wheel on a stand that no one can look into: its heavy vector at the weight radius, and the
 * stand's dead band, grams.
 */
export interface HiddenWheel {
  heavy: MassVector;
  bandG: number;
  /**
   * Clockwise moment of a stand that is not level, as grams at the weight radius; 0 if left out.
   */
  tiltG?: number;
}

/**
 * What a stand would show of a hidden wheel, by a seed: a settle reading, and what it does when it
 * is held level.
 */
export const standFor = ({ heavy, bandG, tiltG = 0 }: HiddenWheel, seed: number, readDeg = 1.5) => {
  const chance = seeded(seed);
  /** Roughly normal: the sum of twelve even chances. */
  const normal = () => Array.from({ length: 12 }, chance).reduce((a, b) => a + b, -6);
  const pull = (weights: readonly MassVector[]) => sumVectors([heavy, ...weights]);
  return {
    residualG: (weights: readonly MassVector[]): number => pull(weights).massG,
    /**
     * Rests where the pull of the heavy spot, the tilt of the stand and the friction hold each
     * other.
     */
    settle(weights: readonly MassVector[], from: Settle['from'] = null, turned = false): Settle {
      const { massG, deg } = pull(weights);
      const clockwiseG = turned ? -tiltG : tiltG;
      const even = chance();
      // What friction and tilt hold at rest, from one edge of the dead band to the other.
      const heldG = (2 * even - 1) * bandG - clockwiseG;
      const isHeldAnywhere =
        massG <= bandG + Math.abs(clockwiseG) && (tiltG === 0 || Math.abs(heldG) >= massG);
      const within = isHeldAnywhere ? 360 * even : deg + (Math.asin(heldG / massG) * 180) / Math.PI;
      const it: Settle = {
        kind: 'settle',
        restDeg: normalDeg(within + normal() * readDeg),
        from,
        weights,
      };
      return turned ? { ...it, turned } : it;
    },
    /** `at` is the side on which the place is held level, 3 o’clock if left out. */
    level(deg: number, weights: readonly MassVector[], at: LevelTest['at'] = 'right'): LevelTest {
      const { massG, deg: heavyDeg } = pull(weights);
      const turn =
        massG * Math.cos((angleBetween(deg, heavyDeg) * Math.PI) / 180) +
        (at === 'left' ? -tiltG : tiltG);
      const moved = turn > bandG ? 'sinks' : turn < -bandG ? 'rises' : 'stays';
      return { kind: 'level', deg, at, moved, weights };
    },
  };
};

/**
 * A hidden wheel of a seed: 5 to 90 g out anywhere, on a stand of 1 to 6 g, or of the band that is
 * given.
 */
export const hiddenWheel = (seed: number, bandG?: number): HiddenWheel => {
  const chance = seeded(seed * 7919 + 13);
  return {
    heavy: { massG: 5 + 85 * chance(), deg: 360 * chance() },
    bandG: bandG ?? 1 + 5 * chance(),
  };
};
