/** The shop's records: what each kind holds, how it is checked, and how it goes into a file and comes back. */
export {
  inUse, RECORD_KINDS, TREADS, TREAD_WORDS, TUBE_WALLS, WALL_WORDS, TUBE_VALVES, STEMS, STRIP_MATERIALS, INSTRUMENT_KINDS, INSTRUMENT_WORDS,
  type GaugeCheck, type InstrumentItem, type InstrumentKind, type LockItem, type RecordKind, type Records, type Shop, type Stocked, type StripItem, type TireStock, type Tread, type TubeItem,
  type TubeValve, type TubeWall, type ValveItem, type WeightItem, type WrenchItem,
} from './shop';
export { SPECS, fieldsOfKind, type RecordSpec } from './kinds';
export { checkField, parsePlaces, parserProblem, placesText, toCell, type Dated, type DatedNumber, type Field, type Form } from './field';
export { checkRecord, columnName, complete, fileColumns, fromCells, recordSchema, toCells, type CellProblem } from './record';
export { planImport, type ImportPlan, type ImportRow } from './import-plan';
