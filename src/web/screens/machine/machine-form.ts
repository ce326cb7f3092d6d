import { nanoid } from '@reduxjs/toolkit';
import Joi from 'joi';
import { InputError } from '../../../core/base/errors';
import {
  checkField,
  complete,
  fieldsOfKind,
  parsePlaces,
  type Field,
} from '../../../core/shop/records';
import { readTire } from '../../../core/fit/tires';
import {
  onFourWheels,
  POSITION_WORDS,
  readRimCode,
  type Fastener,
  type Machine,
  type MachineKind,
  type Wheel,
} from '../../../core/fit/wheels';
import { needed, typed, whole } from '../../shared/form-schema';
import type { useUnits } from '../../shared/quantity';
import { valueOf } from '../records/record-draft';

type Units = Pick<ReturnType<typeof useUnits>, 'read' | 'write'>;
type Read = Units['read'];

/** A wheel as it is typed. */
export interface WheelForm {
  position: Wheel['position'];
  build: Wheel['build'];
  rimCode: string;
  tireMarking: string;
  tube: 'tube' | 'none';
  locks: string;
  spokes: string;
  discSide: Wheel['discSide'];
  /** The fields of its kind of wheel alone, by the field of the record. */
  more: Record<string, string>;
}

/** A fastener as it is typed. */
interface FastenerForm {
  name: string;
  wheel: Fastener['wheel'];
  torque: string;
}

/** A machine as it is typed, with its wheels and torque values. */
export interface MachineForm {
  /** `yes` for a wheel without its machine. */
  loose: 'yes' | 'no';
  name: string;
  rider: string;
  kind: Machine['kind'];
  drive: Machine['drive'];
  front: string;
  rear: string;
  wheels: WheelForm[];
  fasteners: FastenerForm[];
}

/** Words of a list as the options of a choice. */
export const choices = <T extends string>(values: readonly T[], words?: Record<T, string>) =>
  values.map((v) => [v, words?.[v] ?? v] as const);

export const freshWheel = (position: Wheel['position']): WheelForm => ({
  position,
  build: 'spoked',
  rimCode: '',
  tireMarking: '',
  tube: 'tube',
  locks: '',
  spokes: '36',
  discSide: 'right',
  more: {},
});

/**
 * Fields of a wheel's record that a clamped wheel cannot be worked without; the rest is asked for
 * where it is needed.
 */
const CLAMPED = [
  'rings',
  'ringBolts',
  'ringBoltSize',
  'ringBoltGrade',
  'ringTorqueNm',
  'rimBolts',
  'rimBoltTorqueNm',
];

const ASKED = fieldsOfKind('wheels').filter(({ key }) => CLAMPED.includes(key) || key === 'pair');

/**
 * The questions of a wheel beside those of all wheels: its bolts by its build, its pair by the
 * machine.
 */
export const moreOf = (build: Wheel['build'], kind: MachineKind): readonly Field[] =>
  ASKED.filter(({ key, builds }) =>
    key === 'pair' ? onFourWheels(kind) || kind === 'sidecar' : builds?.includes(build),
  );

/** A field that is not asked for in this form has no currency to be read in. */
const NO_MONEY = '';

const readMore = (field: Field, text: string, units: Units): unknown =>
  checkField(field, valueOf(field, text, units, NO_MONEY));

export const freshFastener = (): FastenerForm => ({ name: '', wheel: 'any', torque: '' });

/**
 * The most usual drive of the wheel of a kind. Basis: memory; the form says it, and the record may
 * say another.
 */
export const USUAL_DRIVE: Record<MachineKind, Machine['drive']> = {
  dirt: 'chain',
  trials: 'chain',
  adventure: 'chain',
  road: 'chain',
  scooter: 'hub',
  cruiser: 'belt',
  sidecar: 'shaft',
  quad: 'chain',
  'side-by-side': 'shaft',
  drag: 'hub',
};

export const EMPTY_MACHINE: MachineForm = {
  loose: 'no',
  name: '',
  rider: '',
  kind: 'dirt',
  drive: 'chain',
  front: '',
  rear: '',
  wheels: [freshWheel('front'), freshWheel('rear')],
  fasteners: [{ name: 'rear axle nut', wheel: 'rear', torque: '' }],
};

/** A wheel over the counter: one wheel, and nothing that holds it. */
export const LOOSE_WHEEL: MachineForm = {
  ...EMPTY_MACHINE,
  loose: 'yes',
  name: 'Loose wheel',
  wheels: [freshWheel('rear')],
  fasteners: [],
};

const MAX_SPOKES = 80;

const spokesOf = ({ build, spokes }: WheelForm): number => {
  const count = build === 'spoked' ? Number(spokes) : 0;
  if (!Number.isInteger(count) || count < 0 || count > MAX_SPOKES)
    throw new InputError(
      'spokes',
      'The number of spokes is not valid.',
      `Enter a whole number up to ${MAX_SPOKES}`,
    );
  return count;
};

/** A number that may be left out. */
const optional = (text: string, what: string, unit: 'kPa' | 'Nm', read: Read): number | null => {
  if (!text.trim()) return null;
  const value = read(text, unit);
  if (value === null)
    throw new InputError(what, `${what}: not a number.`, 'Enter a number or leave it empty');
  return value;
};

/** The parser's refusal, with the wheel and the part that it speaks of. */
const atWheel = <T>(
  { position }: WheelForm,
  field: keyof WheelForm,
  part: string,
  read: () => T,
): T => {
  try {
    return read();
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    throw new InputError(
      field,
      `${POSITION_WORDS[position]}, ${part}: ${error.message}`,
      error.expected,
    );
  }
};

/** Reads a wheel through. Throws `InputError` at the field that does not fit. */
const checkWheel = (wheel: WheelForm): void => {
  atWheel(wheel, 'tireMarking', 'tire', () => readTire(wheel.tireMarking || ' '));
  atWheel(wheel, 'rimCode', 'rim code', () => readRimCode(wheel.rimCode || ' '));
  atWheel(wheel, 'locks', 'rim locks', () => parsePlaces(wheel.locks));
  atWheel(wheel, 'spokes', 'spokes', () => spokesOf(wheel));
};

const wheelSchema = whole<WheelForm>(checkWheel);

const moreSchema = (units: Units): Joi.ObjectSchema =>
  Joi.object(
    Object.fromEntries(
      ASKED.map((field) => [field.key, typed((text) => readMore(field, text, units)).optional()]),
    ),
  );

/** The schema of a machine's form, each refusal at its field. */
export const machineSchema = (units: Units): Joi.ObjectSchema =>
  Joi.object({
    loose: Joi.string().valid('yes', 'no').required(),
    name: needed('Machine name is empty. Enter one.', 80),
    rider: needed('Rider is empty. Enter the owner’s name.', 80),
    kind: Joi.string().required(),
    drive: Joi.string().required(),
    front: typed((text) => optional(text, 'Front placard', 'kPa', units.read)),
    rear: typed((text) => optional(text, 'Rear placard', 'kPa', units.read)),
    wheels: Joi.array()
      .items(wheelSchema.keys({ more: moreSchema(units) }))
      .required(),
    fasteners: Joi.array()
      .items(
        Joi.object({
          name: Joi.string().allow('').max(60).required(),
          wheel: Joi.string().required(),
          torque: typed((text) => optional(text, 'Torque', 'Nm', units.read)),
        }),
      )
      .required(),
  });

/** The machine that was typed; checked before. */
export const machineOf = (form: MachineForm, id: string, read: Read): Machine =>
  complete('machines', {
    id,
    name: form.name.trim(),
    kind: form.kind,
    rider: form.rider.trim(),
    loose: form.loose === 'yes',
    drive: form.drive,
    placardFrontKpa: optional(form.front, 'Front placard', 'kPa', read),
    placardRearKpa: optional(form.rear, 'Rear placard', 'kPa', read),
    fasteners: form.fasteners
      .filter((f) => f.name.trim())
      .map((f) => ({
        name: f.name.trim(),
        wheel: f.wheel,
        torqueNm: optional(f.torque, f.name, 'Nm', read),
        socket: null,
        renews: 'nothing',
      })),
  });

/** Its wheels; checked before. */
export const wheelsOf = (form: MachineForm, machineId: string, units: Units): Wheel[] =>
  form.wheels.map((w) =>
    complete('wheels', {
      id: nanoid(),
      machineId,
      position: w.position,
      build: w.build,
      rimCode: w.rimCode.trim(),
      tireMarking: w.tireMarking.trim(),
      tube: w.tube === 'tube',
      rimLockDegs: parsePlaces(w.locks),
      spokes: spokesOf(w),
      discSide: w.discSide,
      ...Object.fromEntries(
        moreOf(w.build, form.kind).map((field) => [
          field.key,
          readMore(field, w.more[field.key] ?? '', units),
        ]),
      ),
    }),
  );
