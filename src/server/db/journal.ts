import { existsSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import type Database from 'better-sqlite3';

/**
 * A database and its journal (`-wal`) belong together: after a power cut the journal holds the
 * newest entries, and SQLite lays them over whatever file it finds beside it. A backup put there
 * would be mixed with them without a word. So the database is sealed: its file changes only when
 * the journal is written back, and after each of these its size and time are noted beside it.
 */
interface Seal {
  size: string;
  changedNs: string;
  /** When a writing back began that has not ended, ms since 1970; null at rest. */
  writingSince: number | null;
}

/** A writing back that was cut short has changed the file at most this long after it began. */
const WRITING_TAKES_MS = 120_000;
const CLOCK_STEP_MS = 2000;
/** Pages of a journal are worth writing back from here on. */
const LONG_JOURNAL_BYTES = 4_000_000;

const sealFile = (file: string): string => `${file}-seal`;

const now = (file: string): Omit<Seal, 'writingSince'> => {
  const { size, mtimeNs } = statSync(file, { bigint: true });
  return { size: String(size), changedNs: String(mtimeNs) };
};

const readSeal = (file: string): Seal | null => {
  try {
    return JSON.parse(readFileSync(sealFile(file), 'utf8')) as Seal;
  } catch {
    return null;
  }
};

const writeSeal = (file: string, seal: Seal): void =>
  writeFileSync(sealFile(file), JSON.stringify(seal));

const journalBytes = (file: string): number =>
  statSync(`${file}-wal`, { throwIfNoEntry: false })?.size ?? 0;

/**
 * True where a journal was left that a crash left beside this very file, or none was left at all;
 * asked before opening.
 */
export const belongsToJournal = (file: string): boolean => {
  const seal = readSeal(file);
  if (!existsSync(file)) return journalBytes(file) === 0;
  if (journalBytes(file) === 0 || !seal) return true;
  const { size, changedNs } = now(file);
  if (size === seal.size && changedNs === seal.changedNs) return true;
  if (seal.writingSince === null) return false;
  const changedMs = Number(BigInt(changedNs) / 1_000_000n);
  return (
    changedMs >= seal.writingSince - CLOCK_STEP_MS &&
    changedMs <= seal.writingSince + WRITING_TAKES_MS
  );
};

/**
 * Seals an open database; from here on its journal is written back only by `writeBack` and by
 * closing.
 */
export const sealed = (db: Database.Database, file: string): Database.Database => {
  db.pragma('wal_autocheckpoint = 0');
  if (journalBytes(file) === 0) writeSeal(file, { ...now(file), writingSince: null });
  const close = db.close.bind(db);
  db.close = () => {
    if (!db.open) return db;
    writeSeal(file, { ...(readSeal(file) ?? now(file)), writingSince: Date.now() });
    const closed = close();
    // Another program may have it open: then the journal stays, and so does the seal.
    if (!existsSync(`${file}-wal`)) rmSync(sealFile(file), { force: true });
    return closed;
  };
  return db;
};

/** Writes a long journal back into the database; a short one is left for later. */
export const writeBack = (
  db: Database.Database,
  file: string,
  longBytes = LONG_JOURNAL_BYTES,
): void => {
  if (journalBytes(file) < longBytes) return;
  writeSeal(file, { ...(readSeal(file) ?? now(file)), writingSince: Date.now() });
  db.pragma('wal_checkpoint(TRUNCATE)');
  writeSeal(file, { ...now(file), writingSince: null });
};
