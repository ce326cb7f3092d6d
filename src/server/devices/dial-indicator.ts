import Joi from 'joi';
import { followMm, rimAtMm, type Axis, type RimShape } from '../../core/devices';
import { angle, check, oneOf } from '../../core/fields';
import type { StandIn } from './hub';

const EVERY_MS = 50;
/** An invented rim: a little out of true sideways, a little out of round, one dent. */
const RIM: RimShape = { lateral: { swingMm: 1.8, highDeg: 70 }, radial: { swingMm: 0.7, highDeg: 200 }, dent: { deg: 135, depthMm: 0.5, halfWidthDeg: 28 } };

const knobsSchema = Joi.object({ deg: angle('Place under the plunger'), axis: oneOf(['lateral', 'radial'], 'Which way it measures') }).required();

/** A dial indicator against a rim on the stand. */
export const simulatedIndicator = (name: string): StandIn => {
  let knobs: { deg: number; axis: Axis } = { deg: 0, axis: 'lateral' };
  let shownMm = 0;
  return {
    device: { name, kind: 'dial-indicator', simulated: true, calibratedOn: null },
    start(say) {
      let tick = 0;
      const timer = setInterval(() => {
        tick++;
        // A noise that needs no chance: the same every time, and never in step with the turning.
        shownMm = followMm(shownMm, rimAtMm(RIM, knobs.axis, knobs.deg), EVERY_MS / 1000, Math.sin(tick * 12.9898));
        say(JSON.stringify({ device: name, kind: 'dial-indicator', value: Number(shownMm.toFixed(2)), unit: 'mm', at: new Date().toISOString() }));
      }, EVERY_MS);
      return () => clearInterval(timer);
    },
    hold: (raw) => void (knobs = check(knobsSchema, raw)),
  };
};
