import { sumVectors, toVector, type LevelTest, type MassVector } from '../bench/balance';
import { bearingsFor, bottomDeg, turnTo, untilRest, type StandWheel } from '../bench/devices';
import { normalDeg } from '../base/units';

/** An invented dirt bike's wheel with its tire, on a stand. */
const WHEEL = { radiusMm: 225, massKg: 9, inertiaKgM2: 0.35 };

/** A hidden heavy spot with weights on it, as a wheel that turns on a stand. */
export const standWheel = (heavy: MassVector, weights: readonly MassVector[]): StandWheel => ({
  ...WHEEL,
  lumps: [heavy, ...weights],
});

/** A stand with a wheel that no one can look into: what it shows when it is let go. */
export interface HiddenStand {
  /**
   * The place that comes to the bottom when what is heavy is let go from the left or the right,
   * degrees.
   */
  settle(weights: readonly MassVector[], from: 'left' | 'right'): number;
  /** The move of a place that is held level and let go. */
  level(deg: number, weights: readonly MassVector[]): LevelTest['moved'];
  leftG(weights: readonly MassVector[]): number;
}

/** `heavy` in grams at the weight radius; `bandG` what the bearings hide there, from 0.6. */
export const hiddenStand = (heavy: MassVector, bandG: number): HiddenStand => ({
  settle(weights, from) {
    const wheel = standWheel(heavy, weights);
    const start = turnTo(sumVectors(wheel.lumps).deg, from === 'left' ? 9 : 3);
    return normalDeg(
      bottomDeg(
        untilRest(wheel, bearingsFor(wheel, bandG), { turnDeg: start, rateDegS: 0, held: false }),
      ),
    );
  },
  level(deg, weights) {
    const [x, y] = toVector(sumVectors([heavy, ...weights]));
    const [ex, ey] = toVector({ massG: 1, deg });
    const pullG = x * ex + y * ey;
    return pullG > bandG ? 'sinks' : pullG < -bandG ? 'rises' : 'stays';
  },
  leftG: (weights) => sumVectors([heavy, ...weights]).massG,
});
