/** Machines and wheels: what is known of them, and the drawing that shows a wheel. */
export {
  wheelEnd, BUILDS, BUILD_WORDS, MACHINE_KINDS, KIND_WORDS, POSITIONS, POSITION_WORDS, DRIVES, DISC_SIDES,
  type Build, type Drive, type Fastener, type Machine, type MachineKind, type Position, type Wheel,
} from './wheel';
export { machineSchema, wheelSchema } from './schema';
export { wheelDial, type DialMark, type DialShape, type DialRole, type DialView } from './dial';
export { spokeDegs, weightPlaces } from './spokes';
