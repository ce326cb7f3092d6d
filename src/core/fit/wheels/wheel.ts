import type { Tread } from '../tires';
import type { BoltName, GradeName, PairKind } from './clamped';

/** The kinds of machines in the shop. */
export const MACHINE_KINDS = [
  'dirt',
  'trials',
  'adventure',
  'road',
  'scooter',
  'cruiser',
  'sidecar',
  'quad',
  'side-by-side',
  'drag',
] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

export const KIND_WORDS: Record<MachineKind, string> = {
  dirt: 'dirt bike',
  trials: 'trials',
  adventure: 'adventure',
  road: 'road',
  scooter: 'scooter',
  cruiser: 'cruiser',
  sidecar: 'sidecar rig',
  quad: 'quad',
  'side-by-side': 'side-by-side',
  drag: 'drag car',
};

export const DRIVES = ['chain', 'shaft', 'belt', 'hub'] as const;
export type Drive = (typeof DRIVES)[number];

export const POSITIONS = [
  'front',
  'rear',
  'sidecar',
  'left-front',
  'right-front',
  'left-rear',
  'right-rear',
] as const;
export type Position = (typeof POSITIONS)[number];

export const POSITION_WORDS: Record<Position, string> = {
  front: 'Front wheel',
  rear: 'Rear wheel',
  sidecar: 'Sidecar wheel',
  'left-front': 'Left front wheel',
  'right-front': 'Right front wheel',
  'left-rear': 'Left rear wheel',
  'right-rear': 'Right rear wheel',
};

/** The build of the rim; it decides the tube, the weights and the hazards. */
export const BUILDS = ['spoked', 'cast', 'split', 'beadlock'] as const;
export type Build = (typeof BUILDS)[number];

export const BUILD_WORDS: Record<Build, string> = {
  spoked: 'spoked',
  cast: 'cast',
  split: 'split rim',
  beadlock: 'beadlock',
};

export const DISC_SIDES = ['left', 'right', 'both', 'none'] as const;

/** Lacings of wire spokes: how many others of its flange a spoke crosses. */
export const LACINGS = ['radial', '1x', '2x', '3x', '4x'] as const;
export type Lacing = (typeof LACINGS)[number];
export const LACING_WORDS: Record<Lacing, string> = {
  radial: 'radial',
  '1x': 'one cross',
  '2x': 'two cross',
  '3x': 'three cross',
  '4x': 'four cross',
};

/** Shapes of what joins hub and rim where there are no wire spokes. */
export const CAST_SHAPES = ['single', 'double', 'fork', 'plate'] as const;
export type CastShape = (typeof CAST_SHAPES)[number];
export const CAST_WORDS: Record<CastShape, string> = {
  single: 'single spokes',
  double: 'double spokes',
  fork: 'forked spokes',
  plate: 'plate with openings',
};

/** The sides of a machine, as its rider sits on it. */
export const SIDES = ['left', 'right'] as const;

/** The direction of the caliper's bolts: along the axle, or along the wheel from behind. */
export const CALIPERS = ['axial', 'radial'] as const;
export type Caliper = (typeof CALIPERS)[number];

/** The parts of a fastener that are used only once. */
export const RENEWS = ['nothing', 'split pin', 'nut', 'bolt'] as const;
export type Renews = (typeof RENEWS)[number];

/**
 * A fastener with the manual's torque; `torqueNm` null where it is only snug. `socket` as the
 * fitter calls it, `27 mm`; `renews` what is new each time, where the manual says so.
 */
export interface Fastener {
  name: string;
  wheel: 'front' | 'rear' | 'any';
  torqueNm: number | null;
  socket: string | null;
  renews: Renews;
}

/**
 * A record of the shop. `version` counts its changes, so that no one overwrites what he has not
 * seen.
 */
export interface Kept {
  id: string;
  archived: boolean;
  version: number;
}

/**
 * A machine as the shop keeps it. Placard pressures are cold, in kPa; masses are ready to ride,
 * without a rider.
 */
export interface Machine extends Kept {
  name: string;
  kind: MachineKind;
  rider: string;
  /** Only a wheel of it came in, over the counter: nothing is taken off it or put back. */
  loose: boolean;
  drive: Drive;
  placardFrontKpa: number | null;
  placardRearKpa: number | null;
  minLoadIndexFront: number | null;
  minLoadIndexRear: number | null;
  minSpeedSymbol: string | null;
  emptyFrontKg: number | null;
  emptyRearKg: number | null;
  sprocketFront: number | null;
  sprocketRear: number | null;
  wheelSensors: boolean;
  fasteners: Fastener[];
  /**
   * The manual's recalibration after a tire change: the speed to hold, how far, and what the lamp
   * says then. All empty if it asks nothing.
   */
  teachKmh: number | null;
  teachM: number | null;
  teachLamp: string;
  /**
   * Chain or belt as its manual says: slack, the run between the sprockets, thread and distance of
   * the adjusters.
   */
  slackMinMm: number | null;
  slackMaxMm: number | null;
  chainRunMm: number | null;
  adjusterPitchMm: number | null;
  adjusterSpanMm: number | null;
  /** By its manual: gap of a wheel-speed sensor, runout of a brake disc. */
  sensorMinMm: number | null;
  sensorMaxMm: number | null;
  discLimitMm: number | null;
  note: string;
}

/** Runout once measured, total indicated. */
export interface Runout {
  onDate: string;
  lateralMm: number;
  radialMm: number;
}

/** A depth of tread once measured, and the distance run by then. */
interface TreadDepth {
  onDate: string;
  km: number;
  depthMm: number;
}

/** A tape round the middle of the tread, after so many runs. */
export interface Rollout {
  onDate: string;
  run: number;
  circumferenceMm: number;
  gaugeKpa: number;
}

/** A pressure of the standing tire, cold, with the tire's temperature. */
interface StandingPressure {
  onDate: string;
  gaugeKpa: number;
  tempC: number;
}

/**
 * A wheel as the shop keeps it. Angles in degrees clockwise from the valve, seen from the disc
 * side.
 */
export interface Wheel extends Kept {
  machineId: string;
  position: Position;
  build: Build;
  rimCode: string;
  /** The tire on it when last seen. */
  tireMarking: string;
  tireTread: Tread;
  tube: boolean;
  /** The rim is marked for tubeless tires. */
  tubelessMarked: boolean;
  /** Spokes, or the halves of a split rim, are sealed by design. */
  sealed: boolean;
  valveHoleMm: number | null;
  rimLockDegs: number[];
  lockHoleMm: number | null;
  /** Spokes, or the openings of a plate; zero if no one has counted them. */
  spokes: number;
  /** Null for these if no one has looked. */
  lacing: Lacing | null;
  castShape: CastShape | null;
  discSide: (typeof DISC_SIDES)[number];
  discMm: number | null;
  /** The side of chain, belt or shaft. */
  drivenSide: (typeof SIDES)[number] | null;
  /** The side of the ring of a wheel-speed sensor. */
  sensorSide: (typeof SIDES)[number] | null;
  caliper: Caliper;
  /** Rim strips it runs with; null where the shop's rule decides. */
  strips: number | null;
  /**
   * The rim's shape, for the bead's path: over the flange, in the well, and from the well to the
   * far flange along the axle.
   */
  flangeMm: number | null;
  wellMm: number | null;
  wellToFlangeMm: number | null;
  rimLimitKpa: number | null;
  /** The place at which the bare wheel settles. */
  heavySpotDeg: number | null;
  runouts: Runout[];
  /** Of the tire on it now. */
  treads: TreadDepth[];
  /** Of the tire on it now, standing. */
  pressures: StandingPressure[];
  /** Beadlock: ring to wheel with the ring seated. */
  ringGapMm: number | null;
  /** Beadlock: rings, and the bolts of each; torque by the ring's maker. */
  rings: number | null;
  ringBolts: number | null;
  ringBoltSize: BoltName | null;
  ringBoltGrade: GradeName | null;
  ringTorqueNm: number | null;
  /** Diameter at the bead step. */
  stepMm: number | null;
  /** Width inside the rings and over all, and from the ring to the mounting face. */
  innerWidthMm: number | null;
  overallWidthMm: number | null;
  backspaceMm: number | null;
  /** Mounting holes and their circle. */
  holes: number | null;
  circleMm: number | null;
  /** Split rim: bolts that hold its halves, and their torque. */
  rimBolts: number | null;
  rimBoltTorqueNm: number | null;
  /** The pair it makes with another wheel of the machine; null for one alone. */
  pair: PairKind | null;
  /** Of the tire on it now, by tape. */
  rollouts: Rollout[];
  note: string;
}

/** Machines that stand on four wheels, held by nuts or bolts of their own. */
export const onFourWheels = (kind: MachineKind): boolean =>
  kind === 'quad' || kind === 'side-by-side' || kind === 'drag';

/** The end of the machine that the wheel is at. */
export const wheelEnd = (position: Position): 'front' | 'rear' =>
  position.includes('front') ? 'front' : 'rear';
