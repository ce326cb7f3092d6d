import Joi from 'joi';
import { followMm, rimAtMm, type Axis, type RimShape } from '../../core/bench/devices';
import { angle, oneOf } from '../../core/base/fields';
import { standIn, type StandIn } from './stand-in';

/** An invented rim: a little out of true sideways, a little out of round, one dent. */
const RIM: RimShape = {
  lateral: { swingMm: 1.8, highDeg: 70 },
  radial: { swingMm: 0.7, highDeg: 200 },
  dent: { deg: 135, depthMm: 0.5, halfWidthDeg: 28 },
};

const schema = Joi.object({
  deg: angle('Position under the plunger').optional(),
  axis: oneOf(['lateral', 'radial'], 'Measuring direction').optional(),
}).required();

/** A dial indicator against a rim on the stand. */
export const simulatedIndicator = (name: string): StandIn => {
  let shownMm = 0;
  let tick = 0;
  return standIn<{ deg: number; axis: Axis }>(name, 'dial-indicator', {
    schema,
    knobs: { deg: 0, axis: 'lateral' },
    digits: 2,
    next: ({ deg, axis }, seconds) => {
      // A noise that needs no chance: the same every time, and never in step with the turning.
      shownMm = followMm(shownMm, rimAtMm(RIM, axis, deg), seconds, Math.sin(++tick * 12.9898));
      return { value: shownMm };
    },
  });
};
