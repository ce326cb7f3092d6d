/**
 * Pressure: what applies while seating, where to start, what temperature, altitude and the gauge
 * do, and whether it leaks.
 */
export { atmosphereKpa } from './atmosphere-kpa';
export { gaugeError, readsOf, trueOf, type GaugeError } from './gauge-error';
export { GROUNDS, GROUND_WORDS, USES, USE_WORDS, type Ground, type Use } from './ground';
export { leak, type Leak, type StandingReading } from './leak';
export { pressureCorrect, type PressureCorrected } from './pressure-correct';
export { pressureStart, type PressureStart } from './pressure-start';
export {
  seatLadder,
  SEAT_ADVICE,
  type LinePoint,
  type SeatAdvice,
  type SeatLadder,
} from './seat-ladder';
export {
  HIGHEST_CEILING_KPA,
  RAISED_FIELDS,
  seatLimit,
  type OwnLimit,
  type RaisedCeiling,
  type SeatBinds,
  type SeatLimit,
} from './seat-limit';
export { twoGauges, type TwoGauges } from './two-gauges';
export { NUT_SAYS, valveSet, type ValveSet } from './valve-set';
