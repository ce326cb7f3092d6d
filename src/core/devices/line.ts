import Joi from 'joi';
import { InputError } from '../errors';
import { check, oneOf, text } from '../fields';

/** What an outside instrument measures, in SI, and the range it can make sense in. */
export const DEVICE_KINDS = {
  'dial-indicator': { unit: 'mm', min: -25, max: 25, says: 'dial indicator' },
} as const satisfies Record<string, { unit: 'mm'; min: number; max: number; says: string }>;
export type DeviceKind = keyof typeof DEVICE_KINDS;

/** One reading as an instrument says it: a line of JSON. `at` is ISO 8601. */
export interface DeviceLine {
  device: string;
  kind: DeviceKind;
  value: number;
  unit: string;
  at: string;
}

const schema = Joi.object({
  device: text(40, 'Name of the instrument'),
  kind: oneOf(Object.keys(DEVICE_KINDS), 'Kind of instrument'),
  value: Joi.number().required().meta({ expected: 'a number' }),
  unit: text(10, 'The unit'),
  at: Joi.string().isoDate().required().meta({ expected: 'a time such as 2026-04-30T09:00:00.000Z' }),
}).required();

/** A line of text as a reading. Throws `InputError` for what is no JSON, or says what the instrument cannot measure. */
export const readLine = (line: string): DeviceLine => {
  let raw: unknown;
  try {
    raw = JSON.parse(line);
  } catch {
    throw new InputError('line', 'The line is no JSON.', '{"device","kind","value","unit","at"}');
  }
  const read = check<DeviceLine>(schema, raw);
  const { unit, min, max } = DEVICE_KINDS[read.kind];
  if (read.unit !== unit) throw new InputError('unit', `A ${read.kind} does not measure in ${read.unit}.`, unit);
  if (read.value < min || read.value > max) throw new InputError('value', `A ${read.kind} cannot read ${read.value} ${unit}.`, `${min} to ${max} ${unit}`);
  return read;
};

/** So long without a line, and an instrument is silent. */
export const SILENT_AFTER_MS = 2000;
/** Lines that must agree before a reading counts as steady, and how nearly. */
const STEADY_LINES = 6;
const STEADY_WITHIN_MM = 0.03;

/** Whether the last readings stand still enough to be taken. */
export const isSteady = (values: readonly number[]): boolean => {
  const last = values.slice(-STEADY_LINES);
  return last.length === STEADY_LINES && Math.max(...last) - Math.min(...last) <= STEADY_WITHIN_MM;
};
