import Joi from 'joi';
import { InputError } from '../errors';
import { angle, check, count, date, listOf, marking, oneOf, quantity, record, ruleValues, text, yes } from '../fields';
import { ARROWS, CLEARANCE_PLACES, type Arrows, type ClearancePlace } from '../tires';
import { GROUNDS, RAISED_FIELDS, USES, type Ground, type LinePoint, type RaisedCeiling, type Use } from '../pressure';
import { recordSchema, TREADS, type Tread } from '../shop';
import type { Machine, Wheel } from '../wheels';
import type { RuleValues } from '../rules';
import { PIECE_SIDES, type LevelTest, type Piece, type Settle } from '../balance';
import { discRunout, SPINS, type Spin } from '../brake';
import { CHAIN_SIDES, chainSlack, GAPS_FIELD, wheelAlignString, type ChainSide, type Gaps } from '../drive';
import { sensorGap, SENSOR_READINGS, type SensorReading } from '../leave';
import { LUBRICANTS, type Lubricant } from '../torque';
import { READINGS_FIELD, SPOKES_FIELD, type RungSpoke, type RunoutReading } from '../truing';
import { inspectionOf, INSPECTED, type Inspected } from '../inspect';
import { SCHOOLS, schoolChoices, type School } from '../procedure/schools';
import { SYMPTOMS, type Symptom } from '../procedure/symptoms';
import { isCheckOf } from '../procedure/trouble';
import { JOB_LOOKS, type JobLook } from '../recheck';
import {
  BEAD_SIDES,
  GAP_TIMES,
  type BeadMeasured,
  type BeadSide,
  type GapReading,
  type GapTime,
  type TapeReading,
} from '../ring';
import { STATIONS, type StationId } from '../stations';
import { sensorInput, slackInput, stringInput } from './back-inputs';

/** Rings of a clamped wheel, and the halves of a split rim. */
export const RING_NAMES = [...BEAD_SIDES, 'rim'] as const;
export type RingName = (typeof RING_NAMES)[number];

/** What each kind of entry holds. SI inside, angles from the valve as seen from the disc side. */
export interface EntryData {
  opened: { machine: Machine; wheel: Wheel; rider: string };
  rules: { values: RuleValues };
  /** `treadBy` is the instrument that measured the tread. */
  'came-off': { marking: string; dateCode: string | null; treadMm: number | null; use: Use; treadBy?: string | null };
  clearance: { place: ClearancePlace; mm: number; load: string };
  chosen: {
    marking: string;
    dateCode: string | null;
    tireId: string | null;
    tube: boolean;
    tubeId: string | null;
    tubeLabel: string | null;
    lightMark: boolean;
    seatLimitKpa: number | null;
    tread: Tread;
    arrows: Arrows;
    takeOff: boolean;
    treadMm: number | null;
    /** The shopping list as it was decided. */
    parts: { what: string; count: number; stockId: string | null }[];
    /** The old tube goes round the new one as a sleeve. */
    doubled: boolean;
  };
  /** Another school than the shop's, for this job. */
  school: { school: School; value: string };
  load: { riderKg: number; passengerKg: number; luggageKg: number };
  /** `of`: the same step of the machine, ticked at another wheel of the visit; only the server writes it. */
  step: { stepId: string; of?: string };
  /** Several steps of a station, done as shown; `of` as for one. */
  steps: { stepIds: string[]; of?: string };
  /** What was found on a part; an empty list says that it was looked at. */
  findings: { part: Inspected; found: string[] };
  /** A photograph that the shop keeps, of a part or of anything at the station. */
  photo: { photoId: string; part: Inspected | null; says: string };
  /** What would not go, and what cured it; null where nothing did. */
  trouble: { symptom: Symptom; curedBy: string | null };
  /** The bare rim: over the flange, in the well, and from the well to the far flange along the axle. */
  'rim-shape': { flangeMm: number; wellMm: number; wellToFlangeMm: number };
  runout: { readings: RunoutReading[]; device?: string | null };
  /** Spokes that were rung, counted from the valve, clockwise from the disc side. */
  'spoke-ring': { spokes: RungSpoke[] };
  /** Thickness of a bead bundle and gap of its seated ring, at several places. */
  'bead-measured': BeadMeasured & { device?: string | null };
  /** Feeler readings round a ring. */
  'ring-gap': { ring: BeadSide; when: GapTime; readings: GapReading[] };
  /** Bolts of a ring or of a split rim, and their torque by the maker: the wheel keeps them. */
  'ring-set': { bolts: number; torqueNm: number | null };
  /** A bolt brought to its torque. `rim` for the bolts of a split rim; `device` is the wrench that clicked. */
  'ring-bolt': { ring: RingName; pass: 1 | 2; bolt: number; torqueNm: number | null; device?: string | null };
  /** What was noted before a bolt of a clamped wheel is touched; `gaugeKpa` null where it was not read. */
  'air-out': { silent: boolean; gaugeKpa: number | null; coreOut: boolean; device?: string | null };
  /** A tape round the middle of the tread. */
  taped: TapeReading & { device?: string | null };
  note: { text: string };
  /** `device` is the instrument that made a reading; null where it was typed. */
  'seat-reading': { gaugeKpa: number; device?: string | null };
  /** A bead that let go, heard at a pressure. */
  pop: { gaugeKpa: number; device?: string | null };
  'molded-line': LinePoint;
  /** The other school's ceiling, for this job. */
  'seat-ceiling': RaisedCeiling;
  seated: { side: 'disc' | 'other'; seated: boolean };
  /** A try that ended with all air out and the beads broken again. */
  'seat-again': { why: string };
  ground: { ground: Ground };
  /** `gaugeKpa` is what the gauge showed, `rideKpa` what is in the tire out there. */
  'pressure-set': {
    gaugeKpa: number;
    shopC: number;
    rideC: number;
    rideKpa: number;
    shopM?: number;
    rideM?: number;
    /** The gauge, by the name of its record or of the instrument that spoke. */
    gauge?: string | null;
    thermometer?: string | null;
    second?: { gauge: string; gaugeKpa: number } | null;
  };
  /** What last time's weights say of the heavy spot, used as a hint. */
  'balance-hint': { massG: number; deg: number; jobId: string; onDate: string };
  /** `from` is the side it was let go from, as seen from the disc side; left out by an earlier program. */
  rest: { restDeg: number; from?: Settle['from']; device?: string | null };
  /** Weights taped on to learn from, all others off. */
  trial: { pieces: Piece[] };
  /** The weights that stay on, all others off; `residualG` as worked out then, null where nothing had been seen. */
  weights: { pieces: Piece[]; residualG: number | null };
  'level-test': { deg: number; moved: LevelTest['moved'] };
  swing: { periodS: number };
  'machine-reading': { massG: number; deg: number; stepG: number; stepDeg: number };
  /** The end of a balancing: what was believed then, and how probable it is that the shop's limit is met. */
  balanced: { heavyMassG: number; heavyDeg: number; leftG: number; leftDeg: number; bandG: number; chance: number };
  /** All that was seen before is void: the tire was turned on the rim, or another wheel was meant. */
  'balance-again': { why: string };
  /** Written by an earlier program only: a trial with its rest, and checks of the weights at 3 and 9 o'clock. */
  'trial-rest': { trialMassG: number; trialDeg: number; restDeg: number };
  'level-check': { clock: 3 | 9; moved: LevelTest['moved'] };
  /** `pass` 2 is the second round; `thread` what is on it, where its value is for dry ones. */
  torqued: {
    fastener: string;
    how: 'torqued' | 'snug' | 'guess';
    torqueNm: number | null;
    wrench: string | null;
    device?: string | null;
    pass?: 1 | 2;
    thread?: Lubricant | null;
    /** An extension head in line with the handle. */
    extensionMm?: number | null;
  };
  /** Play of chain or belt in the middle of its lower run, at several places of it; `pitchMm` null where not known. */
  slack: {
    when: 'before' | 'after';
    placesMm: number[];
    wantMinMm: number;
    wantMaxMm: number;
    runMm: number;
    pitchMm: number | null;
  };
  /** The marks of both adjusters, larger further back. */
  marks: { leftMm: number; rightMm: number; spanMm: number; chainSide: ChainSide };
  /** Gaps that a string along the rear tire leaves at the front tire. */
  string: { gapsMm: Gaps; wheelbaseMm: number; spanMm: number; chainSide: ChainSide };
  /** The brake, pumped, and the wheel, spun with it let go; the pulls at the tread where they were measured. */
  brake: { firm: boolean; spin: Spin; pullN?: number | null; freePullN?: number | null; radiusMm?: number | null };
  'sensor-gap': { readings: SensorReading[]; wantMinMm: number | null; wantMaxMm: number | null };
  'disc-runout': { readings: RunoutReading[]; limitMm: number | null; device?: string | null };
  /**
   * Ridden, or refused by somebody. `of`: the same ride, written at another wheel of the visit; only the server writes
   * it.
   */
  'test-ride': {
    how: 'ridden' | 'not good' | 'refused';
    by: string;
    shakesAtKmh: number | null;
    found: string;
    of?: string;
  };
  /** What was advised, and the rider did not want; `by` who said so. */
  declined: { what: string; by: string };
  /** Taught the new wheel, as the machine's record asks. */
  taught: { done: boolean; found: string; of?: string };
  /** What the machine's odometer says; `of` as for the ride. */
  odometer: { km: number; of?: string };
  /** `look` says which readings close it; entries of an earlier program do not say. */
  recheck: { what: string; onDate: string; look?: JobLook };
  /** Looked at again: what was asked for, whether it was as it should be, and what was read. */
  'looked-again': {
    what: string;
    good: boolean;
    found: string;
    gaugeKpa: number | null;
    tempC: number | null;
    device?: string | null;
  };
  /** `despite` where a safety point is not proved: who hands it over all the same, and why. */
  'handed-over': { to: string; despite?: { by: string; why: string } | null; oldTire?: OldTire | null };
  undo: { entryId: string };
}
export type EntryKind = keyof EntryData;

/** Where the tire that came off went. */
export const OLD_TIRES = ['recycled', 'kept', 'given back'] as const;
export type OldTire = (typeof OLD_TIRES)[number];

/** What a client asks to append. `replaces` names the entry that a correction stands in for. */
export interface EntryBody<K extends EntryKind = EntryKind> {
  id: string;
  who: string;
  station: StationId;
  kind: K;
  data: EntryData[K];
  replaces?: string;
}

/** An entry as it stands in the log; `seq` counts from 1 without gaps, `at` is ISO 8601. */
export type Entry = { [K in EntryKind]: EntryBody<K> & { seq: number; at: string } }[EntryKind];

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
  record({ massG: mass, deg: angle('Place of the piece'), side: oneOf(PIECE_SIDES, 'Side of the rim') }, 'A piece'),
  60,
  'The pieces on the rim',
);
const caliperReadings = (says: string) => listOf(quantity('mm', 0.5, 80, says), 24, says);
const moved = oneOf(['rises', 'sinks', 'stays'], 'What it did');

/** A schema for every field of every kind: a missing or misspelled one does not compile. */
type DataSchemas = { [K in EntryKind]: { [Field in keyof Required<EntryData[K]>]: Joi.Schema } };

const DATA: DataSchemas = {
  opened: { machine: recordSchema('machines'), wheel: recordSchema('wheels'), rider: text(80, 'The rider') },
  rules: { values: ruleValues().required() },
  'came-off': {
    marking: marking('The size that comes off'),
    dateCode: maybe(dateCode),
    treadMm: maybe(quantity('mm', 0, 40, 'Tread depth')),
    use: oneOf(USES, 'What the rider does'),
    treadBy: device,
  },
  clearance: {
    place: oneOf(CLEARANCE_PLACES, 'Where it is measured'),
    mm: quantity('mm', 0, 1000, 'The room'),
    load: text(60, 'How the machine is loaded'),
  },
  chosen: {
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
      record({ what: text(120, 'What it is'), count: count(1, 1000, 'How many'), stockId: maybe(id) }, 'A part'),
      60,
      'Parts',
    )
      .optional()
      .default([]),
    doubled: yes('Doubled tube').optional().default(false),
  },
  load: {
    riderKg: quantity('kg', 0, 300, 'Rider with gear'),
    passengerKg: quantity('kg', 0, 300, 'Passenger with gear'),
    luggageKg: quantity('kg', 0, 500, 'Luggage'),
  },
  school: { school: oneOf(SCHOOLS, 'The school'), value: text(60, 'What it is for this job') },
  step: { stepId: id, of: ofServer },
  steps: {
    stepIds: listOf(id, 40, 'Steps that were done').custom((ids: unknown[], helpers) =>
      ids.length > 0 ? ids : helpers.error('any.invalid'),
    ),
    of: ofServer,
  },
  findings: {
    part: oneOf(INSPECTED, 'What was looked at'),
    found: listOf(text(40, 'A finding'), 20, 'What was found'),
  },
  photo: {
    photoId: PHOTO_ID,
    part: maybe(oneOf(INSPECTED, 'What it shows')),
    says: text(200, 'What is to be seen').allow(''),
  },
  trouble: { symptom: oneOf(SYMPTOMS, 'What was seen'), curedBy: maybe(text(40, 'What cured it')) },
  'rim-shape': {
    flangeMm: quantity('mm', 80, 750, 'Over the flange'),
    wellMm: quantity('mm', 60, 700, 'In the well'),
    wellToFlangeMm: quantity('mm', 0, 400, 'From the well to the far flange'),
  },
  runout: { readings: READINGS_FIELD, device },
  'spoke-ring': { spokes: SPOKES_FIELD },
  'bead-measured': {
    side: oneOf(BEAD_SIDES, 'Which bead'),
    bundleMm: caliperReadings('Thickness of the bundle'),
    gapMm: caliperReadings('Gap of the ring'),
    device,
  },
  'ring-gap': {
    ring: oneOf(BEAD_SIDES, 'Which ring'),
    when: oneOf(GAP_TIMES, 'When it was measured'),
    readings: listOf(
      record({ deg: angle('Place on the ring'), gapMm: quantity('mm', 0, 60, 'Gap there') }, 'A reading'),
      48,
      'Readings of the feeler',
    ),
  },
  'ring-set': { bolts: count(3, 36, 'Bolts'), torqueNm: maybe(quantity('Nm', 0.5, 200, 'Torque by the maker')) },
  'ring-bolt': {
    ring: oneOf(RING_NAMES, 'Which ring'),
    pass: Joi.number().valid(1, 2).required().meta({ expected: 'the first pass or the second, 1 or 2' }),
    bolt: count(1, 36, 'The bolt'),
    torqueNm: maybe(quantity('Nm', 0.1, 300, 'Torque')),
    device,
  },
  'air-out': { silent: yes('Nothing hisses'), gaugeKpa: maybe(gauge), coreOut: yes('The core is out'), device },
  taped: {
    run: count(0, 500, 'Runs before it'),
    circumferenceMm: quantity('mm', 300, 4000, 'Circumference by tape'),
    gaugeKpa: quantity('kPa', 5, 400, 'Pressure'),
    device,
  },
  note: { text: text(2000, 'The note') },
  'seat-reading': { gaugeKpa: gauge, device },
  pop: { gaugeKpa: gauge, device },
  'molded-line': {
    side: oneOf(['disc', 'other'], 'Which side'),
    deg: angle('Place on the wheel'),
    even: yes('Even with the rest'),
  },
  'seat-ceiling': RAISED_FIELDS,
  seated: { side: oneOf(['disc', 'other'], 'Which side'), seated: yes('Seated') },
  'seat-again': { why: text(120, 'Why it is tried again') },
  'pressure-set': {
    gaugeKpa: gauge,
    shopC: quantity('C', -60, 60, 'Shop temperature'),
    rideC: quantity('C', -60, 60, 'Riding temperature'),
    rideKpa: gauge,
    shopM: altitude,
    rideM: altitude,
    gauge: device,
    thermometer: device,
    second: maybe(record({ gauge: text(40, 'The second gauge'), gaugeKpa: gauge }, 'A second gauge'))
      .optional()
      .default(null),
  },
  ground: { ground: oneOf(GROUNDS, 'The ground') },
  'balance-hint': {
    massG: quantity('g', 0, 1000, 'The mass'),
    deg: angle('Where'),
    jobId: id,
    onDate: date('The day'),
  },
  rest: {
    restDeg: angle('Place at the bottom'),
    from: maybe(oneOf(['left', 'right'], 'Let go from')).optional(),
    device,
  },
  trial: { pieces },
  weights: { pieces, residualG: maybe(quantity('g', 0, 1000, 'Left over')) },
  'level-test': { deg: angle('Place held level'), moved },
  swing: {
    periodS: Joi.number()
      .min(0.2)
      .max(60)
      .required()
      .meta({ expected: 'seconds of one swing there and back, 0.2 to 60' }),
  },
  'machine-reading': {
    massG: quantity('g', 0, 2000, 'What the machine says'),
    deg: angle('Where it is heavy'),
    stepG: quantity('g', 0.1, 50, 'Its finest step'),
    stepDeg: quantity('deg', 0.1, 45, 'Its finest step of the turn'),
  },
  balanced: {
    heavyMassG: quantity('g', 0, 2000, 'The heavy spot'),
    heavyDeg: angle('Where it is heavy'),
    leftG: quantity('g', 0, 2000, 'Left over'),
    leftDeg: angle('Where that is heavy'),
    bandG: quantity('g', 0, 50, 'The stand’s dead band'),
    chance: Joi.number().min(0).max(1).required().meta({ expected: 'a share from 0 to 1' }),
  },
  'balance-again': { why: text(120, 'Why it begins anew') },
  'trial-rest': { trialMassG: mass, trialDeg: angle('Place of the trial mass'), restDeg: angle('Place at the bottom') },
  'level-check': { clock: Joi.number().valid(3, 9).required().meta({ expected: 'Where it was held: 3 or 9' }), moved },
  torqued: {
    fastener: text(60, 'The fastener'),
    how: oneOf(['torqued', 'snug', 'guess'], 'How it was tightened'),
    torqueNm: maybe(quantity('Nm', 0.1, 1000, 'Torque')),
    wrench: maybe(text(60, 'The wrench')),
    device,
    pass: Joi.number().valid(1, 2).optional().default(1).meta({ expected: 'the first round or the second, 1 or 2' }),
    thread: maybe(oneOf(LUBRICANTS, 'On its threads')).optional().default(null),
    extensionMm: maybe(quantity('mm', 0, 1000, 'Extension head in line'))
      .optional()
      .default(null),
  },
  slack: {
    when: oneOf(['before', 'after'], 'Before it was adjusted, or after'),
    placesMm: listOf(quantity('mm', 0, 300, 'Slack at a place'), 12, 'Slack, at several places of the chain').custom(
      (places: unknown[], helpers) => (places.length > 0 ? places : helpers.error('any.invalid')),
    ),
    wantMinMm: quantity('mm', 0, 200, 'Slack that the manual wants, at least'),
    wantMaxMm: quantity('mm', 1, 250, 'Slack that the manual wants, at most'),
    runMm: quantity('mm', 150, 1500, 'Free run between the sprockets'),
    pitchMm: maybe(quantity('mm', 0.5, 3, 'Pitch of the adjuster’s thread')),
  },
  marks: {
    leftMm: quantity('mm', -100, 300, 'Left mark, how far back'),
    rightMm: quantity('mm', -100, 300, 'Right mark, how far back'),
    spanMm: quantity('mm', 80, 600, 'Distance between the adjusters'),
    chainSide: oneOf(CHAIN_SIDES, 'Side of the chain or belt'),
  },
  string: {
    gapsMm: GAPS_FIELD,
    wheelbaseMm: quantity('mm', 600, 2500, 'Wheelbase'),
    spanMm: quantity('mm', 80, 600, 'Distance between the adjusters'),
    chainSide: oneOf(CHAIN_SIDES, 'Side of the chain or belt'),
  },
  brake: {
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
  },
  'sensor-gap': {
    readings: SENSOR_READINGS,
    wantMinMm: maybe(quantity('mm', 0, 5, 'Gap in the manual, at least')),
    wantMaxMm: maybe(quantity('mm', 0.05, 10, 'Gap in the manual, at most')),
  },
  'disc-runout': { readings: READINGS_FIELD, limitMm: maybe(quantity('mm', 0.02, 2, 'Limit in the manual')), device },
  'test-ride': {
    how: oneOf(['ridden', 'not good', 'refused'], 'How it went'),
    by: text(60, 'Who rode, or refused it'),
    shakesAtKmh: maybe(quantity('km/h', 5, 300, 'Speed at which it shakes')),
    found: text(300, 'What was found').allow(''),
    of: ofServer,
  },
  declined: { what: text(300, 'What was advised'), by: text(80, 'Who declined it') },
  odometer: { km: quantity('km', 0, 2_000_000, 'Odometer'), of: ofServer },
  taught: { done: yes('Taught'), found: text(300, 'What was seen').allow(''), of: ofServer },
  recheck: {
    what: text(120, 'What to look at again'),
    onDate: date('When'),
    look: oneOf(JOB_LOOKS, 'Which readings close it').optional(),
  },
  'looked-again': {
    what: text(120, 'What was looked at'),
    good: yes('As it should be'),
    found: text(300, 'What was found').allow(''),
    gaugeKpa: maybe(gauge).optional().default(null),
    tempC: maybe(quantity('C', -60, 60, 'Temperature of the tire'))
      .optional()
      .default(null),
    device,
  },
  'handed-over': {
    to: text(80, 'Who took it'),
    despite: maybe(
      record({ by: text(60, 'Who hands it over all the same'), why: text(300, 'Why') }, 'Handed over all the same'),
    )
      .optional()
      .default(null),
    oldTire: maybe(oneOf(OLD_TIRES, 'The old tire')).optional().default(null),
  },
  undo: { entryId: id },
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

const DATA_SCHEMAS = Object.fromEntries(
  ENTRY_KINDS.map((kind) => [kind, Joi.object(DATA[kind] as Record<string, Joi.Schema>).required()]),
) as Record<EntryKind, Joi.ObjectSchema>;

/** A school is one of its own choices. */
const checkSchool = ({ school, value }: EntryData['school']): void => {
  if (!schoolChoices(school).includes(value))
    throw new InputError('value', `${value.slice(0, 30)} is not a choice here.`, schoolChoices(school).join(', '));
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
    const data = check<EntryData[EntryKind]>(DATA_SCHEMAS[body.kind], body.data);
    (CHECKS[body.kind] as ((data: unknown) => void) | undefined)?.(data);
    return { ...body, data };
  } catch (error) {
    if (error instanceof InputError) throw new InputError(`data.${error.field}`, error.message, error.expected);
    throw error;
  }
};
