/**
 * Clamped and paired wheels: bolt circle, offset, crush, clamp, the ring's order and gap, rollout,
 * split rims.
 */
export { BOLTS, GRADES } from './bolts';
export {
  beadCrush,
  BEAD_SIDES,
  type BeadCrush,
  type BeadMeasured,
  type BeadSide,
} from './bead-crush';
export { crossSection, SECTION_FIELD, sectionLength } from './cross-section';
export { boltCircle } from './bolt-circle';
export { clampForce, type ClampForce } from './clamp-force';
export { ringGap, GAP_TIMES, type GapReading, type GapTime, type RingGap } from './ring-gap';
export {
  ringMoves,
  ringOrder,
  RING_SCHOOLS,
  RING_STAGES,
  type RingMove,
  type RingSchool,
} from './ring-order';
export { rollout, stretchOf, type Rollout, type TapeReading } from './rollout';
export { rolloutMatch, type RolloutMatch } from './rollout-match';
export { splitRim, type SplitRim } from './split-rim';
export { wheelOffset } from './wheel-offset';
