/**
 * A shop, or one of its jobs, as a file that any program can read: what its lines hold, and what
 * taking one in does.
 */
export {
  checkLine,
  FILE_OF,
  LINE_KINDS,
  lineSchema,
  photosOf,
  SHOP_FORMAT,
  SHOP_FORMAT_VERSION,
  type FileOf,
  type Line,
  type LineData,
  type LineKind,
  type TakenPart,
} from './lines';
export {
  bringsAny,
  fileName,
  planRows,
  TAKES,
  type Brought,
  type LineOutcome,
  type ExchangePlan,
} from './exchange-plan';
