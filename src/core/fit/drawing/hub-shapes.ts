import type { DrawnDrive, DrawnWheel, WheelRadii } from './drawn-wheel';
import { viewedSide } from './drawn-wheel';
import { boltCircle } from './spoke-shapes';
import { annulus, circle, hole, path, ray, spot, type DrawnShape } from './shapes';

/** Share of a brake disc's radius that the pads do not reach. Basis: memory. */
const DISC_INNER = 0.68;
const CARRIER_ARMS = 6;

/** A brake disc and its carrier. */
const disc = (discMm: number, { scale, rimIn, hub }: WheelRadii): DrawnShape[] => {
  const outer = Math.min((discMm / 2) * scale, rimIn - 6);
  const inner = Math.max(outer * DISC_INNER, hub + 2);
  return [
    path('disc', annulus(outer, inner)),
    circle('edge', outer, false),
    circle('edge', inner, false),
    ...Array.from({ length: CARRIER_ARMS }, (_, i) =>
      ray('disc', (i + 0.5) * (360 / CARRIER_ARMS), inner + 1, hub, undefined, 6),
    ),
  ];
};

/** The pitch of the usual drive chains: five eighths of an inch. Basis: common practice. */
const CHAIN_PITCH_MM = 15.875;

/** A sprocket by its teeth, at the pitch diameter p / sin(180°/n) (chain geometry). */
const sprocket = (teeth: number, { scale, rimIn, hub }: WheelRadii): DrawnShape[] => {
  const pitchR = (CHAIN_PITCH_MM / Math.sin(Math.PI / teeth) / 2) * scale;
  const outer = Math.min(pitchR + 4 * scale, rimIn - 6);
  const root = outer - 8 * scale;
  const inner = Math.max(root - 16 * scale, hub + 2);
  const pitch = 360 / teeth;
  const tips = Array.from({ length: teeth }, (_, i) => {
    const deg = i * pitch;
    return `${spot(deg - pitch * 0.38, root)}L${spot(deg - pitch * 0.1, outer)}L${spot(deg + pitch * 0.1, outer)}L${spot(deg + pitch * 0.38, root)}`;
  });
  return [
    path('drive', `M${tips.join('L')}Z${hole(inner)}`),
    circle('edge', inner, false),
    ...Array.from({ length: CARRIER_ARMS }, (_, i) =>
      ray('drive', i * (360 / CARRIER_ARMS), inner + 1, hub, undefined, 7),
    ),
  ];
};

/** Sizes at which a pulley and the spline of a shaft are drawn, since no record holds them. */
const PULLEY_MM = 200;
const SPLINE_MM = 58;
const SPLINES = 16;

const pulley = ({ scale, rimIn, hub }: WheelRadii): DrawnShape[] => {
  const outer = Math.min((PULLEY_MM / 2) * scale, rimIn - 6);
  const inner = Math.max(outer - 16 * scale, hub + 2);
  return [
    path('drive', annulus(outer, inner)),
    circle('edge', outer, false),
    circle('edge', inner, false),
  ];
};

const spline = ({ scale, hub }: WheelRadii): DrawnShape[] => {
  const r = Math.min((SPLINE_MM / 2) * scale, hub * 0.9);
  return Array.from({ length: SPLINES }, (_, i) =>
    ray('edge', (i * 360) / SPLINES, r * 0.8, r, undefined, 3),
  );
};

/** The drive as it is seen on its own side; nothing for a scooter's hub. */
const driveShapes = ({ drive, sprocketRear }: DrawnDrive, radii: WheelRadii): DrawnShape[] => {
  switch (drive) {
    case 'chain':
      return sprocketRear === null ? [] : sprocket(sprocketRear, radii);
    case 'belt':
      return pulley(radii);
    case 'shaft':
      return spline(radii);
    case 'hub':
      return [];
  }
};

/** Slots of a sensor ring, and its width. Basis: memory. */
const SENSOR_SLOTS = 40;
const SENSOR_RING_MM = 13;

/** The slotted ring that a wheel-speed sensor reads. */
const sensorRing = ({ scale, hub }: WheelRadii): DrawnShape[] => {
  const inner = hub + 2;
  const outer = inner + SENSOR_RING_MM * scale;
  return [
    path('plate', annulus(outer, inner)),
    ...Array.from({ length: SENSOR_SLOTS }, (_, i) =>
      ray('edge', (i * 360) / SENSOR_SLOTS, inner + 3, outer - 3),
    ),
    circle('edge', outer, false),
  ];
};

/** Disc, drive, hub and mounting holes, apart by what lies behind the spokes and what before. */
export const hubShapes = (
  wheel: DrawnWheel,
  drive: DrawnDrive | undefined,
  radii: WheelRadii,
  sideUp: 'disc' | 'other',
): { behind: DrawnShape[]; before: DrawnShape[] } => {
  const side = viewedSide(wheel, sideUp);
  const behind: DrawnShape[] = [];
  const before: DrawnShape[] = [];
  const { discMm, discSide, drivenSide } = wheel;
  if (drive && drivenSide)
    (drivenSide === side ? before : behind).push(...driveShapes(drive, radii));
  if (discMm && discSide && discSide !== 'none') {
    const shapes = disc(discMm, radii);
    if (discSide === 'both' || discSide === side) before.push(...shapes);
    else behind.push(...shapes);
  }
  if (wheel.sensorSide) (wheel.sensorSide === side ? before : behind).push(...sensorRing(radii));
  const { hub, axle, scale } = radii;
  before.push(circle('hub', hub), circle('edge', hub, false));
  if (wheel.holes && wheel.circleMm)
    before.push(...boltCircle(wheel.holes, (wheel.circleMm / 2) * scale, 4));
  before.push(circle('open', axle), circle('edge', axle, false));
  return { behind, before };
};
