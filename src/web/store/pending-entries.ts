import type { EntryBody, EntryKind } from '../../core/job';

/** Entries on their way to a job's log: written together, they arrive together or not at all. */
export interface PendingEntries {
  /** The id of its first entry. */
  id: string;
  jobId: string;
  /** As the shop calls the job; null where this page does not know it. */
  jobNumber: number | null;
  /** The number of the newest entry that the fitter had seen when it was written. */
  afterSeq: number;
  bodies: EntryBody<EntryKind>[];
  /** When it was written at the bench, ISO 8601. */
  writtenAt: string;
  /**
   * `sending`: on its way for the first time. `unsent`: the server did not take it and did not judge it either; it is sent
   * again by itself. `conflict`: someone else wrote into the log meanwhile. `refused`: judged
   * after it had waited. The last two wait for the fitter's word.
   */
  status: 'sending' | 'unsent' | 'conflict' | 'refused';
  /** Why it is not there yet, in a sentence. */
  why?: string;
  /** It stands on this browser's disk, and lives through a closed page. */
  isKept?: boolean;
  /** A photograph goes before it; its first entry gets the photograph's id then. */
  hasPicture?: boolean;
}

/** It goes to the server by itself. */
export const goesByItself = ({ status }: PendingEntries): boolean =>
  status === 'sending' || status === 'unsent';

/** Someone has to say what becomes of it. */
export const needsWord = (pending: PendingEntries): boolean => !goesByItself(pending);

const WAITING = 'waiting:';

/** The id of a photograph that has not got its own yet. */
export const waitingPhoto = (parcelId: string): string => `${WAITING}${parcelId}`;

/** The pending entries with which a photograph waits; null where it stands on the server. */
export const parcelOfPhoto = (photoId: string): string | null =>
  photoId.startsWith(WAITING) ? photoId.slice(WAITING.length) : null;
