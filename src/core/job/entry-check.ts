import Joi from 'joi';
import { PIECE_SIDES } from '../balance';
import { discRunout, SPINS } from '../brake';
import { CHAIN_SIDES, chainSlack, GAPS_FIELD, wheelAlignString } from '../drive';
import { InputError } from '../errors';
import {
  angle,
  check,
  count,
  date,
  listOf,
  marking,
  oneOf,
  quantity,
  record,
  ruleValues,
  text,
  yes,
} from '../fields';
import { inspectionOf, INSPECTED } from '../inspect';
import { sensorGap, SENSOR_READINGS } from '../leave';
import { GROUNDS, RAISED_FIELDS, USES } from '../pressure';
import { SCHOOLS, schoolChoices } from '../procedure/schools';
import { SYMPTOMS } from '../procedure/symptoms';
import { isCheckOf } from '../procedure/trouble';
import { JOB_LOOKS } from '../recheck';
import { BEAD_SIDES, GAP_TIMES } from '../ring';
import { recordSchema, TREADS } from '../shop';
import { STATIONS } from '../stations';
import { ARROWS, CLEARANCE_PLACES } from '../tires';
import { LUBRICANTS } from '../torque';
import { FIRST_TO_FIELD, READINGS_FIELD, SPOKES_FIELD, TURNED_FIELD } from '../truing';
import { sensorInput, slackInput, stringInput } from './back-inputs';
import { OLD_TIRES, RING_NAMES, type EntryBody, type EntryData, type EntryKind } from './entries';

const maybe = (schema: Joi.Schema) => schema.allow(null);
const gauge = quantity('kPa', 0, 1000, 'The gauge reading');
/** The SHA-256 of a photograph, in hex. */
export const PHOTO_ID = Joi.string()
  .pattern(/^[0-9a-f]{64}$/)
  .required()
  .meta({ expected: 'the id that keeping the photograph gave, 64 hex digits' });
/** What made a reading; entries of an earlier program do not say. */
const device = maybe(text(40, 'The instrument')).optional().default(null);
const altitude = quantity('m', -500, 9000, 'Altitude').optional().default(0);
const mass = quantity('g', 0.5, 500, 'The mass');
const dateCode = text(4, 'The date code');
const ofServer = Joi.any().forbidden().meta({ expected: 'nothing: the server writes it' });
const id = text(60, 'Name of the entry');
const pieces = listOf(
  record(
    { massG: mass, deg: angle('Place of the piece'), side: oneOf(PIECE_SIDES, 'Side of the rim') },
    'A piece',
  ),
  60,
  'The pieces on the rim',
);
const caliperReadings = (says: string) => listOf(quantity('mm', 0.5, 80, says), 24, says);
const moved = oneOf(['rises', 'sinks', 'stays'], 'What it did');

/** A schema for every field of every kind: a missing or misspelled one does not compile. */
type DataSchemas = {
  [K in EntryKind]: () => { [Field in keyof Required<EntryData[K]>]: Joi.Schema };
};

const DATA: DataSchemas = {
  opened: () => ({
    machine: recordSchema('machines'),
    wheel: recordSchema('wheels'),
    rider: text(80, 'The rider'),
  }),
  rules: () => ({ values: ruleValues().required() }),
  'came-off': () => ({
    marking: marking('The size that comes off'),
    dateCode: maybe(dateCode),
    treadMm: maybe(quantity('mm', 0, 40, 'Tread depth')),
    use: oneOf(USES, 'What the rider does'),
    treadBy: device,
  }),
  clearance: () => ({
    place: oneOf(CLEARANCE_PLACES, 'Where it is measured'),
    mm: quantity('mm', 0, 1000, 'The room'),
    load: text(60, 'How the machine is loaded'),
  }),
  chosen: () => ({
    marking: marking('The size that goes on'),
    dateCode: maybe(dateCode),
    tireId: maybe(id),
    tube: yes('With a tube'),
    tubeId: maybe(id),
    tubeLabel: maybe(text(80, 'The tube’s label')),
    lightMark: yes('The tire has a light mark'),
    seatLimitKpa: maybe(quantity('kPa', 20, 1000, 'Seating limit on the sidewall')),
    tread: oneOf(TREADS, 'What its tread is for').optional().default('other'),
    arrows: oneOf(ARROWS, 'Arrows on the sidewall').optional().default('one'),
    takeOff: yes('A take-off').optional().default(false),
    treadMm: maybe(quantity('mm', 0, 40, 'Depth of a take-off'))
      .optional()
      .default(null),
    parts: listOf(
      record(
        { what: text(120, 'What it is'), count: count(1, 1000, 'How many'), stockId: maybe(id) },
        'A part',
      ),
      60,
      'Parts',
    )
      .optional()
      .default([]),
    doubled: yes('Doubled tube').optional().default(false),
  }),
  load: () => ({
    riderKg: quantity('kg', 0, 300, 'Rider with gear'),
    passengerKg: quantity('kg', 0, 300, 'Passenger with gear'),
    luggageKg: quantity('kg', 0, 500, 'Luggage'),
  }),
  school: () => ({
    school: oneOf(SCHOOLS, 'The school'),
    value: text(60, 'What it is for this job'),
  }),
  step: () => ({ stepId: id, of: ofServer }),
  steps: () => ({
    stepIds: listOf(id, 40, 'Steps that were done').custom((ids: unknown[], helpers) =>
      ids.length > 0 ? ids : helpers.error('any.invalid'),
    ),
    of: ofServer,
  }),
  findings: () => ({
    part: oneOf(INSPECTED, 'What was looked at'),
    found: listOf(text(40, 'A finding'), 20, 'What was found'),
  }),
  photo: () => ({
    photoId: PHOTO_ID,
    part: maybe(oneOf(INSPECTED, 'What it shows')),
    says: text(200, 'What is to be seen').allow(''),
  }),
  trouble: () => ({
    symptom: oneOf(SYMPTOMS, 'What was seen'),
    curedBy: maybe(text(40, 'What cured it')),
  }),
  'rim-shape': () => ({
    flangeMm: quantity('mm', 80, 750, 'Over the flange'),
    wellMm: quantity('mm', 60, 700, 'In the well'),
    wellToFlangeMm: quantity('mm', 0, 400, 'From the well to the far flange'),
  }),
  runout: () => ({ readings: READINGS_FIELD, device }),
  'spoke-ring': () => ({ spokes: SPOKES_FIELD }),
  'nipples-turned': () => ({
    turned: (TURNED_FIELD as Joi.ArraySchema).min(1),
    firstTo: FIRST_TO_FIELD,
  }),
  'bead-measured': () => ({
    side: oneOf(BEAD_SIDES, 'Which bead'),
    bundleMm: caliperReadings('Thickness of the bundle'),
    gapMm: caliperReadings('Gap of the ring'),
    device,
  }),
  'ring-gap': () => ({
    ring: oneOf(BEAD_SIDES, 'Which ring'),
    when: oneOf(GAP_TIMES, 'When it was measured'),
    readings: listOf(
      record(
        { deg: angle('Place on the ring'), gapMm: quantity('mm', 0, 60, 'Gap there') },
        'A reading',
      ),
      48,
      'Readings of the feeler',
    ),
  }),
  'ring-set': () => ({
    bolts: count(3, 36, 'Bolts'),
    torqueNm: maybe(quantity('Nm', 0.5, 200, 'Torque by the maker')),
  }),
  'ring-bolt': () => ({
    ring: oneOf(RING_NAMES, 'Which ring'),
    pass: Joi.number()
      .valid(1, 2)
      .required()
      .meta({ expected: 'the first pass or the second, 1 or 2' }),
    bolt: count(1, 36, 'The bolt'),
    torqueNm: maybe(quantity('Nm', 0.1, 300, 'Torque')),
    device,
  }),
  'air-out': () => ({
    silent: yes('Nothing hisses'),
    gaugeKpa: maybe(gauge),
    coreOut: yes('The core is out'),
    device,
  }),
  taped: () => ({
    run: count(0, 500, 'Runs before it'),
    circumferenceMm: quantity('mm', 300, 4000, 'Circumference by tape'),
    gaugeKpa: quantity('kPa', 5, 400, 'Pressure'),
    device,
  }),
  note: () => ({ text: text(2000, 'The note') }),
  'seat-reading': () => ({ gaugeKpa: gauge, device }),
  pop: () => ({ gaugeKpa: gauge, device }),
  'molded-line': () => ({
    side: oneOf(['disc', 'other'], 'Which side'),
    deg: angle('Place on the wheel'),
    even: yes('Even with the rest'),
  }),
  'seat-ceiling': () => RAISED_FIELDS,
  seated: () => ({ side: oneOf(['disc', 'other'], 'Which side'), seated: yes('Seated') }),
  'seat-again': () => ({ why: text(120, 'Why it is tried again') }),
  'pressure-set': () => ({
    gaugeKpa: gauge,
    shopC: quantity('C', -60, 60, 'Shop temperature'),
    rideC: quantity('C', -60, 60, 'Riding temperature'),
    rideKpa: gauge,
    shopM: altitude,
    rideM: altitude,
    gauge: device,
    thermometer: device,
    second: maybe(
      record({ gauge: text(40, 'The second gauge'), gaugeKpa: gauge }, 'A second gauge'),
    )
      .optional()
      .default(null),
  }),
  ground: () => ({ ground: oneOf(GROUNDS, 'The ground') }),
  'balance-hint': () => ({
    massG: quantity('g', 0, 1000, 'The mass'),
    deg: angle('Where'),
    jobId: id,
    onDate: date('The day'),
  }),
  rest: () => ({
    restDeg: angle('Place at the bottom'),
    from: maybe(oneOf(['left', 'right'], 'Let go from')).optional(),
    turned: yes('Turned around on the stand').optional(),
    device,
  }),
  trial: () => ({ pieces }),
  weights: () => ({ pieces, residualG: maybe(quantity('g', 0, 1000, 'Left over')) }),
  'level-test': () => ({
    deg: angle('Place held level'),
    moved,
    at: maybe(oneOf(['left', 'right'], 'Held at 9 o’clock (left) or 3 o’clock (right)')).optional(),
  }),
  swing: () => ({
    periodS: Joi.number()
      .min(0.2)
      .max(60)
      .required()
      .meta({ expected: 'seconds of one swing there and back, 0.2 to 60' }),
  }),
  'machine-reading': () => ({
    massG: quantity('g', 0, 2000, 'What the machine says'),
    deg: angle('Where it is heavy'),
    stepG: quantity('g', 0.1, 50, 'Its finest step'),
    stepDeg: quantity('deg', 0.1, 45, 'Its finest step of the turn'),
  }),
  balanced: () => ({
    heavyMassG: quantity('g', 0, 2000, 'The heavy spot'),
    heavyDeg: angle('Where it is heavy'),
    leftG: quantity('g', 0, 2000, 'Left over'),
    leftDeg: angle('Where that is heavy'),
    bandG: quantity('g', 0, 50, 'The stand’s dead band'),
    chance: Joi.number().min(0).max(1).required().meta({ expected: 'a share from 0 to 1' }),
  }),
  'balance-again': () => ({ why: text(120, 'Why it begins anew') }),
  'trial-rest': () => ({
    trialMassG: mass,
    trialDeg: angle('Place of the trial mass'),
    restDeg: angle('Place at the bottom'),
  }),
  'level-check': () => ({
    clock: Joi.number().valid(3, 9).required().meta({ expected: 'Where it was held: 3 or 9' }),
    moved,
  }),
  torqued: () => ({
    fastener: text(60, 'The fastener'),
    how: oneOf(['torqued', 'snug', 'guess'], 'How it was tightened'),
    torqueNm: maybe(quantity('Nm', 0.1, 1000, 'Torque')),
    wrench: maybe(text(60, 'The wrench')),
    device,
    pass: Joi.number()
      .valid(1, 2)
      .optional()
      .default(1)
      .meta({ expected: 'the first round or the second, 1 or 2' }),
    thread: maybe(oneOf(LUBRICANTS, 'On its threads')).optional().default(null),
    extensionMm: maybe(quantity('mm', 0, 1000, 'Extension head in line'))
      .optional()
      .default(null),
  }),
  slack: () => ({
    when: oneOf(['before', 'after'], 'Before it was adjusted, or after'),
    placesMm: listOf(
      quantity('mm', 0, 300, 'Slack at a place'),
      12,
      'Slack, at several places of the chain',
    ).custom((places: unknown[], helpers) =>
      places.length > 0 ? places : helpers.error('any.invalid'),
    ),
    wantMinMm: quantity('mm', 0, 200, 'Slack that the manual wants, at least'),
    wantMaxMm: quantity('mm', 1, 250, 'Slack that the manual wants, at most'),
    runMm: quantity('mm', 150, 1500, 'Free run between the sprockets'),
    pitchMm: maybe(quantity('mm', 0.5, 3, 'Pitch of the adjuster’s thread')),
  }),
  marks: () => ({
    leftMm: quantity('mm', -100, 300, 'Left mark, how far back'),
    rightMm: quantity('mm', -100, 300, 'Right mark, how far back'),
    spanMm: quantity('mm', 80, 600, 'Distance between the adjusters'),
    chainSide: oneOf(CHAIN_SIDES, 'Side of the chain or belt'),
  }),
  string: () => ({
    gapsMm: GAPS_FIELD,
    wheelbaseMm: quantity('mm', 600, 2500, 'Wheelbase'),
    spanMm: quantity('mm', 80, 600, 'Distance between the adjusters'),
    chainSide: oneOf(CHAIN_SIDES, 'Side of the chain or belt'),
  }),
  brake: () => ({
    firm: yes('Firm'),
    spin: oneOf(SPINS, 'How the wheel turns'),
    pullN: maybe(quantity('N', 0, 500, 'Pull at the tread'))
      .optional()
      .default(null),
    freePullN: maybe(quantity('N', 0, 500, 'The same with the pads well apart'))
      .optional()
      .default(null),
    radiusMm: maybe(quantity('mm', 80, 500, 'From the axle to the tread'))
      .optional()
      .default(null),
  }),
  'sensor-gap': () => ({
    readings: SENSOR_READINGS,
    wantMinMm: maybe(quantity('mm', 0, 5, 'Gap in the manual, at least')),
    wantMaxMm: maybe(quantity('mm', 0.05, 10, 'Gap in the manual, at most')),
  }),
  'disc-runout': () => ({
    readings: READINGS_FIELD,
    limitMm: maybe(quantity('mm', 0.02, 2, 'Limit in the manual')),
    device,
  }),
  'test-ride': () => ({
    how: oneOf(['ridden', 'not good', 'refused'], 'How it went'),
    by: text(60, 'Who rode, or refused it'),
    shakesAtKmh: maybe(quantity('km/h', 5, 300, 'Speed at which it shakes')),
    found: text(300, 'What was found').allow(''),
    of: ofServer,
  }),
  declined: () => ({ what: text(300, 'What was advised'), by: text(80, 'Who declined it') }),
  odometer: () => ({ km: quantity('km', 0, 2_000_000, 'Odometer'), of: ofServer }),
  taught: () => ({
    done: yes('Taught'),
    found: text(300, 'What was seen').allow(''),
    of: ofServer,
  }),
  recheck: () => ({
    what: text(120, 'What to look at again'),
    onDate: date('When'),
    look: oneOf(JOB_LOOKS, 'Which readings close it').optional(),
  }),
  'looked-again': () => ({
    what: text(120, 'What was looked at'),
    good: yes('As it should be'),
    found: text(300, 'What was found').allow(''),
    gaugeKpa: maybe(gauge).optional().default(null),
    tempC: maybe(quantity('C', -60, 60, 'Temperature of the tire'))
      .optional()
      .default(null),
    device,
  }),
  'handed-over': () => ({
    to: text(80, 'Who took it'),
    despite: maybe(
      record(
        { by: text(60, 'Who hands it over all the same'), why: text(300, 'Why') },
        'Handed over all the same',
      ),
    )
      .optional()
      .default(null),
    oldTire: maybe(oneOf(OLD_TIRES, 'The old tire')).optional().default(null),
  }),
  undo: () => ({ entryId: id }),
};

export const ENTRY_KINDS = Object.keys(DATA) as EntryKind[];

/** The shape around every kind's data. */
export const entryBodySchema = Joi.object({
  id,
  who: text(60, 'Who writes it'),
  station: oneOf(STATIONS, 'The station'),
  kind: oneOf(ENTRY_KINDS, 'The kind of entry'),
  data: Joi.object().required().meta({ expected: 'the data of this kind of entry' }),
  replaces: id.optional(),
}).required();

/** Each kind's schema once it was asked for. */
const described = new Map<EntryKind, Joi.ObjectSchema>();
/** What the data of a kind may hold. */
export const dataSchema = (kind: EntryKind): Joi.ObjectSchema => {
  const schema =
    described.get(kind) ?? Joi.object(DATA[kind]() as Record<string, Joi.Schema>).required();
  described.set(kind, schema);
  return schema;
};

/** A school is one of its own choices. */
const checkSchool = ({ school, value }: EntryData['school']): void => {
  if (!schoolChoices(school).includes(value))
    throw new InputError(
      'value',
      `${value.slice(0, 30)} is not a choice here.`,
      schoolChoices(school).join(', '),
    );
};

/** A cure is one of the checks of what was seen. */
const checkTrouble = ({ symptom, curedBy }: EntryData['trouble']): void => {
  if (curedBy !== null && !isCheckOf(symptom, curedBy))
    throw new InputError(
      'curedBy',
      `${curedBy.slice(0, 30)} is no check of this trouble.`,
      'the id of one of its checks, or null',
    );
};

/** What a reading is held to as well: what its working refuses. */
const CHECKS: { [K in EntryKind]?: (data: EntryData[K]) => void } = {
  school: checkSchool,
  trouble: checkTrouble,
  findings: ({ part, found }) => void inspectionOf(part).run({ found }),
  slack: (data) => void chainSlack.run(slackInput(data)),
  string: (data) => void wheelAlignString.run(stringInput(data)),
  'sensor-gap': (data) => void sensorGap.run(sensorInput(data)),
  'disc-runout': ({ readings }) => void discRunout.run({ readings }),
};

/** The entry with clean data. Throws `InputError` naming the field that does not fit. */
export const checkEntryBody = (value: unknown): EntryBody => {
  const body = check<EntryBody>(entryBodySchema, value);
  try {
    const data = check<EntryData[EntryKind]>(dataSchema(body.kind), body.data);
    (CHECKS[body.kind] as ((data: unknown) => void) | undefined)?.(data);
    return { ...body, data };
  } catch (error) {
    if (error instanceof InputError)
      throw new InputError(`data.${error.field}`, error.message, error.expected);
    throw error;
  }
};
