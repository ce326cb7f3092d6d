/** Machines and wheels: what is known of them, and the drawing that shows a wheel. */
export {
  onFourWheels,
  wheelEnd,
  BUILDS,
  BUILD_WORDS,
  MACHINE_KINDS,
  KIND_WORDS,
  POSITIONS,
  POSITION_WORDS,
  DRIVES,
  DISC_SIDES,
  LACINGS,
  LACING_WORDS,
  CAST_SHAPES,
  CAST_WORDS,
  SIDES,
  CALIPERS,
  RENEWS,
  type Build,
  type Caliper,
  type CastShape,
  type Lacing,
  type Drive,
  type Fastener,
  type Kept,
  type Machine,
  type MachineKind,
  type Position,
  type Renews,
  type Rollout,
  type Runout,
  type Wheel,
} from './wheel';
export { rimCode, readRimCode, tryRimCode, type Contour, type RimCode } from './rim-code';
export { lockPlaces } from './rim-locks';
export {
  BOLT_NAMES,
  GRADE_NAMES,
  PAIRS,
  type BoltName,
  type GradeName,
  type PairKind,
} from './clamped';
export { checkLockPlaces, LOCK_PLACES } from './lock-places';
export { KEEP_CLEAR_DEG, keepClearDegs, spokeDegs, takesCrimpOn, weightPlaces } from './spokes';
