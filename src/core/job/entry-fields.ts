import Joi from 'joi';
import { PIECE_SIDES } from '../bench/balance';
import { angle, listOf, oneOf, quantity, record, text } from '../base/fields';

/** Fields that several kinds of entry share. */

export const maybe = (schema: Joi.Schema) => schema.allow(null);
export const gauge = quantity('kPa', 0, 1000, 'The gauge reading');
/** The SHA-256 of a photo, in hex. */
export const PHOTO_ID = Joi.string()
  .pattern(/^[0-9a-f]{64}$/)
  .required()
  .meta({ expected: 'Use the ID that saving the photo returned, 64 hex digits' });
/**
 * The instrument that made a reading; null when it was typed, missing in entries of an earlier
 * version.
 */
export const device = maybe(text(40, 'The instrument')).optional().default(null);
export const altitude = quantity('m', -500, 9000, 'Elevation').optional().default(0);
export const mass = quantity('g', 0.5, 500, 'The mass');
export const dateCode = text(4, 'The date code');
/** A field that only the server writes. */
export const ofServer = Joi.any()
  .forbidden()
  .meta({ expected: 'Leave it out: the server writes it' });
export const id = text(60, 'Name of the entry');
export const pieces = listOf(
  record(
    { massG: mass, deg: angle('Place of the weight'), side: oneOf(PIECE_SIDES, 'Side of the rim') },
    'A weight',
  ),
  60,
  'The weights on the rim',
);
export const caliperReadings = (label: string) => listOf(quantity('mm', 0.5, 80, label), 24, label);
export const moved = oneOf(['rises', 'sinks', 'stays'], 'Movement');
