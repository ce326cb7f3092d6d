import Joi from 'joi';
import { AT_REST, pullOn } from '../../core/bench/devices';
import { quantity } from '../../core/base/fields';
import { seeded } from '../../core/base/statistics';
import { standIn, type StandIn } from './stand-in';
import { lowerFirst } from '../../core/base/text-case';

/** The speed of a thermometer's tip and of a caliper's jaws. Basis: memory. */
const TIP_S = 1.5;
const JAWS_S = 0.1;

const follow = (shown: number, real: number, seconds: number, lagS: number): number =>
  real + (shown - real) * Math.exp(-seconds / lagS);
const flag = (label: string) =>
  Joi.boolean()
    .optional()
    .meta({ expected: `Choose ${lowerFirst(label)}: true or false` });

/** A thermometer whose tip takes its time. */
export const simulatedThermometer = (name: string): StandIn => {
  const chance = seeded(11);
  let shownC = 20;
  return standIn(name, 'thermometer', {
    schema: Joi.object({ tempC: quantity('C', -40, 90, 'What it touches').optional() }).required(),
    knobs: { tempC: 21 },
    digits: 1,
    next: ({ tempC }, seconds) => ({
      value: (shownC = follow(shownC, tempC, seconds, TIP_S)) + (chance() - 0.5) * 0.1,
    }),
  });
};

/** A caliper that closes on a part when it is held on it, and stands open at zero else. */
export const simulatedCaliper = (name: string): StandIn => {
  const chance = seeded(12);
  let shownMm = 0;
  return standIn(name, 'caliper', {
    schema: Joi.object({
      partMm: quantity('mm', 0, 300, 'Part between its jaws').optional(),
      on: flag('Closed on the part'),
    }).required(),
    knobs: { partMm: 5.2, on: false },
    digits: 2,
    next: ({ partMm, on }, seconds) => ({
      value: Math.max(
        0,
        (shownMm = follow(shownMm, on ? partMm : 0, seconds, JAWS_S)) +
          (on ? (chance() - 0.5) * 0.02 : 0),
      ),
    }),
  });
};

/**
 * A click wrench with a scale; pulled, it clicks at its setting and the hand goes a little past it.
 */
export const simulatedWrench = (name: string, scale: { minNm: number; maxNm: number }): StandIn => {
  let pull = AT_REST;
  return standIn(name, 'torque-wrench', {
    schema: Joi.object({
      setNm: quantity('Nm', 0, 400, 'Wrench setting').optional(),
      pulling: flag('Pulled'),
    }).required(),
    knobs: { setNm: 60, pulling: false },
    digits: 1,
    next: ({ setNm, pulling }, seconds) => {
      const next = pullOn({ ...scale, setNm }, pull, pulling, seconds);
      pull = next.pull;
      return { value: pull.torqueNm, event: next.click ? 'click' : undefined };
    },
  });
};
