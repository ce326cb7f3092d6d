import Joi from 'joi';
import { InputError } from '../../base/errors';
import { check, oneOf, text } from '../../base/fields';
import {
  angleBetween,
  BAR_IN_KPA,
  FT_LBF_IN_NM,
  INCH_IN_MM,
  PSI_IN_KPA,
  type Unit,
} from '../../base/units';

/** The quantity that instruments of a kind measure, in SI, and when their reading may be taken. */
interface KindSpec {
  says: string;
  unit: Unit;
  /** The lowest sensible value. */
  min: number;
  max: number;
  /** Readings that agree this nearly stand still. */
  steadyWithin: number;
  /** It is put on for each reading: one that has not moved since the last is not alive. */
  mustMove: boolean;
  /** The one thing that it can say besides a number. */
  event: DeviceEvent | null;
}

/** A bead let go, the wrench clicked, the wheel came to rest. */
const DEVICE_EVENTS = ['pop', 'click', 'rest'] as const;
export type DeviceEvent = (typeof DEVICE_EVENTS)[number];

/**
 * Every kind of instrument. The ranges are what a bench instrument of the kind may have; basis:
 * memory.
 */
export const DEVICE_KINDS = {
  gauge: {
    says: 'pressure gauge',
    unit: 'kPa',
    min: -5,
    max: 1000,
    steadyWithin: 2.5,
    mustMove: true,
    event: 'pop',
  },
  thermometer: {
    says: 'thermometer',
    unit: 'C',
    min: -60,
    max: 120,
    steadyWithin: 0.5,
    mustMove: false,
    event: null,
  },
  'dial-indicator': {
    says: 'dial indicator',
    unit: 'mm',
    min: -25,
    max: 25,
    steadyWithin: 0.03,
    mustMove: false,
    event: null,
  },
  caliper: {
    says: 'caliper',
    unit: 'mm',
    min: 0,
    max: 400,
    steadyWithin: 0.04,
    mustMove: true,
    event: null,
  },
  'torque-wrench': {
    says: 'torque wrench',
    unit: 'Nm',
    min: -2,
    max: 1000,
    steadyWithin: 2,
    mustMove: true,
    event: 'click',
  },
  'balance-stand': {
    says: 'balance stand',
    unit: 'deg',
    min: 0,
    max: 360,
    steadyWithin: 0.6,
    mustMove: false,
    event: 'rest',
  },
} as const satisfies Record<string, KindSpec>;
export type DeviceKind = keyof typeof DEVICE_KINDS;
export const KINDS_OF_DEVICE = Object.keys(DEVICE_KINDS) as DeviceKind[];

/** Units that a line may come in, and what they are inside. */
const SPOKEN: Record<string, { unit: Unit; scale: number; shift?: number }> = {
  kPa: { unit: 'kPa', scale: 1 },
  psi: { unit: 'kPa', scale: PSI_IN_KPA },
  bar: { unit: 'kPa', scale: BAR_IN_KPA },
  mm: { unit: 'mm', scale: 1 },
  in: { unit: 'mm', scale: INCH_IN_MM },
  Nm: { unit: 'Nm', scale: 1 },
  'lbf-ft': { unit: 'Nm', scale: FT_LBF_IN_NM },
  C: { unit: 'C', scale: 1 },
  F: { unit: 'C', scale: 1 / 1.8, shift: -32 },
  deg: { unit: 'deg', scale: 1 },
};

/**
 * One reading as an instrument says it: a line of JSON. `value` in the kind's own SI unit once
 * read; `at` is ISO 8601.
 */
export interface DeviceLine {
  device: string;
  kind: DeviceKind;
  value: number;
  unit: string;
  at: string;
  event?: DeviceEvent;
}

const schema = Joi.object({
  device: text(40, 'Name of the instrument'),
  kind: oneOf(KINDS_OF_DEVICE, 'Kind of instrument'),
  value: Joi.number().required().meta({ expected: 'Enter a number' }),
  unit: oneOf(Object.keys(SPOKEN), 'The unit'),
  at: Joi.string()
    .isoDate()
    .required()
    .meta({ expected: 'Enter a time such as 2026-04-30T09:00:00.000Z' }),
  event: oneOf(DEVICE_EVENTS, 'What happened').optional(),
}).required();

/** A longer line is no reading. */
export const LINE_MAX = 500;

/**
 * A line of text as a reading, in SI. Throws `InputError` for what is no JSON, or says what the
 * instrument cannot measure.
 */
export const readLine = (line: string): DeviceLine => {
  let raw: unknown;
  try {
    raw = line.length <= LINE_MAX ? JSON.parse(line) : undefined;
  } catch {
    raw = undefined;
  }
  if (raw === undefined)
    throw new InputError('line', 'The line is not JSON.', '{"device","kind","value","unit","at"}');
  const read = check<DeviceLine>(schema, raw);
  const { says, unit, min, max, event } = DEVICE_KINDS[read.kind];
  const spoken = SPOKEN[read.unit]!;
  if (spoken.unit !== unit)
    throw new InputError(
      'unit',
      `A ${says} does not measure in ${read.unit}.`,
      Object.keys(SPOKEN)
        .filter((u) => SPOKEN[u]!.unit === unit)
        .join(', '),
    );
  const value = (read.value + (spoken.shift ?? 0)) * spoken.scale;
  if (value < min || value > max)
    throw new InputError(
      'value',
      `A ${says} cannot read ${read.value} ${read.unit}.`,
      `Enter ${min} to ${max} ${unit}`,
    );
  if (read.event !== undefined && read.event !== event)
    throw new InputError('event', `A ${says} says no ${read.event}.`, event ?? 'no event');
  return { ...read, value, unit };
};

/** So long without a good line, and an instrument is silent. */
export const SILENT_AFTER_MS = 2000;
/** Lines that must agree before a reading counts as steady. */
export const STEADY_LINES = 6;

/** The distance of two readings of an instrument; places on a wheel the short way round. */
export const apart = (a: number, b: number, kind: DeviceKind): number =>
  Math.abs(DEVICE_KINDS[kind].unit === 'deg' ? angleBetween(a, b) : b - a);

/** Whether the last readings of an instrument stand still enough to be taken. */
export const isSteady = (values: readonly number[], kind: DeviceKind): boolean => {
  const last = values.slice(-STEADY_LINES);
  return (
    last.length === STEADY_LINES &&
    last.every((a) => last.every((b) => apart(a, b, kind) <= DEVICE_KINDS[kind].steadyWithin))
  );
};
