/** Tubes: reading their labels and picking the one that covers a tire. */
export { tubePick, type TubePick, type TubeStock, type TubeFit } from './tube-pick';
export { parseTubeLabel, type TubeRange } from './tube-label';
