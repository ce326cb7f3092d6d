/** Tires: reading a marking, comparing two sizes, and the age of a date code. */
export { tireSize, readTire, type TireSize } from './tire-size';
export { tireCompare, CLEARANCE_PLACES, PLACE_WORDS, type ClearancePlace, type TireComparison } from './tire-compare';
export { dateCodeOn } from './date-code';
export { tireAge, type TireAge } from './tire-age';
export { parseMarking, type Marking } from './marking';
export { NOTATIONS, type Construction, type Notation } from './size-notation';
export { maxLoadKg, LOAD_INDEX_KG } from './load-index';
export { maxSpeedKmh, SPEED_SYMBOL_KMH } from './speed-symbol';
export { nominalRimMm } from './rim-diameter';
