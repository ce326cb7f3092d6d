/**
 * The shop's records: what each kind holds, how it is checked, and how it goes into a file and
 * comes back.
 */
export {
  FEW_KINDS,
  inUse,
  PACES,
  RECORD_KINDS,
  TUBE_WALLS,
  WALL_WORDS,
  TUBE_VALVES,
  STEMS,
  STRIP_MATERIALS,
  INSTRUMENT_KINDS,
  INSTRUMENT_WORDS,
  type GaugeCheck,
  type InstrumentItem,
  type LockItem,
  type Pace,
  type RecordKind,
  type Records,
  type Shop,
  type StripItem,
  type TireStock,
  type TubeItem,
  type ValveItem,
  type WeightItem,
  type WrenchItem,
} from './shop';
export { SPECS, fieldsOfKind } from './kinds';
export {
  checkField,
  parsePlaces,
  placesText,
  toCell,
  type Dated,
  type DatedNumber,
  type Field,
  type Form,
} from './field';
export {
  checkRecord,
  columnName,
  complete,
  fileColumns,
  fromCells,
  recordSchema,
  toCells,
  type CellProblem,
} from './record';
export {
  importAnswer,
  planImport,
  type ImportAnswer,
  type ImportPlan,
  type ImportRow,
} from './import-plan';
export type { ChangedKind, ShopChange } from './change';
