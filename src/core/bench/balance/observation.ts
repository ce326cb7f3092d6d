import Joi from 'joi';
import { angle, listOf, oneOf, quantity, record, text, boolean } from '../../base/fields';
import type { MassVector } from './mass-vector';

/** The weights on the wheel while something was seen. */
interface Seen {
  weights: readonly MassVector[];
}

/**
 * A place came to rest at the bottom; `from` is the side that it was let go from, null if not
 * recorded.
 */
export interface Settle extends Seen {
  kind: 'settle';
  restDeg: number;
  from: 'left' | 'right' | null;
  /** The wheel was turned around on its stand, end for end, for this reading. */
  turned?: boolean;
}

/** A place was held level with the axle and let go. */
export interface LevelTest extends Seen {
  kind: 'level';
  deg: number;
  /** At 3 o’clock (right) or at 9 o’clock; left out if not recorded. */
  at?: 'left' | 'right' | null;
  moved: 'rises' | 'sinks' | 'stays';
}

/** Time of one small swing there and back. */
export interface Swing extends Seen {
  kind: 'swing';
  periodS: number;
}

/** The reading of a machine that spins the wheel: where it is heavy, and by how much. */
export interface MachineReading extends Seen {
  kind: 'machine';
  massG: number;
  deg: number;
  /** Finest step of what it shows. */
  stepG: number;
  stepDeg: number;
}

/**
 * Something that a fitter or an instrument saw of a wheel on the stand. Angles from the valve, as
 * seen from one side.
 */
export type Observation = Settle | LevelTest | Swing | MachineReading;

/** Weights on the wheel as input of a working. */
export const WEIGHTS_ON = listOf(
  record(
    {
      massG: quantity('g', 0, 2000, 'Mass'),
      deg: angle('Its place'),
      side: text(20, 'Side of the rim').optional(),
    },
    'A weight',
  ),
  60,
  'Weights on the wheel',
);
const weights = WEIGHTS_ON.optional().default([]);
const shape = (kind: Observation['kind'], parts: Record<string, Joi.Schema>) =>
  Joi.object({ kind: Joi.string().valid(kind).required(), weights, ...parts });

/** Observations as input of a working. */
export const OBSERVATIONS = listOf(
  Joi.alternatives(
    shape('settle', {
      restDeg: angle('Place at the bottom'),
      from: oneOf(['left', 'right'], 'Let go from').allow(null).optional().default(null),
      turned: boolean('Turned around on the stand').optional(),
    }),
    shape('level', {
      deg: angle('Place held level'),
      at: oneOf(['left', 'right'], 'Held at 9 o’clock (left) or 3 o’clock (right)')
        .allow(null)
        .optional(),
      moved: oneOf(['rises', 'sinks', 'stays'], 'Movement'),
    }),
    shape('swing', {
      periodS: Joi.number()
        .min(0.2)
        .max(60)
        .required()
        .description('Seconds of one swing')
        .meta({ expected: 'Enter seconds of one swing there and back, 0.2 to 60' }),
    }),
    shape('machine', {
      massG: quantity('g', 0, 2000, 'Mass'),
      deg: angle('Its place'),
      stepG: quantity('g', 0.1, 50, 'Finest step'),
      stepDeg: quantity('deg', 0.1, 45, 'Finest step'),
    }),
  ).meta({ expected: 'Use a settle reading, a level test, a timed swing or a machine reading' }),
  40,
  'What was seen, in order',
);
