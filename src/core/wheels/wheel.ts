/** What kind of machine stands in the shop. */
export const MACHINE_KINDS = ['dirt', 'adventure', 'road', 'scooter', 'cruiser', 'quad', 'side-by-side'] as const;
export type MachineKind = (typeof MACHINE_KINDS)[number];

export const KIND_WORDS: Record<MachineKind, string> = {
  dirt: 'dirt bike', adventure: 'adventure', road: 'road', scooter: 'scooter', cruiser: 'cruiser',
  quad: 'quad', 'side-by-side': 'side-by-side',
};

export const DRIVES = ['chain', 'shaft', 'belt', 'hub'] as const;
export type Drive = (typeof DRIVES)[number];

export const POSITIONS = ['front', 'rear', 'left-front', 'right-front', 'left-rear', 'right-rear'] as const;
export type Position = (typeof POSITIONS)[number];

export const POSITION_WORDS: Record<Position, string> = {
  front: 'Front wheel', rear: 'Rear wheel', 'left-front': 'Left front wheel', 'right-front': 'Right front wheel',
  'left-rear': 'Left rear wheel', 'right-rear': 'Right rear wheel',
};

/** How the rim is made; it decides the tube, the weights and the hazards. */
export const BUILDS = ['spoked', 'cast', 'split', 'beadlock'] as const;
export type Build = (typeof BUILDS)[number];

export const BUILD_WORDS: Record<Build, string> = {
  spoked: 'spoked', cast: 'cast', split: 'split rim', beadlock: 'beadlock',
};

export const DISC_SIDES = ['left', 'right', 'both', 'none'] as const;

/** A fastener with the manual's torque; `snug` where no figure exists. */
export interface Fastener {
  name: string;
  wheel: 'front' | 'rear' | 'any';
  torqueNm: number | null;
}

/** A machine as the shop keeps it. Placard pressures are cold, in kPa. */
export interface Machine {
  id: string;
  name: string;
  kind: MachineKind;
  rider: string;
  drive: Drive;
  placardFrontKpa: number | null;
  placardRearKpa: number | null;
  fasteners: Fastener[];
}

/** A wheel as the shop keeps it. Angles in degrees clockwise from the valve, seen from the disc side. */
export interface Wheel {
  id: string;
  machineId: string;
  position: Position;
  build: Build;
  rimCode: string;
  /** The tire on it when last seen. */
  tireMarking: string;
  tube: boolean;
  rimLockDegs: number[];
  spokes: number;
  discSide: (typeof DISC_SIDES)[number];
  rimLimitKpa: number | null;
}

/** The end of the machine that the wheel is at. */
export const wheelEnd = (position: Position): 'front' | 'rear' => (position.includes('front') ? 'front' : 'rear');
