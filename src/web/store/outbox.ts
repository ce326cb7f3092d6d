import type { EntryBody, EntryKind } from '../../core/job';

/** Entries on their way to a job's log, kept in the browser until the server has confirmed them. */
export interface Parcel {
  /** The id of its first entry. */
  id: string;
  jobId: string;
  bodies: EntryBody<EntryKind>[];
  /** `refused`: the log had moved on. `unsent`: the server did not take it, and did not judge it either. */
  status: 'sending' | 'refused' | 'unsent';
  /** Why it is unsent, in a sentence. */
  why?: string;
}

/** One key for each parcel, so that two tabs never write over each other's. */
const PREFIX = 'rimstone-outbox/';
/** An earlier program kept all of them under one key. */
const OLD_KEY = 'rimstone-outbox';

const keyOf = (id: string): string => `${PREFIX}${id}`;

const parsed = <T>(text: string | null): T | null => {
  try {
    return JSON.parse(text ?? 'null') as T | null;
  } catch {
    return null;
  }
};

const keep = (parcel: Parcel): void => {
  try {
    localStorage.setItem(keyOf(parcel.id), JSON.stringify(parcel));
  } catch {
    // The parcel stays in memory and on the screen.
  }
};

const takeOverOld = (): void => {
  const old = parsed<Parcel[]>(localStorage.getItem(OLD_KEY));
  if (Array.isArray(old)) old.forEach(keep);
  localStorage.removeItem(OLD_KEY);
};

/** What was left unsent when a page was closed, by this tab or another. */
export const loadOutbox = (): Parcel[] => {
  try {
    takeOverOld();
    const keys = Array.from({ length: localStorage.length }, (_, i) => localStorage.key(i)!);
    return keys
      .filter((key) => key.startsWith(PREFIX))
      .flatMap((key): Parcel[] => {
        const parcel = parsed<Parcel>(localStorage.getItem(key));
        return Array.isArray(parcel?.bodies) ? [{ ...parcel, status: 'unsent' }] : [];
      });
  } catch {
    return [];
  }
};

/**
 * Keeps what is new or changed in this tab's outbox, and lets go of what has left it; other parcels are not touched.
 */
export const saveOutbox = (before: readonly Parcel[], now: readonly Parcel[]): void => {
  const still = new Set(now.map((p) => p.id));
  try {
    for (const gone of before.filter((p) => !still.has(p.id))) localStorage.removeItem(keyOf(gone.id));
  } catch {
    // Sent once more, it is known to the server by its id.
  }
  now.filter((p) => !before.includes(p)).forEach(keep);
};

/** Tells when another tab has sent or dropped a parcel. */
export const onParcelGone = (tell: (parcelId: string) => void): void => {
  addEventListener('storage', ({ key, newValue }) => {
    if (key?.startsWith(PREFIX) && newValue === null) tell(key.slice(PREFIX.length));
  });
};
