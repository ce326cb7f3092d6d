/** Torque: which wrench covers a value, and what to set it to. */
export { torqueWrench, type TorqueWrench, type TorqueChoice } from './torque-wrench';
export { torqueCheck } from './torque-check';
