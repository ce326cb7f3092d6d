import type { BlockName } from '../day';
import type { Position } from '../wheels';
import type { VisitEntry, VisitEntryData } from './entries';

/** A wheel that takes part in a visit. */
export interface VisitWheel {
  jobId: string;
  wheelId: string;
  position: Position;
}

/** A visit as its log says. */
export interface VisitState {
  machineId: string | null;
  machineName: string;
  rider: string;
  wheels: VisitWheel[];
  wanted: string;
  /** ISO 8601; null where nothing is promised. */
  dueAt: string | null;
  agreed: (VisitEntryData['agreed'] & { at: string }) | null;
  /** What it waits for; null where it waits for nothing. */
  waits: string | null;
  /** ISO 8601; null where nobody knows until when. */
  waitsUntil: string | null;
  /** What was given to somebody by hand. */
  planned: { jobId: string; block: BlockName; person: string; startAt: string }[];
  notes: { text: string; who: string; at: string }[];
  handedOver: { to: string; at: string } | null;
}

const emptyVisit = (): VisitState => ({
  machineId: null,
  machineName: '',
  rider: '',
  wheels: [],
  wanted: '',
  dueAt: null,
  agreed: null,
  waits: null,
  waitsUntil: null,
  planned: [],
  notes: [],
  handedOver: null,
});

/** The entries that stand: undone ones gone, an undo may itself be undone. */
export const standingVisitEntries = (log: readonly VisitEntry[]): VisitEntry[] => {
  const undone = new Set<string>();
  for (const entry of [...log].reverse())
    if (entry.kind === 'undo' && !undone.has(entry.id)) undone.add(entry.data.entryId);
  return log.filter((e) => e.kind !== 'undo' && !undone.has(e.id));
};

const stepped = (state: VisitState, entry: VisitEntry): VisitState => {
  switch (entry.kind) {
    case 'opened':
      return { ...state, ...entry.data };
    case 'wheel-added':
      return {
        ...state,
        wheels: [...state.wheels.filter((w) => w.jobId !== entry.data.jobId), entry.data],
      };
    case 'wheel-removed':
      return { ...state, wheels: state.wheels.filter((w) => w.jobId !== entry.data.jobId) };
    case 'wanted':
      return { ...state, wanted: entry.data.text };
    case 'promised':
      return { ...state, dueAt: entry.data.dueAt };
    case 'agreed':
      return { ...state, agreed: { ...entry.data, at: entry.at } };
    case 'waits':
      return { ...state, waits: entry.data.what, waitsUntil: entry.data.until ?? null };
    case 'planned': {
      const { jobId, block, person, startAt } = entry.data;
      const others = state.planned.filter((p) => p.jobId !== jobId || p.block !== block);
      const isFree = person === null || startAt === null;
      return {
        ...state,
        planned: isFree ? others : [...others, { jobId, block, person, startAt }],
      };
    }
    case 'note':
      return {
        ...state,
        notes: [...state.notes, { text: entry.data.text, who: entry.who, at: entry.at }],
      };
    case 'handed-over':
      return { ...state, handedOver: { to: entry.data.to, at: entry.at } };
    case 'undo':
      return state;
  }
};

/** The state of a visit, folded from its log. */
export const foldVisit = (log: readonly VisitEntry[]): VisitState =>
  standingVisitEntries(log).reduce(stepped, emptyVisit());
