import { dateCodeOn } from '../core/fit/tires';
import { DAY_MS, dayOf, FT_LBF_IN_NM, PSI_IN_KPA } from '../core/base/units';
import {
  complete,
  type GaugeCheck,
  type InstrumentItem,
  type LockItem,
  type StripItem,
  type TireStock,
  type TubeItem,
  type ValveItem,
  type WeightItem,
  type WrenchItem,
} from '../core/shop/records';
import { type Tread } from '../core/fit/tires';
import type { Fastener, Machine, Wheel } from '../core/fit/wheels';

/** An invented shop in an invented valley. None of its figures is evidence of anything. */
export const DEMO_NAME = 'Kettle Spring Wheelworks, Hollin Reach';
export const DEMO_PEOPLE = ['Juna Birk', 'Osk Tarrow', 'Wil Penhallow'];

const psi = (v: number) => Math.round(v * PSI_IN_KPA * 10) / 10;
const lbfFt = (v: number) => Math.round(v * FT_LBF_IN_NM * 10) / 10;

const nut = (
  name: string,
  wheel: Fastener['wheel'],
  torqueNm: number | null,
  socket: string | null,
  renews: Fastener['renews'] = 'nothing',
): Fastener => ({ name, wheel, torqueNm, socket, renews });

const motorcycle = (axleFront: number, axleRear: number, caliper: number): Fastener[] => [
  nut('front axle', 'front', axleFront, '19 mm hex key'),
  nut('axle pinch bolts', 'front', lbfFt(18), '12 mm'),
  nut('rear axle nut', 'rear', axleRear, '27 mm'),
  nut('caliper bolts', 'any', caliper, '12 mm'),
];

const machine = (
  m: Partial<Machine> & Pick<Machine, 'id' | 'name' | 'kind' | 'rider' | 'drive' | 'fasteners'>,
): Machine => complete('machines', m);

export const DEMO_MACHINES: Machine[] = [
  machine({
    id: 'm-orrin',
    name: 'Orrindale Scree 450',
    kind: 'dirt',
    rider: 'Mara Tolling',
    drive: 'chain',
    slackMinMm: 48,
    slackMaxMm: 58,
    chainRunMm: 640,
    adjusterPitchMm: 1.25,
    adjusterSpanMm: 232,
    discLimitMm: 0.25,
    sprocketFront: 13,
    sprocketRear: 50,
    emptyFrontKg: 54,
    emptyRearKg: 57,
    fasteners: [
      ...motorcycle(88, lbfFt(76), 25),
      nut('rim lock nut', 'rear', null, '12 mm'),
      nut('chain adjuster locknuts', 'rear', lbfFt(14), '13 mm'),
    ],
  }),
  machine({
    id: 'm-kestrow',
    name: 'Kestrow Longway 890',
    kind: 'adventure',
    rider: 'Ive Sandrock',
    drive: 'chain',
    slackMinMm: 40,
    slackMaxMm: 50,
    chainRunMm: 655,
    adjusterPitchMm: 1.25,
    adjusterSpanMm: 246,
    sensorMinMm: 0.3,
    sensorMaxMm: 1.3,
    discLimitMm: 0.25,
    placardFrontKpa: psi(33),
    placardRearKpa: psi(36),
    minLoadIndexFront: 54,
    minLoadIndexRear: 65,
    minSpeedSymbol: 'H',
    emptyFrontKg: 103,
    emptyRearKg: 107,
    sprocketFront: 16,
    sprocketRear: 46,
    wheelSensors: true,
    fasteners: motorcycle(68, 98, 34),
  }),
  machine({
    id: 'm-vellan',
    name: 'Vellan Strada 700',
    kind: 'road',
    rider: 'Petra Oakhollow',
    drive: 'chain',
    slackMinMm: 28,
    slackMaxMm: 36,
    chainRunMm: 612,
    adjusterPitchMm: 1.25,
    adjusterSpanMm: 238,
    sensorMinMm: 0.3,
    sensorMaxMm: 1.3,
    discLimitMm: 0.2,
    teachKmh: 24,
    teachM: 180,
    teachLamp: 'blinks twice and goes out',
    placardFrontKpa: psi(33),
    placardRearKpa: psi(36),
    minLoadIndexFront: 58,
    minLoadIndexRear: 73,
    minSpeedSymbol: 'V',
    emptyFrontKg: 92,
    emptyRearKg: 93,
    sprocketFront: 16,
    sprocketRear: 43,
    wheelSensors: true,
    fasteners: motorcycle(66, 115, 40),
  }),
  machine({
    id: 'm-pim',
    name: 'Pimlet Hop 200',
    kind: 'scooter',
    rider: 'Joss Wendle',
    drive: 'hub',
    placardFrontKpa: psi(26),
    placardRearKpa: psi(30),
    minLoadIndexFront: 44,
    minLoadIndexRear: 50,
    minSpeedSymbol: 'J',
    fasteners: [
      nut('front hub nuts', 'front', 26, '13 mm'),
      nut('rear hub nut', 'rear', 118, '24 mm', 'split pin'),
    ],
  }),
  machine({
    id: 'm-alder',
    name: 'Alderholm Drover 1300',
    kind: 'cruiser',
    rider: 'Sten Maddock',
    drive: 'shaft',
    placardFrontKpa: psi(33),
    placardRearKpa: psi(40),
    minLoadIndexFront: 64,
    minLoadIndexRear: 76,
    minSpeedSymbol: 'H',
    emptyFrontKg: 138,
    emptyRearKg: 162,
    fasteners: motorcycle(78, 104, 44),
  }),
  machine({
    id: 'm-dunn',
    name: 'Dunnock Pair 900',
    kind: 'side-by-side',
    rider: 'Hollin Reach Rangers',
    drive: 'shaft',
    placardFrontKpa: psi(12),
    placardRearKpa: psi(14),
    fasteners: [nut('wheel nuts', 'any', lbfFt(60), '17 mm')],
  }),
  machine({
    id: 'm-skerr',
    name: 'Skerrin Tarn 400',
    kind: 'quad',
    rider: 'Anwen Crake',
    drive: 'chain',
    placardFrontKpa: psi(5),
    placardRearKpa: psi(5),
    fasteners: [nut('wheel nuts', 'any', 55, null)],
  }),
  machine({
    id: 'm-quill',
    name: 'Quillfen Dune Two',
    kind: 'drag',
    rider: 'Ines Farrow',
    drive: 'chain',
    placardFrontKpa: psi(12),
    placardRearKpa: psi(7),
    fasteners: [nut('wheel nuts', 'any', 88, '19 mm')],
  }),
  machine({
    id: 'm-hesk',
    name: 'Heskin Outfit 320',
    kind: 'sidecar',
    rider: 'Tam and Bryn Oller',
    drive: 'chain',
    slackMinMm: 22,
    slackMaxMm: 30,
    chainRunMm: 560,
    adjusterPitchMm: 1,
    placardFrontKpa: psi(11),
    placardRearKpa: psi(10),
    fasteners: motorcycle(61, 92, 24),
  }),
];

/** Cast demo rims are marked tubeless, as most are. */
const wheel = (
  w: Partial<Wheel> &
    Pick<Wheel, 'id' | 'machineId' | 'position' | 'build' | 'rimCode' | 'tireMarking'>,
): Wheel =>
  complete('wheels', {
    discSide: 'right',
    tubelessMarked: w.build === 'cast',
    valveHoleMm: w.tube ? 8.5 : 11.5,
    tube: false,
    ...w,
  });

/** Days before the shop is filled that rollouts of the demo were taped, oldest first. */
const TAPED = ['2026-03-14', '2026-03-14', '2026-03-15', '2026-03-15'] as const;
const taped = (...mm: number[]): Wheel['rollouts'] =>
  mm.map((circumferenceMm, run) => ({
    onDate: TAPED[run]!,
    run,
    circumferenceMm,
    gaugeKpa: psi(6),
  }));
const quillRing = {
  rings: 2,
  ringBolts: 16,
  ringBoltSize: 'M8',
  ringBoltGrade: '10.9',
  ringTorqueNm: 22,
  stepMm: 379,
  innerWidthMm: 268,
  overallWidthMm: 301,
  backspaceMm: 118,
  spokes: 8,
  castShape: 'plate',
  holes: 5,
  circleMm: 120.7,
  pair: 'drag rears',
  discSide: 'none',
  rimLimitKpa: psi(30),
} as const;

export const DEMO_WHEELS: Wheel[] = [
  wheel({
    id: 'w-orrin-f',
    machineId: 'm-orrin',
    position: 'front',
    build: 'spoked',
    rimCode: '1.60x21',
    tireMarking: '80/100-21 51M TT',
    tireTread: 'soft',
    lacing: '3x',
    discMm: 260,
    tube: true,
    spokes: 36,
    discSide: 'left',
    rimLockDegs: [120],
    lockHoleMm: 8,
  }),
  wheel({
    id: 'w-orrin-r',
    machineId: 'm-orrin',
    position: 'rear',
    build: 'spoked',
    rimCode: '2.15x19',
    tireMarking: '110/90-19 62M TT',
    tireTread: 'soft',
    lacing: '3x',
    discMm: 240,
    drivenSide: 'left',
    tube: true,
    spokes: 36,
    rimLockDegs: [210],
    lockHoleMm: 8,
    heavySpotDeg: 204,
    runouts: [
      { onDate: '2025-04-12', lateralMm: 1.1, radialMm: 0.8 },
      { onDate: '2025-10-03', lateralMm: 1.4, radialMm: 0.9 },
    ],
  }),
  wheel({
    id: 'w-kestrow-f',
    machineId: 'm-kestrow',
    position: 'front',
    build: 'spoked',
    rimCode: '2.50x21',
    tireMarking: '90/90-21 54H TT',
    tireTread: 'half',
    lacing: '2x',
    discMm: 305,
    tube: true,
    spokes: 36,
    discSide: 'both',
  }),
  wheel({
    id: 'w-kestrow-r',
    machineId: 'm-kestrow',
    position: 'rear',
    build: 'spoked',
    rimCode: '4.00x18',
    tireMarking: '150/70R18 70H TL',
    tireTread: 'half',
    lacing: '2x',
    discMm: 267,
    drivenSide: 'left',
    tube: true,
    spokes: 36,
  }),
  wheel({
    id: 'w-vellan-f',
    machineId: 'm-vellan',
    position: 'front',
    build: 'cast',
    rimCode: 'MT3.50x17',
    tireMarking: '120/70ZR17 58W TL',
    tireTread: 'sport',
    spokes: 5,
    castShape: 'fork',
    discMm: 310,
    discSide: 'both',
  }),
  wheel({
    id: 'w-vellan-r',
    machineId: 'm-vellan',
    position: 'rear',
    build: 'cast',
    rimCode: 'MT5.50x17',
    tireMarking: '180/55ZR17 73W TL',
    tireTread: 'sport',
    spokes: 5,
    castShape: 'double',
    discMm: 220,
    drivenSide: 'left',
    sensorSide: 'right',
  }),
  wheel({
    id: 'w-pim-f',
    machineId: 'm-pim',
    position: 'front',
    build: 'cast',
    rimCode: 'MT2.50x12',
    tireMarking: '110/70-12 47L TL',
    tireTread: 'road',
    spokes: 3,
    castShape: 'single',
    discMm: 190,
    discSide: 'left',
  }),
  wheel({
    id: 'w-pim-r',
    machineId: 'm-pim',
    position: 'rear',
    build: 'split',
    rimCode: '2.10x10',
    tireMarking: '3.50-10 51J TT',
    tireTread: 'road',
    spokes: 5,
    castShape: 'plate',
    tube: true,
    discSide: 'none',
    rimLimitKpa: psi(40),
    rimBolts: 5,
    rimBoltTorqueNm: 23,
  }),
  wheel({
    id: 'w-alder-f',
    machineId: 'm-alder',
    position: 'front',
    build: 'cast',
    rimCode: 'MT3.00x17',
    tireMarking: '130/80B17 65H TL',
    tireTread: 'touring',
    spokes: 9,
    castShape: 'single',
    discMm: 300,
    discSide: 'left',
  }),
  wheel({
    id: 'w-alder-r',
    machineId: 'm-alder',
    position: 'rear',
    build: 'cast',
    rimCode: 'MT4.00x15',
    tireMarking: '170/80B15 77H TL',
    tireTread: 'touring',
    spokes: 9,
    castShape: 'single',
    discMm: 300,
    drivenSide: 'left',
  }),
  wheel({
    id: 'w-dunn-lf',
    machineId: 'm-dunn',
    position: 'left-front',
    build: 'cast',
    rimCode: '12x6.0 AT',
    tireMarking: '205/80R12 TL',
    tireTread: 'four-wheel',
    spokes: 6,
    castShape: 'fork',
    discMm: 230,
    holes: 4,
    circleMm: 137,
    rimLimitKpa: psi(35),
  }),
  wheel({
    id: 'w-dunn-rr',
    machineId: 'm-dunn',
    position: 'right-rear',
    build: 'beadlock',
    rimCode: '12x7.0 AT',
    tireMarking: '255/65R12 TL',
    tireTread: 'four-wheel',
    spokes: 8,
    castShape: 'plate',
    rimLimitKpa: psi(30),
    ringGapMm: 17.3,
    rings: 1,
    ringBolts: 12,
    ringBoltSize: 'M8',
    ringBoltGrade: '8.8',
    ringTorqueNm: 13,
    stepMm: 303,
    overallWidthMm: 208,
    backspaceMm: 96,
    holes: 4,
    circleMm: 137,
  }),
  wheel({
    id: 'w-skerr-lf',
    machineId: 'm-skerr',
    position: 'left-front',
    build: 'cast',
    rimCode: '10x5.5 AT',
    tireMarking: '165/70-10 TL',
    tireTread: 'four-wheel',
    spokes: 4,
    castShape: 'plate',
    holes: 4,
    circleMm: 110,
    discSide: 'none',
  }),
];

/**
 * Wheels that turn as a pair: a sand car's two rings, and an outfit whose chair wheel is driven
 * too.
 */
export const DEMO_PAIRS: Wheel[] = [
  wheel({
    id: 'w-quill-lr',
    machineId: 'm-quill',
    position: 'left-rear',
    build: 'beadlock',
    rimCode: '15x10.5 AT',
    tireMarking: '31.0/11.5-15',
    tireTread: 'slick',
    ...quillRing,
    rollouts: taped(2468, 2490, 2497, 2499),
  }),
  wheel({
    id: 'w-quill-rr',
    machineId: 'm-quill',
    position: 'right-rear',
    build: 'beadlock',
    rimCode: '15x10.5 AT',
    tireMarking: '31.0/11.5-15',
    tireTread: 'slick',
    ...quillRing,
    rollouts: taped(2471, 2497, 2508, 2513),
  }),
  wheel({
    id: 'w-hesk-f',
    machineId: 'm-hesk',
    position: 'front',
    build: 'spoked',
    rimCode: '2.15x19',
    tireMarking: '110/90-19 62M TT',
    tireTread: 'hard',
    lacing: '3x',
    discMm: 250,
    tube: true,
    spokes: 36,
    rimLockDegs: [150],
    lockHoleMm: 8,
  }),
  wheel({
    id: 'w-hesk-r',
    machineId: 'm-hesk',
    position: 'rear',
    build: 'spoked',
    rimCode: '2.50x18',
    tireMarking: '120/90-18 65M TT',
    tireTread: 'hard',
    lacing: '3x',
    discMm: 230,
    drivenSide: 'left',
    tube: true,
    spokes: 36,
    rimLockDegs: [200],
    lockHoleMm: 8,
    pair: 'rear and driven sidecar',
    rollouts: taped(2012, 2016, 2017),
  }),
  wheel({
    id: 'w-hesk-s',
    machineId: 'm-hesk',
    position: 'sidecar',
    build: 'spoked',
    rimCode: '2.50x18',
    tireMarking: '120/90-18 65M TT',
    tireTread: 'hard',
    lacing: '3x',
    tube: true,
    spokes: 36,
    rimLockDegs: [200],
    lockHoleMm: 8,
    discSide: 'none',
    pair: 'rear and driven sidecar',
    rollouts: taped(2010, 2013, 2014),
  }),
];

/** A tire on the demo shelf; its date code follows from the day the shop is filled. */
type DemoTire = TireStock & { weeksOld: number };

const tire = (
  id: string,
  marking: string,
  tread: Tread,
  pattern: string,
  weeksOld: number,
  count: number,
  priceMinor: number | null,
  more: Partial<TireStock> = {},
): DemoTire => ({
  ...complete('tires', {
    id,
    marking,
    tread,
    pattern,
    count,
    priceMinor,
    seatLimitKpa: psi(40),
    ...more,
  }),
  weeksOld,
});

export const DEMO_TIRES: DemoTire[] = [
  tire('t-1', '110/90-19 62M TT', 'soft', 'knobby, soft ground', 36, 3, 8900, {
    seatLimitKpa: psi(38),
  }),
  tire('t-2', '100/90-19 57M TT', 'hard', 'knobby, hard ground', 39, 1, 8450),
  tire('t-3', '80/100-21 51M TT', 'soft', 'knobby, soft ground', 26, 4, 7600),
  tire('t-4', '90/90-21 54H TT', 'half', '50/50 dual sport', 54, 2, 9900, { arrows: 'two' }),
  tire('t-5', '150/70R18 70H TL', 'half', '50/50 dual sport', 50, 2, 15_400, { arrows: 'two' }),
  tire('t-6', '120/70ZR17 58W TL', 'touring', 'sport touring', 16, 3, 13_900, {
    seatLimitKpa: psi(50),
  }),
  tire('t-7', '180/55ZR17 73W TL', 'touring', 'sport touring', 18, 2, 18_900, {
    seatLimitKpa: psi(50),
  }),
  tire('t-8', '190/50ZR17 73W TL', 'sport', 'sport', 402, 1, 17_500, { seatLimitKpa: psi(50) }),
  tire('t-9', '110/70-12 47L TL', 'road', 'scooter, road', 31, 2, 4900),
  tire('t-10', '3.50-10 51J TT', 'road', 'scooter, road', 38, 4, 3900, { lightMark: false }),
  tire('t-11', '130/80B17 65H TL', 'road', 'cruiser, road', 66, 1, 14_200),
  tire('t-12', '120/80-17 61H TL', 'road', 'cruiser, road', 32, 1, 13_100),
  tire('t-13', '170/80B15 77H TL', 'road', 'cruiser, road', 78, 2, 16_800),
  tire('t-14', '205/80R12 TL', 'four-wheel', 'trail, four wheels', 41, 4, 11_200, {
    seatLimitKpa: psi(20),
    lightMark: false,
  }),
  tire('t-15', '255/65R12 TL', 'four-wheel', 'trail, four wheels', 40, 4, 12_900, {
    seatLimitKpa: psi(20),
    lightMark: false,
  }),
  tire('t-16', '165/70-10 TL', 'four-wheel', 'quad, loose ground', 34, 2, 7800, {
    seatLimitKpa: psi(30),
    lightMark: false,
  }),
  tire('t-17', '110/90-19 62M TT', 'hard', 'knobby, hard ground', 21, 2, 8700),
  tire('t-dune', '31.0/11.5-15', 'four-wheel', 'sand, paddles', 22, 2, 24_500, {
    seatLimitKpa: psi(20),
    lightMark: false,
  }),
  tire('t-18', '110/90-19 62M TT', 'soft', 'half-worn knobby', 118, 1, 2500, {
    takeOff: true,
    treadMm: 8.5,
    note: 'good for fire roads',
  }),
  tire('t-19', '120/80-19 63M TT', 'soft', 'knobby, soft ground', 30, 1, 9400),
  tire('t-20', '180/55ZR17 73W TL', 'sport', 'sport', 60, 1, 19_900, { seatLimitKpa: psi(50) }),
  tire('t-21', '120/90-18 65M TT', 'trials', 'trials type', 44, 2, 9600),
  tire('t-22', '33.0/10.5-15', 'slick', 'drag slick', 70, 2, null, {
    lightMark: false,
    arrows: 'none',
  }),
];

export const DEMO_TUBES: TubeItem[] = [
  complete('tubes', {
    id: 'tube-1',
    label: '100/90-19, 110/90-19, 120/80-19',
    wall: 'heavy',
    flatWidthMm: 104,
    massG: 1150,
    count: 6,
    priceMinor: 1890,
  }),
  complete('tubes', {
    id: 'tube-2',
    label: '2.75/3.00-21',
    count: 5,
    flatWidthMm: 78,
    massG: 720,
    priceMinor: 1290,
  }),
  complete('tubes', {
    id: 'tube-3',
    label: '80/100-21, 90/90-21, 90/100-21',
    wall: 'heavy',
    flatWidthMm: 84,
    massG: 1080,
    count: 4,
    priceMinor: 1790,
  }),
  complete('tubes', {
    id: 'tube-4',
    label: '130/80-18, 140/80-18, 150/70-18',
    count: 3,
    massG: 1250,
    priceMinor: 1690,
  }),
  complete('tubes', {
    id: 'tube-5',
    label: '100/100-18, 110/90-18, 120/90-18',
    wall: 'ultra',
    valve: 'TR-6',
    count: 2,
    massG: 2100,
    priceMinor: 2690,
  }),
  complete('tubes', {
    id: 'tube-6',
    label: '3.00/3.50-10',
    valve: 'angled',
    count: 6,
    flatWidthMm: 82,
    priceMinor: 990,
  }),
  complete('tubes', {
    id: 'tube-7',
    label: '100/90-19, 110/90-19',
    count: 3,
    flatWidthMm: 101,
    massG: 690,
    priceMinor: 1190,
  }),
];

export const DEMO_STRIPS: StripItem[] = [
  complete('strips', {
    id: 's-1',
    widthMm: 28,
    rimFromIn: 18,
    rimToIn: 19,
    count: 8,
    priceMinor: 290,
  }),
  complete('strips', {
    id: 's-2',
    widthMm: 22,
    rimFromIn: 21,
    rimToIn: 21,
    count: 6,
    priceMinor: 290,
  }),
  complete('strips', {
    id: 's-3',
    widthMm: 25,
    rimFromIn: 10,
    rimToIn: 21,
    material: 'tape',
    count: 2,
    priceMinor: 650,
  }),
];

export const DEMO_LOCKS: LockItem[] = [
  complete('locks', { id: 'l-1', widthIn: 1.6, massG: 85, count: 4, priceMinor: 980 }),
  complete('locks', { id: 'l-2', widthIn: 2.15, massG: 125, count: 3, priceMinor: 1150 }),
  complete('locks', { id: 'l-3', widthIn: 2.5, massG: 150, count: 1, priceMinor: 1250 }),
];

export const DEMO_VALVES: ValveItem[] = [
  complete('valves', { id: 'v-1', holeMm: 11.5, lengthMm: 43, count: 40, priceMinor: 190 }),
  complete('valves', { id: 'v-2', holeMm: 11.5, lengthMm: 33, count: 25, priceMinor: 190 }),
  complete('valves', {
    id: 'v-3',
    stem: 'clamp-in',
    holeMm: 11.5,
    lengthMm: 38,
    angled: true,
    count: 6,
    priceMinor: 1450,
  }),
];

const weight = (
  id: string,
  massG: number,
  kind: WeightItem['kind'],
  count: number,
  priceMinor: number,
  lengthMm: number | null = null,
): WeightItem => complete('weights', { id, massG, kind, count, priceMinor, lengthMm });

export const DEMO_WEIGHTS: WeightItem[] = [
  weight('g-1', 5, 'spoke', 40, 60),
  weight('g-2', 10, 'spoke', 36, 80),
  weight('g-3', 20, 'spoke', 18, 110),
  weight('g-4', 30, 'spoke', 8, 140),
  weight('g-5', 5, 'adhesive', 96, 20, 12.5),
  weight('g-6', 7, 'adhesive', 48, 25, 17),
  weight('g-7', 10, 'adhesive', 60, 30, 22),
];

export const DEMO_WRENCHES: WrenchItem[] = [
  complete('wrenches', {
    id: 'wr-1',
    name: 'long click wrench',
    minNm: lbfFt(25),
    maxNm: lbfFt(140),
    leverMm: 480,
    calibratedOn: '2026-02-11',
  }),
  complete('wrenches', {
    id: 'wr-3',
    name: 'ring click wrench',
    minNm: 20,
    maxNm: 24,
    leverMm: 260,
    calibratedOn: '2026-03-02',
  }),
  complete('wrenches', {
    id: 'wr-2',
    name: 'small beam wrench',
    minNm: 2,
    maxNm: 12,
    leverMm: 240,
  }),
];

const checked = (
  onDate: string,
  pairs: readonly (readonly [appliedPsi: number, readsPsi: number])[],
): GaugeCheck[] =>
  pairs.map(([applied, reads]) => ({ onDate, appliedKpa: psi(applied), readsKpa: psi(reads) }));

/**
 * The simulated instruments under the names by which they speak, and a stick gauge that says
 * nothing.
 */
export const DEMO_INSTRUMENTS: InstrumentItem[] = [
  complete('instruments', {
    id: 'in-hose',
    name: 'hose gauge',
    kind: 'gauge',
    calibratedOn: '2026-03-02',
    stepKpa: psi(0.1),
    checks: checked('2026-03-02', [
      [10, 10.2],
      [20, 20.2],
      [40, 40.1],
    ]),
  }),
  complete('instruments', {
    id: 'in-stick',
    name: 'stick gauge',
    kind: 'gauge',
    calibratedOn: '2025-09-18',
    stepKpa: psi(0.5),
    checks: checked('2025-09-18', [
      [10, 10.5],
      [20, 21],
      [40, 41],
    ]),
  }),
  complete('instruments', {
    id: 'in-tip',
    name: 'tip thermometer',
    kind: 'thermometer',
    calibratedOn: '2025-11-20',
  }),
  complete('instruments', {
    id: 'in-dial',
    name: 'indicator',
    kind: 'dial-indicator',
    calibratedOn: '2026-01-15',
  }),
  complete('instruments', {
    id: 'in-caliper',
    name: 'caliper',
    kind: 'caliper',
    calibratedOn: '2026-01-15',
  }),
];

/** The rules that this shop has set for itself. */
export const DEMO_RULES: readonly { key: string; value: number; note: string }[] = [
  { key: 'cost.disposalMinor', value: 400, note: 'what the recycler takes' },
  { key: 'cost.taxPct', value: 7.5, note: 'on parts and fee' },
  { key: 'labour.spokedMinor', value: 5200, note: 'off and on the machine, balanced' },
  { key: 'labour.castMinor', value: 4400, note: 'off and on the machine, balanced' },
  { key: 'labour.splitMinor', value: 3600, note: 'off and on the machine' },
  { key: 'labour.beadlockMinor', value: 7800, note: 'off and on the machine, balanced' },
];

/** The parts on order for a wheel that waits for them. */
export const DEMO_ORDER = {
  id: 'demo-order-1',
  what: 'ring bolts, zinc plated',
  stockId: null,
  count: 2,
  supplier: 'Gravel Lane Fasteners',
  jobIds: ['demo-job-31'],
  who: 'Juna Birk',
};

const WEEK_MS = 7 * DAY_MS;

/** The shelf as it stands on a day. `now` in ms. */
export const demoTires = (now: number): TireStock[] =>
  DEMO_TIRES.map(({ weeksOld, ...t }) => ({
    ...t,
    dateCode: dateCodeOn(new Date(now - weeksOld * WEEK_MS)),
  }));

/** Weeks of standing pressures in changing weather: an invented slow leak. */
export const demoPressures = (now: number): Wheel['pressures'] =>
  (
    [
      [24, 290, 21],
      [20, 278, 15],
      [16, 277, 19],
      [12, 263, 11],
      [8, 264, 18],
      [4, 256, 17],
      [1, 245, 10],
    ] as const
  ).map(([daysAgo, gaugeKpa, tempC]) => ({
    onDate: dayOf(now - daysAgo * DAY_MS),
    gaugeKpa,
    tempC,
  }));

/** Depths of the tire on one wheel over the last season. `now` in ms. */
export const demoTreads = (now: number): Wheel['treads'] =>
  (
    [
      [300, 0, 7.4],
      [220, 3100, 5.6],
      [130, 5900, 4.1],
      [12, 7700, 3],
    ] as const
  ).map(([daysAgo, km, depthMm]) => ({ onDate: dayOf(now - daysAgo * DAY_MS), km, depthMm }));
