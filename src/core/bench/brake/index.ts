/** The brake, once the wheel is back: firm, let go, and a disc that runs true. */
export { brakeDrag, SPINS, SPIN_WORDS, type Spin } from './brake-drag';
export { discRunout } from './disc-runout';
