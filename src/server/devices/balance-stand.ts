import Joi from 'joi';
import { WEIGHTS_ON, type MassVector } from '../../core/bench/balance';
import {
  bearingsFor,
  bottomDeg,
  isAtRest,
  standStep,
  turnTo,
  type StandMotion,
  type StandWheel,
} from '../../core/bench/devices';
import { angle, count, oneOf, quantity } from '../../core/base/fields';
import { standIn, type StandIn } from './stand-in';

interface Knobs {
  /** Imbalance of the wheel, and what the bearings hide. */
  heavyG: number;
  heavyDeg: number;
  bandG: number;
  weights: MassVector[];
  /** So many times faster than a real wheel, which takes a minute to come to rest. */
  pace: number;
  /** Done once: a push, or what is at the bottom brought to that side and let go. */
  push: 'left' | 'right' | null;
  from: 'left' | 'right' | null;
  /** A place brought level with the axle, at 3 o'clock, and let go. */
  level: number | null;
}

const way = (label: string) => oneOf(['left', 'right'], label).allow(null).optional();
const schema = Joi.object({
  heavyG: quantity('g', 0, 300, 'Imbalance of the wheel').optional(),
  heavyDeg: angle('Heavy spot').optional(),
  bandG: quantity('g', 0.6, 20, 'Dead band of the bearings').optional(),
  weights: WEIGHTS_ON.optional(),
  pace: count(1, 40, 'Speed, times real time').optional(),
  push: way('Push'),
  from: way('Release position'),
  level: angle('Position held level').allow(null).optional(),
}).required();

const PUSH_DEG_S = 40;
const RADIUS_MM = 225;

/**
 * A balance stand with an invented wheel on it, that says which place is at the bottom, and once
 * when it came to rest.
 */
export const simulatedStand = (name: string): StandIn => {
  let motion: StandMotion = { turnDeg: 30, rateDegS: 0, held: false };
  let resting = true;
  const begin = (next: Partial<StandMotion>) => {
    motion = { ...motion, held: false, ...next };
    resting = false;
  };
  return standIn<Knobs>(name, 'balance-stand', {
    schema,
    knobs: {
      heavyG: 43,
      heavyDeg: 206,
      bandG: 2.5,
      weights: [],
      pace: 8,
      push: null,
      from: null,
      level: null,
    },
    digits: 1,
    next: (knobs, seconds) => {
      const wheel: StandWheel = {
        lumps: [{ massG: knobs.heavyG, deg: knobs.heavyDeg }, ...knobs.weights],
        radiusMm: RADIUS_MM,
        massKg: 9,
        inertiaKgM2: 0.35,
      };
      const bearings = bearingsFor(wheel, knobs.bandG);
      if (knobs.level !== null) begin({ turnDeg: turnTo(knobs.level, 3), rateDegS: 0 });
      if (knobs.from !== null)
        begin({ turnDeg: turnTo(bottomDeg(motion), knobs.from === 'left' ? 9 : 3), rateDegS: 0 });
      if (knobs.push !== null)
        begin({ rateDegS: knobs.push === 'left' ? PUSH_DEG_S : -PUSH_DEG_S });
      Object.assign(knobs, { push: null, from: null, level: null });
      motion = standStep(wheel, bearings, motion, seconds * knobs.pace);
      const rests = isAtRest(wheel, bearings, motion);
      const event = rests && !resting ? 'rest' : undefined;
      resting = rests;
      // 359.96 would be said as 360.0.
      return { value: bottomDeg(motion) % 359.95, event };
    },
  });
};
