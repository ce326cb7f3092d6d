import { SPEED_SYMBOL_KMH, ARROWS } from '../tires';
import { BUILDS, BUILD_WORDS, CALIPERS, DISC_SIDES, DRIVES, KIND_WORDS, MACHINE_KINDS, POSITIONS, POSITION_WORDS } from '../wheels';
import type { Field } from './field';
import {
  INSTRUMENT_KINDS, INSTRUMENT_WORDS, TUBE_VALVES, STEMS, STRIP_MATERIALS, TREADS, TREAD_WORDS, TUBE_WALLS, WALL_WORDS,
  type RecordKind, type Records,
} from './shop';

/** What a kind of record is called and which fields it has. */
export interface RecordSpec<K extends RecordKind = RecordKind> {
  kind: K;
  one: string;
  many: string;
  /** The field that names a record. */
  fields: readonly Field<Extract<keyof Records[K], string>>[];
}

const pieces = { key: 'count', label: 'Count', form: { as: 'whole', min: 0, max: 10_000 }, usual: 1, listed: true } as const;
const price = { key: 'priceMinor', label: 'Price', form: { as: 'money' }, may: true, usual: null, listed: true } as const;
const note = { key: 'note', label: 'Note', form: { as: 'text', max: 300 }, usual: '' } as const;
const kpa = (min: number, max: number) => ({ as: 'quantity', unit: 'kPa', min, max }) as const;
const mm = (min: number, max: number) => ({ as: 'quantity', unit: 'mm', min, max }) as const;
const RUNOUT = [
  { key: 'lateralMm', label: 'Side to side', unit: 'mm', min: 0, max: 50 },
  { key: 'radialMm', label: 'Up and down', unit: 'mm', min: 0, max: 50 },
] as const;
const TREAD = [
  { key: 'km', label: 'Distance run', unit: 'km', min: 0, max: 500_000 },
  { key: 'depthMm', label: 'Depth', unit: 'mm', min: 0, max: 40 },
] as const;
const PRESSURES = [
  { key: 'gaugeKpa', label: 'Gauge', unit: 'kPa', min: 0, max: 1000 },
  { key: 'tempC', label: 'Tire at', unit: 'C', min: -60, max: 80 },
] as const;
const GAUGE_CHECK = [
  { key: 'appliedKpa', label: 'Applied', unit: 'kPa', min: 0, max: 1000 },
  { key: 'readsKpa', label: 'It read', unit: 'kPa', min: 0, max: 1000 },
] as const;
const calibrated = { key: 'calibratedOn', label: 'Calibrated on', form: { as: 'date' }, may: true, usual: null, listed: true } as const;
const symbols = Object.keys(SPEED_SYMBOL_KMH);

/** Every kind of record that the shop keeps. */
export const SPECS: { readonly [K in RecordKind]: RecordSpec<K> } = {
  machines: {
    kind: 'machines', one: 'machine', many: 'Machines',
    fields: [
      { key: 'name', label: 'What the shop calls it', form: { as: 'text', max: 80 }, listed: true },
      { key: 'rider', label: 'Rider', form: { as: 'text', max: 80 }, listed: true },
      { key: 'kind', label: 'Kind', form: { as: 'choice', of: MACHINE_KINDS, words: KIND_WORDS }, listed: true },
      { key: 'drive', label: 'Drive', form: { as: 'choice', of: DRIVES }, listed: true },
      { key: 'placardFrontKpa', label: 'Placard, front', form: kpa(20, 600), may: true, usual: null, listed: true, hint: 'cold; empty where there is none' },
      { key: 'placardRearKpa', label: 'Placard, rear', form: kpa(20, 600), may: true, usual: null, listed: true },
      { key: 'minLoadIndexFront', label: 'Least load index, front', form: { as: 'whole', min: 0, max: 120 }, may: true, usual: null },
      { key: 'minLoadIndexRear', label: 'Least load index, rear', form: { as: 'whole', min: 0, max: 120 }, may: true, usual: null },
      { key: 'minSpeedSymbol', label: 'Least speed symbol', form: { as: 'choice', of: symbols }, may: true, usual: null },
      { key: 'emptyFrontKg', label: 'Ready to ride, on the front', form: { as: 'quantity', unit: 'kg', min: 10, max: 1500 }, may: true, usual: null },
      { key: 'emptyRearKg', label: 'Ready to ride, on the rear', form: { as: 'quantity', unit: 'kg', min: 10, max: 1500 }, may: true, usual: null },
      { key: 'sprocketFront', label: 'Front sprocket, teeth', form: { as: 'whole', min: 5, max: 40 }, may: true, usual: null },
      { key: 'sprocketRear', label: 'Rear sprocket, teeth', form: { as: 'whole', min: 10, max: 100 }, may: true, usual: null },
      { key: 'wheelSensors', label: 'Wheel-speed sensors', form: { as: 'yes' }, usual: false },
      { key: 'fasteners', label: 'Torque, from the manual', form: { as: 'fasteners' }, usual: [] },
      note,
    ],
  },
  wheels: {
    kind: 'wheels', one: 'wheel', many: 'Wheels',
    fields: [
      { key: 'machineId', label: 'Machine', form: { as: 'machine' }, listed: true },
      { key: 'position', label: 'Where', form: { as: 'choice', of: POSITIONS, words: POSITION_WORDS }, listed: true },
      { key: 'build', label: 'Rim', form: { as: 'choice', of: BUILDS, words: BUILD_WORDS }, listed: true },
      { key: 'rimCode', label: 'Rim code', form: { as: 'rim-code' }, listed: true },
      { key: 'tireMarking', label: 'Tire on it', form: { as: 'size' }, listed: true },
      { key: 'tube', label: 'With a tube', form: { as: 'yes' }, listed: true },
      { key: 'tubelessMarked', label: 'Rim marked tubeless', form: { as: 'yes' }, usual: false },
      { key: 'sealed', label: 'Sealed by design', form: { as: 'yes' }, usual: false, hint: 'spokes, or the halves of a split rim' },
      { key: 'valveHoleMm', label: 'Valve hole', form: mm(5, 25), may: true, usual: null },
      { key: 'rimLockDegs', label: 'Rim locks', form: { as: 'places' }, usual: [], hint: 'places from the valve, as 7:00 or 210°' },
      { key: 'lockHoleMm', label: 'Rim lock hole', form: mm(5, 25), may: true, usual: null },
      { key: 'spokes', label: 'Spokes', form: { as: 'whole', min: 0, max: 80 }, usual: 0 },
      { key: 'discSide', label: 'Brake disc', form: { as: 'choice', of: DISC_SIDES }, usual: 'none' },
      { key: 'caliper', label: 'Caliper bolts', form: { as: 'choice', of: CALIPERS }, usual: 'axial', hint: 'radial: from behind, along the wheel' },
      { key: 'strips', label: 'Rim strips', form: { as: 'whole', min: 1, max: 2 }, may: true, usual: null, hint: 'empty: as the shop\u2019s rule says' },
      { key: 'flangeMm', label: 'Over the flange', form: mm(80, 750), may: true, usual: null, hint: 'bare rim, for bead slack' },
      { key: 'wellMm', label: 'In the well', form: mm(60, 700), may: true, usual: null },
      { key: 'wellToFlangeMm', label: 'Well to far flange', form: mm(0, 400), may: true, usual: null, hint: 'along the axle' },
      { key: 'rimLimitKpa', label: 'Limit marked on the rim', form: kpa(20, 1000), may: true, usual: null },
      { key: 'heavySpotDeg', label: 'Heavy spot, bare', form: { as: 'quantity', unit: 'deg', min: 0, max: 360 }, may: true, usual: null },
      { key: 'runouts', label: 'Runout, as measured', form: { as: 'dated', of: RUNOUT }, usual: [] },
      { key: 'treads', label: 'Tread of the tire on it, as measured', form: { as: 'dated', of: TREAD }, usual: [] },
      { key: 'pressures', label: 'Pressure standing, cold', form: { as: 'dated', of: PRESSURES }, usual: [] },
      { key: 'ringGapMm', label: 'Beadlock ring gap', form: mm(1, 60), may: true, usual: null },
      note,
    ],
  },
  tires: {
    kind: 'tires', one: 'tire', many: 'Tires',
    fields: [
      { key: 'marking', label: 'Size', form: { as: 'size' }, listed: true, hint: 'as printed, with all that follows' },
      { key: 'tread', label: 'Tread', form: { as: 'choice', of: TREADS, words: TREAD_WORDS }, usual: 'other', listed: true },
      { key: 'pattern', label: 'What for', form: { as: 'text', max: 60 }, listed: true },
      { key: 'arrows', label: 'Arrows', form: { as: 'choice', of: ARROWS }, usual: 'one' },
      { key: 'dateCode', label: 'Date code', form: { as: 'date-code' }, may: true, usual: null, listed: true },
      { key: 'seatLimitKpa', label: 'Seating limit', form: kpa(20, 1000), may: true, usual: null, listed: true },
      { key: 'lightMark', label: 'Light mark', form: { as: 'yes' }, usual: true },
      { key: 'takeOff', label: 'Take-off, used', form: { as: 'yes' }, usual: false, listed: true },
      { key: 'treadMm', label: 'Depth of a take-off', form: mm(0, 40), may: true, usual: null, listed: true },
      pieces, price, note,
    ],
  },
  tubes: {
    kind: 'tubes', one: 'tube', many: 'Tubes',
    fields: [
      { key: 'label', label: 'Sizes on the label', form: { as: 'tube-label' }, listed: true },
      { key: 'valve', label: 'Valve', form: { as: 'choice', of: TUBE_VALVES }, usual: 'TR-4', listed: true },
      { key: 'wall', label: 'Wall', form: { as: 'choice', of: TUBE_WALLS, words: WALL_WORDS }, usual: 'standard', listed: true },
      { key: 'flatWidthMm', label: 'Laid flat', form: mm(15, 300), may: true, usual: null, listed: true },
      { key: 'massG', label: 'Mass', form: { as: 'quantity', unit: 'g', min: 50, max: 5000 }, may: true, usual: null },
      pieces, price, note,
    ],
  },
  strips: {
    kind: 'strips', one: 'rim strip', many: 'Rim strips',
    fields: [
      { key: 'material', label: 'Made of', form: { as: 'choice', of: STRIP_MATERIALS }, usual: 'rubber', listed: true },
      { key: 'widthMm', label: 'Width', form: mm(8, 80), listed: true },
      { key: 'rimFromIn', label: 'Rims from', form: { as: 'quantity', unit: 'in', min: 4, max: 23 }, listed: true },
      { key: 'rimToIn', label: 'Rims to', form: { as: 'quantity', unit: 'in', min: 4, max: 23 }, listed: true },
      pieces, price, note,
    ],
  },
  locks: {
    kind: 'locks', one: 'rim lock', many: 'Rim locks',
    fields: [
      { key: 'widthIn', label: 'For rims', form: { as: 'quantity', unit: 'in', min: 1, max: 6 }, listed: true },
      { key: 'holeMm', label: 'Hole', form: mm(5, 25), usual: 8, listed: true },
      { key: 'massG', label: 'Mass', form: { as: 'quantity', unit: 'g', min: 20, max: 400 }, usual: 120, listed: true },
      pieces, price, note,
    ],
  },
  valves: {
    kind: 'valves', one: 'valve stem', many: 'Valve stems',
    fields: [
      { key: 'stem', label: 'Held by', form: { as: 'choice', of: STEMS }, usual: 'snap-in', listed: true },
      { key: 'holeMm', label: 'Hole', form: mm(5, 25), listed: true },
      { key: 'lengthMm', label: 'Length', form: mm(10, 120), listed: true },
      { key: 'angled', label: 'Angled', form: { as: 'yes' }, usual: false, listed: true },
      pieces, price, note,
    ],
  },
  weights: {
    kind: 'weights', one: 'weight', many: 'Weights',
    fields: [
      { key: 'massG', label: 'Mass', form: { as: 'quantity', unit: 'g', min: 0.5, max: 200 }, listed: true },
      { key: 'kind', label: 'Holds by', form: { as: 'choice', of: ['spoke', 'adhesive'] }, listed: true },
      { key: 'lengthMm', label: 'Length', form: mm(1, 200), may: true, usual: null, listed: true, hint: 'of one piece, along the rim' },
      pieces, price, note,
    ],
  },
  wrenches: {
    kind: 'wrenches', one: 'torque wrench', many: 'Torque wrenches',
    fields: [
      { key: 'name', label: 'Wrench', form: { as: 'text', max: 60 }, listed: true },
      { key: 'minNm', label: 'From', form: { as: 'quantity', unit: 'Nm', min: 0, max: 2000 }, listed: true },
      { key: 'maxNm', label: 'To', form: { as: 'quantity', unit: 'Nm', min: 0.1, max: 2000 }, listed: true },
      { key: 'leverMm', label: 'Drive to grip', form: mm(50, 2000), may: true, usual: null, listed: true },
      calibrated,
      note,
    ],
  },
  instruments: {
    kind: 'instruments', one: 'instrument', many: 'Instruments',
    fields: [
      { key: 'name', label: 'Instrument', form: { as: 'text', max: 40 }, listed: true, hint: 'the name by which it speaks' },
      { key: 'kind', label: 'What it is', form: { as: 'choice', of: INSTRUMENT_KINDS, words: INSTRUMENT_WORDS }, usual: 'gauge', listed: true },
      calibrated,
      { key: 'stepKpa', label: 'Finest step of a gauge', form: kpa(0.01, 20), may: true, usual: null, listed: true },
      { key: 'checks', label: 'What a gauge showed under a known pressure', form: { as: 'dated', of: GAUGE_CHECK }, usual: [] },
      note,
    ],
  },
};

/** The fields of a kind, whatever the kind. */
export const fieldsOfKind = (kind: RecordKind): readonly Field[] => SPECS[kind].fields as readonly Field[];
