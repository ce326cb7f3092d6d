/** Truing: runout round a rim and the ring of its spokes. */
export { eighthsText } from './eighths-text';
export { firstHarmonic, type FirstHarmonic, type RingReading } from './first-harmonic';
export {
  checkRound,
  checkStretch,
  runout,
  READINGS_FIELD,
  type RunoutPart,
  type RunoutReading,
  type RunoutResult,
} from './runout';
export {
  spokeRing,
  SPOKES_FIELD,
  groupOf,
  type LooseSpoke,
  type RungSpoke,
  type SpokeRing,
} from './spoke-ring';
export {
  FIRST_TO,
  FIRST_TO_FIELD,
  trueAdvise,
  TURNED_FIELD,
  type FirstTo,
  type SpokeTurn,
  type TrueAdvice,
  type Turned,
} from './true-advise';
export { sideOfSpoke, wheelModel, type WheelFeel, type WheelModel } from './wheel-model';
