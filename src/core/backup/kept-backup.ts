import type { Holdings } from './holdings';

/** By whose hand a backup was made: the program's own, day by day; somebody's; or brought in from elsewhere. */
export const BACKUP_KINDS = ['daily', 'by-hand', 'brought-in'] as const;
export type BackupKind = (typeof BACKUP_KINDS)[number];

export const BACKUP_WORDS: Record<BackupKind, string> = {
  daily: 'by itself',
  'by-hand': 'by hand',
  'brought-in': 'brought in',
};

export interface KeptBackup {
  name: string;
  kind: BackupKind;
  bytes: number;
  /** When the file was written, ISO 8601. */
  writtenAt: string;
}

/** The backups of a shop as they stand. */
export interface BackupsNow {
  /** Where they lie on the shop's machine. */
  folder: string;
  /** The newest first. */
  backups: KeptBackup[];
  /** When the newest that is this shop's own was written; null where there is none. */
  newestAt: string | null;
  /** The newest is too old, or the last try to make one failed. */
  isOld: boolean;
  /** Why the last try failed; null where it did not. */
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
