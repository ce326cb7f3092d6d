import {
  visitDefinitionOf,
  type VisitEntry,
  type VisitEntryBody,
  type VisitEntryKind,
  type VisitState,
} from './entries';
import { VISIT_KINDS } from './kinds';

/** A visit without entries: the initial values of every kind. */
const emptyVisit = (): VisitState =>
  Object.assign({}, ...Object.values(VISIT_KINDS).map((kind) => kind.initial)) as VisitState;

/** The entries that stand: undone ones gone, an undo may itself be undone. */
export const standingVisitEntries = (log: readonly VisitEntry[]): VisitEntry[] => {
  const undone = new Set<string>();
  for (const entry of [...log].reverse())
    if (entry.kind === 'undo' && !undone.has(entry.id)) undone.add(entry.data.entryId);
  return log.filter((e) => e.kind !== 'undo' && !undone.has(e.id));
};

const withEntry = <K extends VisitEntryKind>(
  state: VisitState,
  entry: VisitEntryBody<K> & { at: string },
): VisitState => ({ ...state, ...visitDefinitionOf(entry.kind).apply(state, entry) });

/** The state of a visit, folded from its log. */
export const foldVisit = (log: readonly VisitEntry[]): VisitState =>
  standingVisitEntries(log).reduce<VisitState>(
    (state, entry) => withEntry<VisitEntryKind>(state, entry),
    emptyVisit(),
  );
