/** Torque: in which order, with which wrench, at which setting, and what is on the threads. */
export { torqueWrench, type TorqueWrench, type TorqueChoice } from './torque-wrench';
export { torqueCheck } from './torque-check';
export { torqueSequence, type TorqueTurn } from './torque-sequence';
export {
  FASTENER_ROLES,
  inTighteningOrder,
  isCritical,
  roleOf,
  type FastenerRole,
} from './fastener-role';
export { clampsTimes, LUBRICANTS, TORQUE_FACTOR, type Lubricant } from './thread';
