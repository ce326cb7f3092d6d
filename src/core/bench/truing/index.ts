/** Truing: runout round a rim and the ring of its spokes. */
export { eighthsText } from './eighths-text';
export { firstHarmonic } from './first-harmonic';
export {
  checkRound,
  checkStretch,
  runout,
  READINGS_FIELD,
  type RunoutReading,
  type RunoutResult,
} from './runout';
export { spokeRing, SPOKES_FIELD, groupOf, type RungSpoke } from './spoke-ring';
export {
  FIRST_TO,
  FIRST_TO_FIELD,
  trueAdvise,
  TURNED_FIELD,
  type FirstTo,
  type TrueAdvice,
  type Turned,
} from './true-advise';
export { sideOfSpoke, wheelModel, type WheelModel } from './wheel-model';
