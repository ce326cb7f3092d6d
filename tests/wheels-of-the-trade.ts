import type { ProcedureInput } from '../src/core/job/procedure';

type Parts = {
  machine?: Partial<ProcedureInput['machine']>;
  wheel?: Partial<ProcedureInput['wheel']>;
  tire?: Partial<ProcedureInput['tire']>;
} & Partial<Omit<ProcedureInput, 'machine' | 'wheel' | 'tire'>>;

/** A procedure's input: a dirt rear wheel with a tube and one lock, but for what is said. */
export const procedureInput = ({ machine, wheel, tire, ...more }: Parts = {}): ProcedureInput => ({
  machine: { kind: 'dirt', drive: 'chain', wheelSensors: false, ...machine },
  wheel: {
    end: 'rear',
    build: 'spoked',
    discSide: 'right',
    caliper: 'axial',
    tubeWas: true,
    sealed: false,
    strips: 1,
    rimDiameterMm: 457,
    heavySpotDeg: null,
    ...wheel,
  },
  tire: { lightMark: true, arrows: true, ...tire },
  tube: 'one',
  locks: [210],
  tools: [],
  rules: {},
  ...more,
});

const cast = { build: 'cast', tubeWas: false, rimDiameterMm: 436 } as const;

/** Wheels that a shop sees, of every kind. */
export const WHEELS_OF_THE_TRADE: readonly (readonly [string, ProcedureInput])[] = [
  ['dirt rear, one lock', procedureInput()],
  [
    'dirt front, two locks',
    procedureInput({
      wheel: { end: 'front', discSide: 'left', rimDiameterMm: 535 },
      locks: [110, 250],
    }),
  ],
  [
    'trials rear, double-tubed',
    procedureInput({ machine: { kind: 'trials' }, tube: 'doubled', locks: [180] }),
  ],
  [
    'adventure front, spoked with a tube',
    procedureInput({
      machine: { kind: 'adventure', wheelSensors: true },
      wheel: { end: 'front', discSide: 'both', caliper: 'radial', rimDiameterMm: 535 },
      locks: [],
    }),
  ],
  [
    'adventure rear, spoked with a tube',
    procedureInput({ machine: { kind: 'adventure', wheelSensors: true }, locks: [] }),
  ],
  [
    'road rear, cast, chain',
    procedureInput({
      machine: { kind: 'road', wheelSensors: true },
      wheel: cast,
      tube: 'none',
      locks: [],
    }),
  ],
  [
    'cruiser rear, cast, shaft',
    procedureInput({
      machine: { kind: 'cruiser', drive: 'shaft' },
      wheel: cast,
      tube: 'none',
      locks: [],
    }),
  ],
  [
    'scooter rear, hub, drum',
    procedureInput({
      machine: { kind: 'scooter', drive: 'hub' },
      wheel: { ...cast, discSide: 'none', rimDiameterMm: 305 },
      tube: 'none',
      locks: [],
    }),
  ],
  [
    'scooter rear, split rim',
    procedureInput({
      machine: { kind: 'scooter', drive: 'hub' },
      wheel: { build: 'split', discSide: 'none', rimDiameterMm: 254 },
      locks: [],
    }),
  ],
  [
    'sidecar wheel, doubled strip',
    procedureInput({
      machine: { kind: 'sidecar', drive: 'shaft' },
      wheel: { strips: 2, discSide: 'none', rimDiameterMm: 482 },
      locks: [],
    }),
  ],
  [
    'quad front, cast',
    procedureInput({
      machine: { kind: 'quad' },
      wheel: { ...cast, end: 'front', rimDiameterMm: 305 },
      tube: 'none',
      locks: [],
      tire: { lightMark: false },
    }),
  ],
  [
    'side-by-side rear, beadlock',
    procedureInput({
      machine: { kind: 'side-by-side', drive: 'shaft' },
      wheel: { build: 'beadlock', tubeWas: false, rimDiameterMm: 356 },
      tube: 'none',
      locks: [],
      tire: { lightMark: false },
    }),
  ],
  [
    'quad rear on safety humps',
    procedureInput({
      machine: { kind: 'quad' },
      wheel: { ...cast, hump: true, discSide: 'none', rimDiameterMm: 228 },
      tube: 'none',
      locks: [],
      tire: { lightMark: false },
    }),
  ],
  [
    'sidecar rig, front wheel',
    procedureInput({
      machine: { kind: 'sidecar', drive: 'shaft' },
      wheel: { end: 'front', strips: 2, discSide: 'left', rimDiameterMm: 482 },
      locks: [],
    }),
  ],
  [
    'sidecar rig, rear wheel',
    procedureInput({
      machine: { kind: 'sidecar', drive: 'shaft' },
      wheel: { strips: 2, discSide: 'right', rimDiameterMm: 482 },
      locks: [],
    }),
  ],
  [
    'drag rear, two rings',
    procedureInput({
      machine: { kind: 'drag', drive: 'shaft' },
      wheel: { build: 'beadlock', rings: 2, tubeWas: false, discSide: 'none', rimDiameterMm: 381 },
      tube: 'none',
      locks: [],
      tire: { lightMark: false, arrows: false },
    }),
  ],
  [
    'drag rear, beadlock',
    procedureInput({
      machine: { kind: 'drag', drive: 'shaft' },
      wheel: { build: 'beadlock', tubeWas: false, discSide: 'none', rimDiameterMm: 381 },
      tube: 'none',
      locks: [],
      tire: { lightMark: false, arrows: false },
    }),
  ],
];
