/** Torque: in which order, with which wrench, at which setting, and what is on the threads. */
export { torqueWrench, type TorqueWrench, type TorqueChoice } from './torque-wrench';
export { torqueCheck } from './torque-check';
export { torqueSequence, type ToTighten, type TorqueSequence, type TorqueTurn } from './torque-sequence';
export { CRITICAL_ROLES, FASTENER_ROLES, inTighteningOrder, roleOf, type FastenerRole } from './fastener-role';
export { clampsTimes, LUBRICANTS, TORQUE_FACTOR, type Lubricant } from './thread';
