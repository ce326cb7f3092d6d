/** Truing: runout round a rim and the ring of its spokes. */
export { firstHarmonic, type FirstHarmonic, type RingReading } from './first-harmonic';
export {
  checkRound,
  checkStretch,
  runout,
  READINGS_FIELD,
  type RunoutPart,
  type RunoutReading,
  type RunoutResult,
  type SpokeTurn,
} from './runout';
export {
  spokeRing,
  SPOKES_FIELD,
  groupOf,
  stringTensionN,
  type LooseSpoke,
  type RungSpoke,
  type SpokeRing,
} from './spoke-ring';
