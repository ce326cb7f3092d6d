import { dateCodeOn } from '../core/tires';
import { FT_LBF_IN_NM, PSI_IN_KPA } from '../core/units';
import type { TireStock, TubeItem, WeightItem, WrenchItem } from '../core/shop';
import type { Fastener, Machine, Wheel } from '../core/wheels';

/** An invented shop in an invented valley. None of its figures is evidence of anything. */
export const DEMO_NAME = 'Kettle Spring Wheelworks, Hollin Reach';
export const DEMO_PEOPLE = ['Juna Birk', 'Osk Tarrow', 'Wil Penhallow'];

const psi = (v: number) => Math.round(v * PSI_IN_KPA * 10) / 10;
const lbfFt = (v: number) => Math.round(v * FT_LBF_IN_NM * 10) / 10;

const motorcycle = (axleFront: number, axleRear: number, caliper: number): Fastener[] => [
  { name: 'front axle', wheel: 'front', torqueNm: axleFront },
  { name: 'axle pinch bolts', wheel: 'front', torqueNm: lbfFt(16) },
  { name: 'rear axle nut', wheel: 'rear', torqueNm: axleRear },
  { name: 'caliper bolts', wheel: 'any', torqueNm: caliper },
];

export const DEMO_MACHINES: Machine[] = [
  {
    id: 'm-orrin', name: 'Orrindale Scree 450', kind: 'dirt', rider: 'Mara Tolling', drive: 'chain',
    placardFrontKpa: null, placardRearKpa: null,
    fasteners: [...motorcycle(88, lbfFt(80), 25), { name: 'rim lock nut', wheel: 'rear', torqueNm: null }, { name: 'chain adjuster locknuts', wheel: 'rear', torqueNm: lbfFt(16) }],
  },
  {
    id: 'm-kestrow', name: 'Kestrow Longway 890', kind: 'adventure', rider: 'Ive Sandrock', drive: 'chain',
    placardFrontKpa: psi(33), placardRearKpa: psi(36), fasteners: motorcycle(60, 98, 34),
  },
  {
    id: 'm-vellan', name: 'Vellan Strada 700', kind: 'road', rider: 'Petra Oakhollow', drive: 'chain',
    placardFrontKpa: psi(33), placardRearKpa: psi(36), fasteners: motorcycle(65, 110, 40),
  },
  {
    id: 'm-pim', name: 'Pimlet Hop 200', kind: 'scooter', rider: 'Joss Wendle', drive: 'hub',
    placardFrontKpa: psi(26), placardRearKpa: psi(30),
    fasteners: [
      { name: 'front hub nuts', wheel: 'front', torqueNm: 22 },
      { name: 'rear hub nut', wheel: 'rear', torqueNm: 118 },
    ],
  },
  {
    id: 'm-alder', name: 'Alderholm Drover 1300', kind: 'cruiser', rider: 'Sten Maddock', drive: 'shaft',
    placardFrontKpa: psi(33), placardRearKpa: psi(40), fasteners: motorcycle(78, 108, 44),
  },
  {
    id: 'm-dunn', name: 'Dunnock Pair 900', kind: 'side-by-side', rider: 'Hollin Reach Rangers', drive: 'shaft',
    placardFrontKpa: psi(12), placardRearKpa: psi(14),
    fasteners: [{ name: 'wheel nuts', wheel: 'any', torqueNm: lbfFt(60) }],
  },
  {
    id: 'm-skerr', name: 'Skerrin Tarn 400', kind: 'quad', rider: 'Anwen Crake', drive: 'chain',
    placardFrontKpa: psi(5), placardRearKpa: psi(5),
    fasteners: [{ name: 'wheel nuts', wheel: 'any', torqueNm: 55 }],
  },
];

const wheel = (w: Partial<Wheel> & Pick<Wheel, 'id' | 'machineId' | 'position' | 'build' | 'rimCode' | 'tireMarking'>): Wheel => ({
  tube: false, rimLockDegs: [], spokes: 0, discSide: 'right', rimLimitKpa: null, ...w,
});

export const DEMO_WHEELS: Wheel[] = [
  wheel({ id: 'w-orrin-f', machineId: 'm-orrin', position: 'front', build: 'spoked', rimCode: '1.60x21', tireMarking: '80/100-21 51M TT', tube: true, spokes: 36, discSide: 'left', rimLockDegs: [120] }),
  wheel({ id: 'w-orrin-r', machineId: 'm-orrin', position: 'rear', build: 'spoked', rimCode: '2.15x19', tireMarking: '110/90-19 62M TT', tube: true, spokes: 36, rimLockDegs: [210] }),
  wheel({ id: 'w-kestrow-f', machineId: 'm-kestrow', position: 'front', build: 'spoked', rimCode: '2.50x21', tireMarking: '90/90-21 54H', tube: true, spokes: 36, discSide: 'both' }),
  wheel({ id: 'w-kestrow-r', machineId: 'm-kestrow', position: 'rear', build: 'spoked', rimCode: '4.00x18', tireMarking: '150/70R18 70H', tube: true, spokes: 36 }),
  wheel({ id: 'w-vellan-f', machineId: 'm-vellan', position: 'front', build: 'cast', rimCode: 'MT3.50x17', tireMarking: '120/70ZR17 58W TL', discSide: 'both' }),
  wheel({ id: 'w-vellan-r', machineId: 'm-vellan', position: 'rear', build: 'cast', rimCode: 'MT5.50x17', tireMarking: '180/55ZR17 73W TL' }),
  wheel({ id: 'w-pim-f', machineId: 'm-pim', position: 'front', build: 'cast', rimCode: 'MT2.50x12', tireMarking: '110/70-12 47L TL', discSide: 'left' }),
  wheel({ id: 'w-pim-r', machineId: 'm-pim', position: 'rear', build: 'split', rimCode: '2.10x10', tireMarking: '3.50-10 51J', tube: true, discSide: 'none', rimLimitKpa: psi(40) }),
  wheel({ id: 'w-alder-f', machineId: 'm-alder', position: 'front', build: 'cast', rimCode: 'MT3.00x16', tireMarking: '130/90B16 67H TL', discSide: 'left' }),
  wheel({ id: 'w-alder-r', machineId: 'm-alder', position: 'rear', build: 'cast', rimCode: 'MT3.50x15', tireMarking: '170/80B15 77H TL' }),
  wheel({ id: 'w-dunn-lf', machineId: 'm-dunn', position: 'left-front', build: 'cast', rimCode: '6.0x12', tireMarking: '205/80R12', rimLimitKpa: psi(35) }),
  wheel({ id: 'w-dunn-rr', machineId: 'm-dunn', position: 'right-rear', build: 'beadlock', rimCode: '7.0x12', tireMarking: '255/65R12', rimLimitKpa: psi(30) }),
  wheel({ id: 'w-skerr-lf', machineId: 'm-skerr', position: 'left-front', build: 'cast', rimCode: '5.5x10', tireMarking: '165/70-10', discSide: 'none' }),
];

/** A tire on the demo shelf; its date code follows from the day the shop is filled. */
type DemoTire = Omit<TireStock, 'dateCode'> & { weeksOld: number };

const tire = (id: string, marking: string, pattern: string, weeksOld: number, count: number, more: Partial<TireStock> = {}): DemoTire => ({
  id, marking, pattern, weeksOld, count, seatLimitKpa: psi(40), lightMark: true, ...more,
});

export const DEMO_TIRES: DemoTire[] = [
  tire('t-1', '110/90-19 62M TT', 'knobby, soft ground', 36, 3, { seatLimitKpa: psi(38) }),
  tire('t-2', '100/90-19 57M TT', 'knobby, hard ground', 39, 1),
  tire('t-3', '80/100-21 51M TT', 'knobby, soft ground', 26, 4),
  tire('t-4', '90/90-21 54H', 'half road, half dirt', 54, 2),
  tire('t-5', '150/70R18 70H', 'half road, half dirt', 50, 2),
  tire('t-6', '120/70ZR17 58W TL', 'sport touring', 16, 3, { seatLimitKpa: psi(50) }),
  tire('t-7', '180/55ZR17 73W TL', 'sport touring', 18, 2, { seatLimitKpa: psi(50) }),
  tire('t-8', '190/50ZR17 73W TL', 'sport', 402, 1, { seatLimitKpa: psi(50) }),
  tire('t-9', '110/70-12 47L TL', 'scooter, road', 31, 2),
  tire('t-10', '3.50-10 51J', 'scooter, road', 38, 4, { lightMark: false }),
  tire('t-11', '130/90B16 67H TL', 'cruiser, road', 66, 1),
  tire('t-12', '130/80-16 64H TL', 'cruiser, road', 32, 1),
  tire('t-13', '170/80B15 77H TL', 'cruiser, road', 78, 2),
  tire('t-14', '205/80R12', 'trail, four wheels', 41, 4, { seatLimitKpa: psi(20), lightMark: false }),
  tire('t-15', '255/65R12', 'trail, four wheels', 40, 4, { seatLimitKpa: psi(20), lightMark: false }),
  tire('t-16', '165/70-10', 'quad, loose ground', 34, 2, { seatLimitKpa: psi(30), lightMark: false }),
];

export const DEMO_TUBES: TubeItem[] = [
  { id: 'tube-1', label: '100/90-19, 110/90-19, 120/80-19', count: 6 },
  { id: 'tube-2', label: '2.75/3.00-21', count: 5 },
  { id: 'tube-3', label: '80/100-21, 90/90-21, 90/100-21', count: 4 },
  { id: 'tube-4', label: '130/80-18, 140/80-18, 150/70-18', count: 3 },
  { id: 'tube-5', label: '100/100-18, 110/90-18', count: 2 },
  { id: 'tube-6', label: '3.00/3.50-10', count: 6 },
];

export const DEMO_WEIGHTS: WeightItem[] = [
  { id: 'g-1', massG: 5, kind: 'spoke', count: 40 },
  { id: 'g-2', massG: 10, kind: 'spoke', count: 36 },
  { id: 'g-3', massG: 20, kind: 'spoke', count: 18 },
  { id: 'g-4', massG: 30, kind: 'spoke', count: 8 },
  { id: 'g-5', massG: 5, kind: 'adhesive', count: 96 },
  { id: 'g-6', massG: 7, kind: 'adhesive', count: 48 },
  { id: 'g-7', massG: 10, kind: 'adhesive', count: 60 },
];

export const DEMO_WRENCHES: WrenchItem[] = [
  { id: 'wr-1', name: 'long click wrench', minNm: lbfFt(20), maxNm: lbfFt(150), leverMm: 480 },
  { id: 'wr-2', name: 'small beam wrench', minNm: 2, maxNm: 12, leverMm: 240 },
];

const WEEK_MS = 7 * 86_400_000;

/** The shelf as it stands on a day. `now` in ms. */
export const demoTires = (now: number): TireStock[] =>
  DEMO_TIRES.map(({ weeksOld, ...t }) => ({ ...t, dateCode: dateCodeOn(new Date(now - weeksOld * WEEK_MS)) }));
