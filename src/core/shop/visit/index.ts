/**
 * A visit: a machine that came in, the wheels that take part, what was wanted, promised and agreed.
 * A log like a job's.
 */
export type { JobsNow, VisitWheel } from './define-entry';
export {
  checkVisitAppend,
  checkVisitEntry,
  peopleInVisitEntry,
  visitDefinitionOf,
  VISIT_ENTRY_KINDS,
  type VisitEntry,
  type VisitEntryBody,
  type VisitEntryData,
  type VisitEntryKind,
  type VisitState,
} from './entries';
export { visitLogText } from './log-text';
export { checkKeptVisitEntry, keptVisitEntrySchema, type KeptVisitEntry } from './kept-entry';
export { foldVisit, standingVisitEntries } from './fold-visit';
export { dueVerdict } from './due';
export type { OpenVisit, VisitSummary, WheelNow } from './visit-summary';
export { dayInput, type InNow, type LeftOut } from './day-input';
export type { LetGo } from './day-clashes';
export { withChosen } from './with-chosen';
