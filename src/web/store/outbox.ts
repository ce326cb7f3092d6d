import type { EntryBody, EntryKind } from '../../core/job';

/** Entries on their way to a job's log, kept in the browser until the server has confirmed them. */
export interface Parcel {
  /** The id of its first entry. */
  id: string;
  jobId: string;
  bodies: EntryBody<EntryKind>[];
  /** `refused`: the log had moved on. `unsent`: the server did not answer. */
  status: 'sending' | 'refused' | 'unsent';
}

const KEY = 'rimstone-outbox';

/** What was left unsent when the page was closed. */
export const loadOutbox = (): Parcel[] => {
  try {
    const parcels = JSON.parse(localStorage.getItem(KEY) ?? '[]') as Parcel[];
    return parcels.map((p) => ({ ...p, status: 'unsent' }));
  } catch {
    return [];
  }
};

export const saveOutbox = (parcels: readonly Parcel[]): void => {
  try {
    localStorage.setItem(KEY, JSON.stringify(parcels));
  } catch {
    // The parcel stays in memory and on the screen.
  }
};
