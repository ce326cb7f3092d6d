/**
 * Tires: reading a marking, comparing sizes, what a tire suits, how old it is and how far it still
 * goes.
 */
export { tireSize, readTire, tryReadTire, type TireSize } from './tire-size';
export {
  tireCompare,
  compareSizes,
  CLEARANCE_PLACES,
  PLACE_WORDS,
  type ClearancePlace,
  type Clearances,
  type SizeChange,
  type TireComparison,
} from './tire-compare';
export { sidewallRead } from './sidewall-read';
export { rimWidthFit, fitRimWidth } from './rim-width-fit';
export { LOAD_SHEET, loadSpeedFit, fitLoadSpeed, type LoadSheet } from './load-speed-fit';
export { directionFit, fitDirection, forwardTurn, ARROWS, type Arrows } from './direction-fit';
export { treadWear } from './tread-wear';
export { dateCodeOn } from './date-code';
export { tireAge, ageOf, type TireAge } from './tire-age';
export { tireVolume } from './tire-volume';
export { parseMarking, type Marking, type PartKind } from './marking';
export { type Construction, type Notation } from './size-notation';
export { maxLoadKg, LOAD_INDEX_KG } from './load-index';
export { maxSpeedKmh, SPEED_SYMBOL_KMH } from './speed-symbol';
export { anInch, nominalRimMm } from './rim-diameter';
export { TREADS, TREAD_WORDS, type Tread } from './tread';
