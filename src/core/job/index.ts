/** A job: its log of entries, the state folded from it, and what is still missing or doubtful. */
export { STATIONS, STATION_WORDS, STEP_STATIONS, type StationId } from '../stations';
export { OLD_TIRES, RING_NAMES, type OldTire, type RingName } from './entries';
export type { Entry, EntryBody, EntryData, EntryKind } from './entries';
export { checkEntryBody, entryBodySchema, ENTRY_KINDS, PHOTO_ID } from './entry-check';
export { checkKeptEntry, keptEntrySchema, type KeptEntry } from './kept-entry';
export {
  emptyJob,
  effectiveEntries,
  standingId,
  type JobState,
  type LookedAgain,
} from './fold-job';
export type { WithdrawnProof } from './withdrawn-proof';
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
export { tickOf } from './step-and-reading';
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
  type PartPicks,
  type Shelves,
} from './fitting-of';
export { schoolsOf, type SchoolAtHand } from './school-change';
export { procedureInputOf, stepsOf } from './steps-of';
export { median, timesOf, type Times, type UsualTime } from './times-of';
export { entryText, RING_WORDS } from './entry-text';
export type { JobSummary } from './job-summary';
export { jobCard, type JobCard } from './job-card';
export { jobDues, recheckDates, type JobDue, type Recheck } from './recheck-dates';
export { biteInputOf, bitesOf, fillMmOf, fittedArc } from './bites-of';
export { beadPathOf, type BeadNow } from './bead-path-of';
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
  type RingTurn,
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
export { isOfBalance, testsOfNow, type BalanceEntry, type BalanceLog } from './balance-log';
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
export { runoutOf, spokeRingOf, trueAdviceOf, type Trued } from './truing-of';
export { orientationOf } from './orientation-of';
