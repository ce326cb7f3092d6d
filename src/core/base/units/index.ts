/** Units: what they are called, how they convert, and how the fitter reads and writes them. */
export { UNIT_NAMES, type Unit } from './unit';
export { parseInches } from './fraction';
export {
  formatQuantity,
  quantityText,
  fromDisplay,
  toDisplay,
  displayUnit,
  DEFAULT_UNITS,
  type UnitPreferences,
} from './display';
export { UNIT_SYSTEMS, unitsOfSystem } from './unit-systems';
export { formatMoney, parseMoney, writeMoney } from './money';
export { DAY_MS, dayOf, daysAfter, daysBetween, localDayOf, dateText, monthText } from './day';
export { counted } from './counted';
export { said, sayIn, writtenApart, type Sentence, type SentenceQuantity } from './sentence';
export {
  clockText,
  degText,
  mirrored,
  normalDeg,
  parseAngle,
  angleBetween,
  meanDeg,
  placeText,
} from './angle';
export {
  BAR_IN_KPA,
  FT_LBF_IN_NM,
  INCH_IN_MM,
  OUNCE_IN_G,
  POUND_IN_KG,
  PSI_IN_KPA,
  ZERO_CELSIUS_IN_K,
} from './factors';
