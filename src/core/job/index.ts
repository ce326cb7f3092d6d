/** A job: its log of entries, the state folded from it, and what is still missing or doubtful. */
export { STATIONS, STATION_WORDS, STEP_STATIONS, type StationId } from '../base/stations';
export { OLD_TIRES, type OldTire } from './kinds/handed-over';
export {
  definitionOf,
  ENTRY_KINDS,
  type Entry,
  type EntryBody,
  type EntryData,
  type EntryKind,
} from './entries';
export { checkEntryBody } from './entry-check';
export { PHOTO_ID } from './entry-fields';
export { checkKeptEntry, keptEntrySchema, type KeptEntry } from './kept-entry';
export { effectiveEntries, standingId } from './fold-job';
export { emptyJob, type JobState } from './job-state';
export type { LookedAgain } from './kinds/looked-again';
export type { WithdrawnProof } from './withdrawn-proof';
export { checkRelease, checkTargets } from './append-checks';
export { effectOf, rightsFor, type Effect } from './effect';
export { namedPeople } from './named-people';
export { foldedOn, foldJob, NO_LOG, type FoldedLog } from './folded-log';
export {
  stationReport,
  jobReport,
  openPoints,
  pressureStartOf,
  type StationReport,
} from './station-report';
export { seatLadderOf, seatLimitOf } from './seat-of';
export {
  alignOf,
  brakeNow,
  chainOf,
  coolUntil,
  discOf,
  leaveFactsOf,
  readyOf,
  sensorOf,
  stringOf,
  teachingOf,
} from './back-of';
export { tickOf } from './step-tick';
export { fastenersOf } from './fasteners-of';
export {
  chosenFitOf,
  fitContextOf,
  materialsOf,
  partPicksOf,
  partsOf,
  rimDiameterOf,
  toolsOf,
  tubeUseOf,
  wantsOf,
  type Choice,
  type Shelves,
} from './fitting-of';
export { schoolsOf } from './school-change';
export { procedureInputOf, stepsOf } from './steps-of';
export { median, timesOf, type Times, type UsualTime } from './times-of';
export { entryText } from './entry-text';
export { RING_NAMES, RING_WORDS, type RingName } from './ring-names';
export type { JobSummary } from './job-summary';
export { jobCard } from './job-card';
export { jobDues, recheckDates, type Recheck } from './recheck-dates';
export { biteInputOf, bitesOf, fillMmOf, fittedArc, hasStrip } from './bites-of';
export { beadPathOf } from './bead-path-of';
export { dialMarks } from './dial-marks';
export {
  airOutOf,
  clampOf,
  crushOf,
  gapOf,
  ringOf,
  ringsOf,
  rolloutOf,
  type RingNow,
} from './ring-of';
export { balanceAnswers, placeFor, type BalanceAnswers, type Counter } from './balance-answers';
export {
  balanceQuestion,
  heavyAgainst,
  heavyOf,
  sidesOf,
  weightsFor,
  type BalanceQuestion,
} from './balance-of';
export { isOfBalance, type BalanceEntry } from './balance-entries';
export { testsOfNow, type BalanceLog } from './balance-log';
export {
  beliefMark,
  changeMarks,
  isMassKnown,
  NINE_OF_TEN,
  weightMarks,
  type SayMass,
} from './balance-marks';
export { pairCrush, pairDoubts, pairNow, partnerOf, type PairNow } from './pair-of';
export { undoTarget } from './undo-target';
export { wheelHistory, type WheelHistory } from './wheel-history';
export { lifeEvent, type LifeEvent } from './wheel-life';
export { wheelTrends, type Trend } from './wheel-trends';
export { runoutOf, spokeRingOf, trueAdviceOf } from './truing-of';
export { drawnDriveOf, drawnWheelAt } from './drawn-wheel';
export { wheelCutAt, type CutAtStep } from './wheel-cut-at';
export { orientationOf } from './orientation-of';
