import { SPEED_SYMBOL_KMH, ARROWS } from '../../fit/tires';
import {
  BOLT_NAMES,
  BUILDS,
  BUILD_WORDS,
  CALIPERS,
  CAST_SHAPES,
  CAST_WORDS,
  DISC_SIDES,
  LACINGS,
  LACING_WORDS,
  SIDES,
  DRIVES,
  GRADE_NAMES,
  KIND_WORDS,
  MACHINE_KINDS,
  PAIRS,
  POSITIONS,
  POSITION_WORDS,
  type Kept,
} from '../../fit/wheels';
import type { Field } from './field';
import {
  INSTRUMENT_KINDS,
  INSTRUMENT_WORDS,
  TUBE_VALVES,
  STEMS,
  STRIP_MATERIALS,
  TUBE_WALLS,
  WALL_WORDS,
  type RecordKind,
  type Records,
} from './shop';
import { TREADS, TREAD_WORDS } from '../../fit/tires';

/** The name of a kind of record and its fields. */
interface RecordSpec<K extends RecordKind = RecordKind> {
  kind: K;
  one: string;
  many: string;
  /**
   * Every field but those that all records have, in the order of the form; the first one names a
   * record.
   */
  fields: { readonly [Name in Exclude<keyof Records[K], keyof Kept>]: Omit<Field, 'key'> };
}

const pieces = {
  label: 'Count',
  form: { as: 'whole', min: 0, max: 10_000 },
  usual: 1,
  listed: true,
} as const;
const price = {
  label: 'Price',
  form: { as: 'money' },
  may: true,
  usual: null,
  listed: true,
} as const;
const note = { label: 'Note', form: { as: 'text', max: 300 }, usual: '' } as const;
const kpa = (min: number, max: number) => ({ as: 'quantity', unit: 'kPa', min, max }) as const;
const mm = (min: number, max: number) => ({ as: 'quantity', unit: 'mm', min, max }) as const;
const RUNOUT = [
  { key: 'lateralMm', label: 'Side to side', unit: 'mm', min: 0, max: 50 },
  { key: 'radialMm', label: 'Up and down', unit: 'mm', min: 0, max: 50 },
] as const;
const TREAD = [
  { key: 'km', label: 'Distance run', unit: 'km', min: 0, max: 500_000 },
  { key: 'depthMm', label: 'Depth', unit: 'tread', min: 0, max: 40 },
] as const;
const PRESSURES = [
  { key: 'gaugeKpa', label: 'Gauge', unit: 'kPa', min: 0, max: 1000 },
  { key: 'tempC', label: 'Tire at', unit: 'C', min: -60, max: 80 },
] as const;
const ROLLOUTS = [
  { key: 'run', label: 'Runs so far', unit: null, min: 0, max: 500 },
  { key: 'circumferenceMm', label: 'Circumference', unit: 'mm', min: 300, max: 4000 },
  { key: 'gaugeKpa', label: 'Taped at', unit: 'kPa', min: 5, max: 400 },
] as const;
const GAUGE_CHECK = [
  { key: 'appliedKpa', label: 'Applied', unit: 'kPa', min: 0, max: 1000 },
  { key: 'readsKpa', label: 'It read', unit: 'kPa', min: 0, max: 1000 },
] as const;
const calibrated = {
  label: 'Calibrated on',
  form: { as: 'date' },
  may: true,
  usual: null,
  listed: true,
} as const;
const symbols = Object.keys(SPEED_SYMBOL_KMH);

/** Every kind of record that the shop keeps. */
export const SPECS: { readonly [K in RecordKind]: RecordSpec<K> } = {
  machines: {
    kind: 'machines',
    one: 'machine',
    many: 'Machines',
    fields: {
      name: { label: 'Name', form: { as: 'text', max: 80 }, listed: true },
      rider: { label: 'Rider', form: { as: 'text', max: 80 }, listed: true },
      kind: {
        label: 'Kind',
        form: { as: 'choice', of: MACHINE_KINDS, words: KIND_WORDS },
        listed: true,
      },
      loose: { label: 'Loose wheel, without its machine', form: { as: 'yes' }, usual: false },
      drive: { label: 'Drive', form: { as: 'choice', of: DRIVES }, listed: true },
      placardFrontKpa: {
        label: 'Placard, front',
        form: kpa(20, 600),
        may: true,
        usual: null,
        listed: true,
        hint: 'cold; empty where there is none',
      },
      placardRearKpa: {
        label: 'Placard, rear',
        form: kpa(20, 600),
        may: true,
        usual: null,
        listed: true,
      },
      minLoadIndexFront: {
        label: 'Min load index, front',
        form: { as: 'whole', min: 0, max: 120 },
        may: true,
        usual: null,
      },
      minLoadIndexRear: {
        label: 'Least load index, rear',
        form: { as: 'whole', min: 0, max: 120 },
        may: true,
        usual: null,
      },
      minSpeedSymbol: {
        label: 'Least speed symbol',
        form: { as: 'choice', of: symbols },
        may: true,
        usual: null,
      },
      emptyFrontKg: {
        label: 'Wet weight, front',
        form: { as: 'quantity', unit: 'kg', min: 10, max: 1500 },
        may: true,
        usual: null,
      },
      emptyRearKg: {
        label: 'Ready to ride, on the rear',
        form: { as: 'quantity', unit: 'kg', min: 10, max: 1500 },
        may: true,
        usual: null,
      },
      sprocketFront: {
        label: 'Front sprocket, teeth',
        form: { as: 'whole', min: 5, max: 40 },
        may: true,
        usual: null,
      },
      sprocketRear: {
        label: 'Rear sprocket, teeth',
        form: { as: 'whole', min: 10, max: 100 },
        may: true,
        usual: null,
      },
      wheelSensors: { label: 'Wheel-speed sensors', form: { as: 'yes' }, usual: false },
      fasteners: { label: 'Torque, from the manual', form: { as: 'fasteners' }, usual: [] },
      teachKmh: {
        label: 'Recalibration speed',
        form: { as: 'quantity', unit: 'km/h', min: 3, max: 150 },
        may: true,
        usual: null,
        hint: 'as its manual asks; empty where it asks nothing',
      },
      teachM: {
        label: 'Distance',
        form: { as: 'quantity', unit: 'm', min: 5, max: 50_000 },
        may: true,
        usual: null,
      },
      teachLamp: { label: 'Warning light after', form: { as: 'text', max: 200 }, usual: '' },
      slackMinMm: {
        label: 'Slack of chain or belt, at least',
        form: mm(0, 200),
        may: true,
        usual: null,
        hint: 'as its manual says, on the stand that it names',
      },
      slackMaxMm: { label: 'Slack, at most', form: mm(1, 250), may: true, usual: null },
      chainRunMm: { label: 'Free chain run', form: mm(150, 1500), may: true, usual: null },
      adjusterPitchMm: {
        label: 'Pitch of the adjusters’ thread',
        form: mm(0.5, 3),
        may: true,
        usual: null,
      },
      adjusterSpanMm: { label: 'Adjuster spacing', form: mm(80, 600), may: true, usual: null },
      sensorMinMm: { label: 'Wheel sensor gap, at least', form: mm(0, 5), may: true, usual: null },
      sensorMaxMm: {
        label: 'Wheel sensor gap, at most',
        form: mm(0.05, 10),
        may: true,
        usual: null,
      },
      discLimitMm: {
        label: 'Runout of a brake disc, at most',
        form: mm(0.02, 2),
        may: true,
        usual: null,
      },
      note,
    },
  },
  wheels: {
    kind: 'wheels',
    one: 'wheel',
    many: 'Wheels',
    fields: {
      machineId: { label: 'Machine', form: { as: 'machine' }, listed: true },
      position: {
        label: 'Position',
        form: { as: 'choice', of: POSITIONS, words: POSITION_WORDS },
        listed: true,
      },
      build: { label: 'Rim', form: { as: 'choice', of: BUILDS, words: BUILD_WORDS }, listed: true },
      rimCode: { label: 'Rim code', form: { as: 'rim-code' }, listed: true },
      tireMarking: { label: 'Current tire', form: { as: 'size' }, listed: true },
      tireTread: {
        label: 'Tread on it',
        form: { as: 'choice', of: TREADS, words: TREAD_WORDS },
        usual: 'other',
      },
      tube: { label: 'With a tube', form: { as: 'yes' }, listed: true },
      tubelessMarked: { label: 'Rim marked tubeless', form: { as: 'yes' }, usual: false },
      sealed: {
        label: 'Sealed by design',
        form: { as: 'yes' },
        usual: false,
        hint: 'spokes, or the halves of a split rim',
      },
      valveHoleMm: { label: 'Valve hole', form: mm(5, 25), may: true, usual: null },
      rimLockDegs: {
        label: 'Rim locks',
        form: { as: 'places' },
        usual: [],
        hint: 'places from the valve, as 7:00 or 210°',
      },
      lockHoleMm: { label: 'Rim lock hole', form: mm(5, 25), may: true, usual: null },
      spokes: {
        label: 'Spokes',
        form: { as: 'whole', min: 0, max: 80 },
        usual: 0,
        hint: 'or openings of a plate',
      },
      lacing: {
        label: 'Lacing',
        form: { as: 'choice', of: LACINGS, words: LACING_WORDS, isDrawn: true },
        may: true,
        usual: null,
        builds: ['spoked'],
      },
      castShape: {
        label: 'Spoke shape',
        form: { as: 'choice', of: CAST_SHAPES, words: CAST_WORDS, isDrawn: true },
        may: true,
        usual: null,
        builds: ['cast', 'split', 'beadlock'],
      },
      discSide: { label: 'Brake disc', form: { as: 'choice', of: DISC_SIDES }, usual: 'none' },
      discMm: { label: 'Disc diameter', form: mm(100, 420), may: true, usual: null },
      drivenSide: {
        label: 'Driven side',
        form: { as: 'choice', of: SIDES },
        may: true,
        usual: null,
        hint: 'chain, belt or shaft',
      },
      sensorSide: {
        label: 'Sensor ring',
        form: { as: 'choice', of: SIDES },
        may: true,
        usual: null,
        hint: 'of a wheel-speed sensor',
      },
      caliper: {
        label: 'Caliper bolts',
        form: { as: 'choice', of: CALIPERS },
        usual: 'axial',
        hint: 'radial: from behind, along the wheel',
      },
      strips: {
        label: 'Rim strips',
        form: { as: 'whole', min: 1, max: 2 },
        may: true,
        usual: null,
        hint: 'empty: as the shop’s rule says',
      },
      flangeMm: {
        label: 'Flange diameter',
        form: mm(80, 750),
        may: true,
        usual: null,
        hint: 'bare rim, for the bead’s path',
      },
      wellMm: { label: 'Well diameter', form: mm(60, 700), may: true, usual: null },
      wellToFlangeMm: {
        label: 'Well to far flange',
        form: mm(0, 400),
        may: true,
        usual: null,
        hint: 'along the axle',
      },
      rimLimitKpa: {
        label: 'Limit marked on the rim',
        form: kpa(20, 1000),
        may: true,
        usual: null,
      },
      heavySpotDeg: {
        label: 'Heavy spot, bare rim',
        form: { as: 'quantity', unit: 'deg', min: 0, max: 360 },
        may: true,
        usual: null,
      },
      runouts: { label: 'Runout, as measured', form: { as: 'dated', of: RUNOUT }, usual: [] },
      treads: {
        label: 'Tread of the tire on it, as measured',
        form: { as: 'dated', of: TREAD },
        usual: [],
      },
      pressures: {
        label: 'Pressure standing, cold',
        form: { as: 'dated', of: PRESSURES },
        usual: [],
      },
      ringGapMm: {
        label: 'Beadlock ring gap',
        form: mm(1, 60),
        may: true,
        usual: null,
        builds: ['beadlock'],
        hint: 'ring to wheel, ring seated',
      },
      rings: {
        label: 'Beadlock rings',
        form: { as: 'whole', min: 1, max: 2 },
        may: true,
        usual: null,
        builds: ['beadlock'],
        hint: 'one, or one on each side',
      },
      ringBolts: {
        label: 'Bolts of a ring',
        form: { as: 'whole', min: 4, max: 36 },
        may: true,
        usual: null,
        builds: ['beadlock'],
      },
      ringBoltSize: {
        label: 'Size of the ring bolts',
        form: { as: 'choice', of: BOLT_NAMES },
        may: true,
        usual: null,
        builds: ['beadlock'],
      },
      ringBoltGrade: {
        label: 'Grade of the ring bolts',
        form: { as: 'choice', of: GRADE_NAMES },
        may: true,
        usual: null,
        builds: ['beadlock'],
        hint: 'from the head',
      },
      ringTorqueNm: {
        label: 'Torque of the ring bolts',
        form: { as: 'quantity', unit: 'Nm', min: 0.5, max: 200 },
        may: true,
        usual: null,
        builds: ['beadlock'],
        hint: 'by the ring’s maker',
      },
      stepMm: {
        label: 'Across the bead step',
        form: mm(80, 700),
        may: true,
        usual: null,
        builds: ['beadlock'],
      },
      innerWidthMm: {
        label: 'Width inside',
        form: mm(30, 700),
        may: true,
        usual: null,
        hint: 'inside the rings or flanges',
      },
      overallWidthMm: {
        label: 'Width over all',
        form: mm(30, 800),
        may: true,
        usual: null,
        hint: 'rings included',
      },
      backspaceMm: {
        label: 'Backspace',
        form: mm(0, 700),
        may: true,
        usual: null,
        hint: 'straight edge across the ring, down to the mounting face',
      },
      holes: {
        label: 'Mounting holes',
        form: { as: 'whole', min: 3, max: 12 },
        may: true,
        usual: null,
      },
      circleMm: { label: 'Bolt circle', form: mm(50, 400), may: true, usual: null },
      rimBolts: {
        label: 'Bolts of a split rim',
        form: { as: 'whole', min: 3, max: 16 },
        may: true,
        usual: null,
        builds: ['split'],
      },
      rimBoltTorqueNm: {
        label: 'Torque of the rim bolts',
        form: { as: 'quantity', unit: 'Nm', min: 0.5, max: 200 },
        may: true,
        usual: null,
        builds: ['split'],
      },
      pair: {
        label: 'Driven pair',
        form: { as: 'choice', of: PAIRS },
        may: true,
        usual: null,
        hint: 'driven wheels that must match',
      },
      rollouts: {
        label: 'Rollout of the tire on it, by tape',
        form: { as: 'dated', of: ROLLOUTS },
        usual: [],
      },
      note,
    },
  },
  tires: {
    kind: 'tires',
    one: 'tire',
    many: 'Tires',
    fields: {
      marking: {
        label: 'Size',
        form: { as: 'size' },
        listed: true,
        hint: 'as printed, with all that follows',
      },
      tread: {
        label: 'Tread',
        form: { as: 'choice', of: TREADS, words: TREAD_WORDS },
        usual: 'other',
        listed: true,
      },
      pattern: { label: 'What for', form: { as: 'text', max: 60 } },
      arrows: { label: 'Arrows', form: { as: 'choice', of: ARROWS }, usual: 'one' },
      dateCode: {
        label: 'Date code',
        form: { as: 'date-code' },
        may: true,
        usual: null,
        listed: true,
      },
      seatLimitKpa: {
        label: 'Seating limit',
        form: kpa(20, 1000),
        may: true,
        usual: null,
        listed: true,
      },
      lightMark: { label: 'Light mark', form: { as: 'yes' }, usual: true },
      takeOff: { label: 'Take-off, used', form: { as: 'yes' }, usual: false, listed: true },
      treadMm: {
        label: 'Depth of a take-off',
        form: { as: 'quantity', unit: 'tread', min: 0, max: 40 },
        may: true,
        usual: null,
        listed: true,
      },
      count: pieces,
      priceMinor: price,
      note,
    },
  },
  tubes: {
    kind: 'tubes',
    one: 'tube',
    many: 'Tubes',
    fields: {
      label: { label: 'Sizes on the label', form: { as: 'tube-label' }, listed: true },
      valve: {
        label: 'Valve',
        form: { as: 'choice', of: TUBE_VALVES },
        usual: 'TR-4',
        listed: true,
      },
      wall: {
        label: 'Wall',
        form: { as: 'choice', of: TUBE_WALLS, words: WALL_WORDS },
        usual: 'standard',
        listed: true,
      },
      flatWidthMm: { label: 'Flat width', form: mm(15, 300), may: true, usual: null, listed: true },
      massG: {
        label: 'Mass',
        form: { as: 'quantity', unit: 'g', min: 50, max: 5000 },
        may: true,
        usual: null,
      },
      count: pieces,
      priceMinor: price,
      note,
    },
  },
  strips: {
    kind: 'strips',
    one: 'rim strip',
    many: 'Rim strips',
    fields: {
      material: {
        label: 'Made of',
        form: { as: 'choice', of: STRIP_MATERIALS },
        usual: 'rubber',
        listed: true,
      },
      widthMm: { label: 'Width', form: mm(8, 80), listed: true },
      rimFromIn: {
        label: 'Rims from',
        form: { as: 'quantity', unit: 'in', min: 4, max: 23 },
        listed: true,
      },
      rimToIn: {
        label: 'Rims to',
        form: { as: 'quantity', unit: 'in', min: 4, max: 23 },
        listed: true,
      },
      count: pieces,
      priceMinor: price,
      note,
    },
  },
  locks: {
    kind: 'locks',
    one: 'rim lock',
    many: 'Rim locks',
    fields: {
      widthIn: {
        label: 'For rims',
        form: { as: 'quantity', unit: 'in', min: 1, max: 6 },
        listed: true,
      },
      holeMm: { label: 'Hole', form: mm(5, 25), usual: 8, listed: true },
      massG: {
        label: 'Mass',
        form: { as: 'quantity', unit: 'g', min: 20, max: 400 },
        usual: 120,
        listed: true,
      },
      count: pieces,
      priceMinor: price,
      note,
    },
  },
  valves: {
    kind: 'valves',
    one: 'valve stem',
    many: 'Valve stems',
    fields: {
      stem: { label: 'Held by', form: { as: 'choice', of: STEMS }, usual: 'snap-in', listed: true },
      holeMm: { label: 'Hole', form: mm(5, 25), listed: true },
      lengthMm: { label: 'Length', form: mm(10, 120), listed: true },
      angled: { label: 'Angled', form: { as: 'yes' }, usual: false, listed: true },
      count: pieces,
      priceMinor: price,
      note,
    },
  },
  weights: {
    kind: 'weights',
    one: 'weight',
    many: 'Weights',
    fields: {
      massG: {
        label: 'Mass',
        form: { as: 'quantity', unit: 'g', min: 0.5, max: 200 },
        listed: true,
      },
      kind: { label: 'Holds by', form: { as: 'choice', of: ['spoke', 'adhesive'] }, listed: true },
      lengthMm: {
        label: 'Length',
        form: mm(1, 200),
        may: true,
        usual: null,
        listed: true,
        hint: 'of one piece, along the rim',
      },
      count: pieces,
      priceMinor: price,
      note,
    },
  },
  wrenches: {
    kind: 'wrenches',
    one: 'torque wrench',
    many: 'Torque wrenches',
    fields: {
      name: { label: 'Wrench', form: { as: 'text', max: 60 }, listed: true },
      minNm: {
        label: 'From',
        form: { as: 'quantity', unit: 'Nm', min: 0, max: 2000 },
        listed: true,
      },
      maxNm: {
        label: 'To',
        form: { as: 'quantity', unit: 'Nm', min: 0.1, max: 2000 },
        listed: true,
      },
      leverMm: { label: 'Drive to grip', form: mm(50, 2000), may: true, usual: null, listed: true },
      calibratedOn: calibrated,
      note,
    },
  },
  instruments: {
    kind: 'instruments',
    one: 'instrument',
    many: 'Instruments',
    fields: {
      name: {
        label: 'Instrument',
        form: { as: 'text', max: 40 },
        listed: true,
        hint: 'the name by which it speaks',
      },
      kind: {
        label: 'What it is',
        form: { as: 'choice', of: INSTRUMENT_KINDS, words: INSTRUMENT_WORDS },
        usual: 'gauge',
        listed: true,
      },
      calibratedOn: calibrated,
      stepKpa: {
        label: 'Finest step of a gauge',
        form: kpa(0.01, 20),
        may: true,
        usual: null,
        listed: true,
      },
      checks: {
        label: 'What a gauge showed under a known pressure',
        form: { as: 'dated', of: GAUGE_CHECK },
        usual: [],
      },
      note,
    },
  },
};

const listed = (fields: Readonly<Record<string, Omit<Field, 'key'>>>): readonly Field[] =>
  Object.entries(fields).map(([key, field]) => ({ key, ...field }));

const FIELDS = Object.fromEntries(
  Object.values(SPECS).map((spec) => [spec.kind, listed(spec.fields)]),
) as Record<RecordKind, readonly Field[]>;

/** The fields of a kind, whatever the kind. */
export const fieldsOfKind = (kind: RecordKind): readonly Field[] => FIELDS[kind];
