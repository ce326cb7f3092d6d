/**
 * Devices: instruments that speak in lines of text, how they fail, and the physics of their
 * stand-ins.
 */
export { FAILURES, type DeviceNow, type DeviceState, type Failure } from './device';
export { failing } from './failing';
export {
  apart,
  DEVICE_KINDS,
  isSteady,
  KINDS_OF_DEVICE,
  LINE_MAX,
  readLine,
  SILENT_AFTER_MS,
  STEADY_LINES,
  type DeviceEvent,
  type DeviceKind,
  type DeviceLine,
} from './line';
export { followMm, rimAtMm, type Axis, type RimShape } from './rim-on-stand';
export {
  BEAD_SIDES,
  breakAndLubricate,
  emptyTire,
  hoseKpa,
  hoseStep,
  type BeadSide,
  type HoseAir,
  type HoseTire,
  type Valve,
} from './tire-on-hose';
export {
  fromAnew,
  heard,
  isCalm,
  noted,
  NOTHING_HEARD,
  readiness,
  READINESS_WORDS,
  readingOf,
  takenFrom,
  type Readiness,
  type Track,
} from './track';
export {
  bandOf,
  bearingsFor,
  bottomDeg,
  isAtRest,
  standEnergyJ,
  standStep,
  swingPeriodS,
  turnTo,
  untilRest,
  type StandBearings,
  type StandMotion,
  type StandWheel,
} from './wheel-on-stand';
export { AT_REST, pullOn, type Pull } from './wrench-on-bolt';
