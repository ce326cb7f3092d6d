/** Truing: runout round a rim and the ring of its spokes. */
export { firstHarmonic, type FirstHarmonic, type RingReading } from './harmonic';
export { runout, type RunoutPart, type RunoutReading, type RunoutResult, type SpokeTurn } from './runout';
export { spokeRing, groupOf, stringTensionN, type LooseSpoke, type RungSpoke, type SpokeRing } from './spoke-ring';
