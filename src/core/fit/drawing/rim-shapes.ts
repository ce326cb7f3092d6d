import type { DrawnWheel, WheelRadii } from './drawn-wheel';
import { circle, type DrawnShape } from './shapes';
import { boltCircle } from './spoke-shapes';

/** The rim between flange and well, with the ring that clamps a bead. */
export const rimShapes = (wheel: DrawnWheel, { rimOut, rimIn }: WheelRadii): DrawnShape[] => {
  const lip = rimOut - (rimOut - rimIn) * 0.22;
  const isRing = wheel.build === 'beadlock';
  return [
    circle(isRing ? 'ring' : 'rim', rimOut),
    circle('edge', rimOut, false),
    circle('edge', lip, false),
    circle('open', rimIn),
    circle('edge', rimIn, false),
  ];
};

const BOLT = 3.6;

/** The bolts of a ring or of a split rim, if they are counted. */
export const rimBoltShapes = (
  wheel: DrawnWheel,
  { rimOut, rimIn, hub }: WheelRadii,
): DrawnShape[] => {
  if (wheel.build === 'beadlock' && wheel.ringBolts)
    return boltCircle(wheel.ringBolts, (rimIn + rimOut) / 2, BOLT);
  if (wheel.build === 'split' && wheel.rimBolts)
    return boltCircle(wheel.rimBolts, hub + (rimIn - hub) * 0.3, BOLT + 1);
  return [];
};
