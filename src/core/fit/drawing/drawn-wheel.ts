import { tryReadTire, type TireSize, type Tread } from '../tires';
import { tryRimCode, type Drive, type Wheel } from '../wheels';

/** The facts of a wheel that its drawing needs; what is left out is drawn plain. */
export type DrawnWheel = Pick<Wheel, 'build' | 'spokes'> &
  Partial<
    Pick<
      Wheel,
      | 'rimCode'
      | 'tireMarking'
      | 'tireTread'
      | 'lacing'
      | 'castShape'
      | 'discSide'
      | 'discMm'
      | 'drivenSide'
      | 'sensorSide'
      | 'tube'
      | 'valveHoleMm'
      | 'flangeMm'
      | 'wellMm'
      | 'ringBolts'
      | 'rimBolts'
      | 'holes'
      | 'circleMm'
    >
  >;

/** What the drawing needs of the machine. */
export interface DrawnDrive {
  drive: Drive;
  sprocketRear: number | null;
}

/** Radii of a drawn wheel, in units of the field. */
export interface WheelRadii {
  /** Top of the tread, and its bottom. */
  tread: number;
  shoulder: number;
  /** Edge of the rim's flange, which the sidewall comes to. */
  rimOut: number;
  /** Inner edge of the rim, where spokes begin. */
  rimIn: number;
  hub: number;
  axle: number;
  /** Units to a millimeter. */
  scale: number;
}

/**
 * Height of the tread blocks in millimeters, as they stand out in a side view; zero if the outline
 * is smooth. Basis: memory.
 */
export const BLOCK_MM: Record<Tread, number> = {
  soft: 18,
  hard: 14,
  trials: 9,
  half: 9,
  touring: 0,
  road: 0,
  sport: 0,
  slick: 0,
  'four-wheel': 20,
  other: 0,
};

/** Height of a flange over the bead seat, and depth of the rim below it. Basis: memory. */
const FLANGE_MM = 14;
const RIM_DEPTH_MM = 15;
/** A wheel of which no size is known is drawn as a middle one. Basis: memory. */
const PLAIN_RIM_MM = 450;
const PLAIN_SECTION_MM = 100;

/** Half the field that the largest wheels take. */
const FULL_R = 248;
/**
 * Overall diameters between these are drawn to one scale; a smaller or larger wheel is drawn as
 * large as the nearest of them, so that its marks stay legible.
 */
const TO_SCALE_MM = [520, 700] as const;
/** A bare rim is drawn larger, up to this radius. */
const BARE_R = 215;
const BARE_SCALE = 1.3;

/** The size of a marking; null if it cannot be read. */
const sizeOf = (marking: string | undefined): TireSize | null =>
  marking ? tryReadTire(marking) : null;

/** Diameter at the bead seat: by the tire, by the rim's code, or a middle one. */
const seatMmOf = (wheel: DrawnWheel, size: TireSize | null): number =>
  size?.rimDiameterMm ?? tryRimCode(wheel.rimCode ?? '')?.rimDiameterMm ?? PLAIN_RIM_MM;

/** The largest hub that leaves spokes to be seen, as a share of the rim's inner radius. */
const MAX_HUB_SHARE = 0.5;
const HUB_MM = { spoked: 38, cast: 44, split: 50, beadlock: 62 } as const;
const AXLE_MM = { spoked: 11, cast: 12, split: 14, beadlock: 32 } as const;
/** Metal outside the circle of the mounting holes. */
const AROUND_HOLES_MM = 16;

/**
 * Radii of a wheel to scale, from its tire's marking, its rim's code and what was measured; a bare
 * rim is drawn larger than the same rim in a tire.
 */
export const wheelRadii = (wheel: DrawnWheel, tireOn: boolean): WheelRadii => {
  const size = sizeOf(wheel.tireMarking);
  const seatMm = seatMmOf(wheel, size);
  const overallMm = size?.overallDiameterMm ?? seatMm + 2 * PLAIN_SECTION_MM;
  const flangeMm = Math.max(wheel.flangeMm ?? 0, seatMm) / 2 + (wheel.flangeMm ? 0 : FLANGE_MM);
  const innerMm = Math.min(
    wheel.wellMm ? wheel.wellMm / 2 - 3 : Infinity,
    seatMm / 2 - RIM_DEPTH_MM,
  );
  const shownMm = Math.min(TO_SCALE_MM[1], Math.max(TO_SCALE_MM[0], overallMm));
  const tread = FULL_R * (shownMm / TO_SCALE_MM[1]);
  const inTire = tread / (overallMm / 2);
  const scale = tireOn ? inTire : Math.min(inTire * BARE_SCALE, BARE_R / flangeMm);
  const rimIn = innerMm * scale;
  const hubMm = wheel.circleMm ? wheel.circleMm / 2 + AROUND_HOLES_MM : HUB_MM[wheel.build];
  const hub = Math.min(hubMm * scale, rimIn * MAX_HUB_SHARE);
  return {
    tread: (overallMm / 2) * scale,
    shoulder: (overallMm / 2 - BLOCK_MM[wheel.tireTread ?? 'other']) * scale,
    rimOut: flangeMm * scale,
    rimIn,
    hub,
    axle: Math.min(AXLE_MM[wheel.build] * scale, hub * 0.6),
    scale,
  };
};

/** The side of the machine that is looked at, with the disc side up or the other. */
export const viewedSide = (
  wheel: Pick<DrawnWheel, 'discSide'>,
  sideUp: 'disc' | 'other',
): 'left' | 'right' => ((wheel.discSide === 'left') === (sideUp === 'disc') ? 'left' : 'right');
