/** Before a wheel leaves: its sensor, what the machine is taught, and which safety points the log proves. */
export { sensorGap, SENSOR_READINGS, type SensorGap, type SensorReading } from './sensor-gap';
export { recalibration, type Recalibration } from './recalibration';
export {
  readyToLeave,
  SAFETY_POINTS,
  SAFETY_WORDS,
  type FastenerFact,
  type LeaveFacts,
  type PointReport,
  type ReadyToLeave,
  type SafetyPoint,
} from './ready-to-leave';
