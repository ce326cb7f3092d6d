/**
 * Before a wheel leaves: its sensor, what the machine is taught, and which safety points the log
 * proves.
 */
export { sensorGap, SENSOR_READINGS, type SensorReading } from './sensor-gap';
export { recalibration } from './recalibration';
export {
  readyToLeave,
  SAFETY_POINTS,
  SAFETY_RISKS,
  type LeaveFacts,
  type PointReport,
  type SafetyPoint,
} from './ready-to-leave';
