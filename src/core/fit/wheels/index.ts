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
  CALIPERS,
  RENEWS,
  type Build,
  type Caliper,
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
export {
  wheelDial,
  type DialMark,
  type DialShape,
  type DialRole,
  type DialView,
} from './wheel-dial';
export { coordinate, line } from './shapes';
export { lockMarks, lockPlaces } from './rim-locks';
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
