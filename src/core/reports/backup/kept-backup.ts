import type { Holdings } from './holdings';

/**
 * By whose hand a backup was made: the program's own, day by day; someone's; or brought in from
 * elsewhere.
 */
export type BackupKind = 'daily' | 'by-hand' | 'brought-in';

export const BACKUP_WORDS: Record<BackupKind, string> = {
  daily: 'automatic',
  'by-hand': 'manual',
  'brought-in': 'added',
};

export interface KeptBackup {
  name: string;
  kind: BackupKind;
  isEncrypted: boolean;
  bytes: number;
  /** When the file was written, ISO 8601. */
  writtenAt: string;
}

/** The backups of a shop as they stand. */
export interface BackupsNow {
  /** The folder on the shop's machine. */
  folder: string;
  /** The newest first. */
  backups: KeptBackup[];
  /** When the newest that is this shop's own was written; null where there is none. */
  newestAt: string | null;
  /** The newest is too old, or the last try to make one failed. */
  isOld: boolean;
  /** Why the last try failed; null where it did not. */
  problem: string | null;
  /** Backups are encrypted and hold what people sign in by; else they hold no secret. */
  isEncrypted: boolean;
  /**
   * The second folder for each daily backup, and why the last copy failed; null if there is none.
   */
  second: { folder: string; problem: string | null } | null;
  /** The last backup that the program opened and compared by itself. */
  tested: TestedRestore | null;
  /** No backup was tested for too long, or the last test failed. */
  isTestOld: boolean;
  /** Stored photos that are damaged, by name. */
  damaged: string[];
}

/** A backup that was opened, taken apart and compared with what it should hold. */
export interface TestedRestore {
  name: string;
  /** ISO 8601. */
  at: string;
  /** Why it could not be used; null where it could. */
  problem: string | null;
}

/** A backup that was taken apart and found whole, against what is here. */
export interface LookedInto {
  madeAt: string;
  holds: Holdings;
  here: Holdings;
}

const STEPS = ['bytes', 'kB', 'MB', 'GB', 'TB'] as const;

/** A size as one reads it: `136 kB`, `2.4 GB`. Of 1000, as disks are sold. */
export const sizeText = (bytes: number): string => {
  let value = bytes;
  let step = 0;
  while (value >= 999.5 && step < STEPS.length - 1) {
    value /= 1000;
    step++;
  }
  return `${step > 0 && value < 9.95 ? value.toFixed(1) : Math.round(value)} ${STEPS[step]}`;
};
