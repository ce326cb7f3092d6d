/**
 * Beads: whether one can pass the flange, where the levers go, and which way up the tire goes on.
 */
export { LIGHT_MARK_TO, lightMarkPlace, lightMarkSays, type LightMarkTo } from './light-mark';
export type { RimProfile } from './bead-geometry';
export { beadPath, type BeadPath } from './bead-path';
export { beadPathDrawing, type BeadPathView } from './bead-path-drawing';
export { biteInputBy } from './bite-input';
export { rimProfile } from './rim-profile';
export { fillWhile, wellFillMm, type WellFill } from './well-fill';
export {
  bitePlan,
  planBites,
  biteLengths,
  BITE_SCHOOLS,
  RIM_PROFILE,
  SCHOOL_WHY,
  type Bite,
  type BiteInput,
  type BitePlan,
  type BiteSchool,
} from './bite-plan';
export { farSideOf, type Arc } from './far-side';
export { leverEffort, type Effort } from './lever-effort';
export { mountOrientation, type MountOrientation } from './mount-orientation';
