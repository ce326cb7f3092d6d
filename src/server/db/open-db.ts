import Database from 'better-sqlite3';
import { mkdirSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { MIGRATIONS_DIR } from '../paths';
import { belongsToJournal, sealed } from './journal';

export type Db = Database.Database;

/** Says in one sentence why the database file cannot be used. */
export class DatabaseUnusable extends Error {}

const migrate = (db: Db): void => {
  const files = readdirSync(MIGRATIONS_DIR)
    .filter((f) => /^\d{3}_.*\.sql$/.test(f))
    .sort();
  const done = Number(db.pragma('user_version', { simple: true }));
  if (done > files.length)
    throw new DatabaseUnusable(
      `The database was written by a newer program (version ${done}, this one knows ${files.length}).`,
    );
  db.transaction(() => {
    for (const file of files.slice(done)) db.exec(readFileSync(join(MIGRATIONS_DIR, file), 'utf8'));
    db.pragma(`user_version = ${files.length}`);
  }).exclusive();
};

const strayJournal = (file: string): string =>
  `The database ${file} is not the one that the journal ${file}-wal beside it belongs to: ` +
  'a backup was put in its place, or it was changed by hand. Opened together they would be mixed, so nothing was opened. ' +
  `Put back the database that was here; or, to start from this one as it is, move ${file}-wal to another folder ` +
  '(it holds the entries written last before the program was cut off).';

/**
 * Opens the shop's database, creating and migrating it as needed. `:memory:` for tests.
 * Throws `DatabaseUnusable` when the file cannot be written, is no database, or lies beside the journal of another one.
 */
export const openDb = (file: string): Db => {
  let db: Db | undefined;
  const inMemory = file === ':memory:';
  try {
    if (!inMemory) {
      mkdirSync(dirname(file), { recursive: true });
      if (!belongsToJournal(file)) throw new DatabaseUnusable(strayJournal(file));
    }
    db = new Database(file);
    db.pragma('journal_mode = WAL');
    if (!inMemory) sealed(db, file);
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    db.pragma('busy_timeout = 3000');
    migrate(db);
    return db;
  } catch (error) {
    db?.close();
    if (error instanceof DatabaseUnusable) throw error;
    throw new DatabaseUnusable(
      `The database ${file} cannot be used: ${(error as Error).message}. Set RIMSTONE_DB to a file that can be written.`,
    );
  }
};
