import { sumVectors, type LevelTest, type MassVector, type Settle } from '../src/core/balance';
import { seeded } from '../src/core/statistics';
import { angleBetween, normalDeg } from '../src/core/units';

/**
 * A wheel on a stand that nobody can look into: its heavy vector at the weight radius, and the stand's dead band,
 * grams.
 */
export interface HiddenWheel {
  heavy: MassVector;
  bandG: number;
}

/** What a stand would show of a hidden wheel, by a seed: where it settles, and what it does when it is held level. */
export const standFor = ({ heavy, bandG }: HiddenWheel, seed: number, readDeg = 1.5) => {
  const chance = seeded(seed);
  /** Roughly normal: the sum of twelve even chances. */
  const normal = () => Array.from({ length: 12 }, chance).reduce((a, b) => a + b, -6);
  const pull = (weights: readonly MassVector[]) => sumVectors([heavy, ...weights]);
  return {
    residualG: (weights: readonly MassVector[]): number => pull(weights).massG,
    settle(weights: readonly MassVector[], from: Settle['from'] = null): Settle {
      const { massG, deg } = pull(weights);
      const within =
        massG <= bandG ? 360 * chance() : deg + ((2 * chance() - 1) * Math.asin(bandG / massG) * 180) / Math.PI;
      return { kind: 'settle', restDeg: normalDeg(within + normal() * readDeg), from, weights };
    },
    level(deg: number, weights: readonly MassVector[]): LevelTest {
      const { massG, deg: heavyDeg } = pull(weights);
      const turn = massG * Math.cos((angleBetween(deg, heavyDeg) * Math.PI) / 180);
      return { kind: 'level', deg, moved: turn > bandG ? 'sinks' : turn < -bandG ? 'rises' : 'stays', weights };
    },
  };
};

/** A hidden wheel of a seed: 5 to 90 g out anywhere, on a stand of 1 to 6 g, or of the band that is given. */
export const hiddenWheel = (seed: number, bandG?: number): HiddenWheel => {
  const chance = seeded(seed * 7919 + 13);
  return { heavy: { massG: 5 + 85 * chance(), deg: 360 * chance() }, bandG: bandG ?? 1 + 5 * chance() };
};
