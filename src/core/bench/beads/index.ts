/** Beads: whether one can pass the flange, where the levers go, and which way up the tire goes on. */
export {
  LIGHT_MARK_TO,
  lightMarkPlace,
  lightMarkSays,
  type LightMarkPlace,
  type LightMarkTo,
} from './light-mark';
export type { RimProfile } from './bead-geometry';
export { beadPath, type BeadPath } from './bead-path';
export { biteInputBy } from './bite-input';
export { rimProfile, type RimPart, type RimProfileFound } from './rim-profile';
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
export { farSideOf, type Arc, type FarSide } from './far-side';
export { EFFORTS, leverEffort, type Effort, type LeverEffort } from './lever-effort';
export { mountOrientation, type MountOrientation } from './mount-orientation';
