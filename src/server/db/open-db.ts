import Database from 'better-sqlite3';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { backupsBeside, MIGRATIONS_DIR, photosBeside } from '../paths';
import { belongsToJournal, sealed } from './journal';
import { keepForOwnerOnly } from '../auth/owner-only';

export type Db = Database.Database;

/** Says in one sentence why the database file cannot be used. */
export class DatabaseUnusable extends Error {}

const MIGRATIONS = readdirSync(MIGRATIONS_DIR)
  .filter((f) => /^\d{3}_.*\.sql$/.test(f))
  .sort();
/** The version of the database that this program writes. */
export const SCHEMA_VERSION = MIGRATIONS.length;
/** `RIMS`: the file is a shop's. */
const APPLICATION_ID = 0x52494d53;

/** Of a larger one the pages are checked, but not every index against its table. Basis: memory. */
const WHOLE_CHECK_BYTES = 300_000_000;

/** The longest wait of a write for another program's lock: the whole server waits with it. */
const BUSY_MS = 50;

const LOGS = ['entries', 'visit_entries'] as const;
const BROKEN = "NOT json_valid(data) OR instr(CAST(data AS BLOB), x'00') > 0";

const damaged = (how: string): string => `it is damaged (${how.slice(0, 200)}); restore a backup`;

const numberOf = (db: Db, pragma: string): number => Number(db.pragma(pragma, { simple: true }));
const has = (db: Db, table: string): boolean =>
  db.prepare("SELECT 1 FROM sqlite_schema WHERE type = 'table' AND name = ?").get(table) !==
  undefined;

/**
 * Refuses a database that is not a shop's, is damaged, or was written by a newer program. An empty
 * one passes. Throws `DatabaseUnusable`.
 */
const checkDb = (db: Db): void => {
  const id = numberOf(db, 'application_id');
  const version = numberOf(db, 'user_version');
  const isEmpty = db.prepare('SELECT 1 FROM sqlite_schema').get() === undefined;
  // A shop of an earlier program has no id yet.
  const isShop =
    has(db, 'jobs') && has(db, 'entries') && (id === APPLICATION_ID || (id === 0 && version > 0));
  if (!isShop && !(isEmpty && id === 0 && version === 0))
    throw new DatabaseUnusable('it is a database, but not one of a shop');
  if (version > SCHEMA_VERSION)
    throw new DatabaseUnusable(
      `it was written by a newer program (version ${version}, this one knows ${SCHEMA_VERSION})`,
    );
  const bytes = numberOf(db, 'page_count') * numberOf(db, 'page_size');
  const fault = String(
    db.pragma(bytes > WHOLE_CHECK_BYTES ? 'quick_check(1)' : 'integrity_check(1)', {
      simple: true,
    }),
  );
  if (fault !== 'ok') throw new DatabaseUnusable(damaged(fault));
  if (bytes > WHOLE_CHECK_BYTES) return;
  // A page in the middle of a long text is in no index: where it was lost, the text is none any
  // more.
  for (const table of LOGS)
    if (has(db, table) && db.prepare(`SELECT 1 FROM ${table} WHERE ${BROKEN} LIMIT 1`).get())
      throw new DatabaseUnusable(damaged(`an entry in ${table} cannot be read`));
};

/** The same of a file, that is only read: closing it changes nothing, not even a damaged one. */
export const checkFile = (file: string): void => {
  const db = new Database(file, { readonly: true });
  try {
    checkDb(db);
  } finally {
    db.close();
  }
};

/** The path of the copy made before a newer program changes the database. */
const beforeMigration = (file: string, version: number): string =>
  `${file}.before-version-${version + 1}`;

const migrate = (db: Db, file: string | null): void => {
  const done = numberOf(db, 'user_version');
  if (done === SCHEMA_VERSION) return;
  if (done > 0 && file !== null && !existsSync(beforeMigration(file, done)))
    db.prepare('VACUUM INTO ?').run(beforeMigration(file, done));
  db.transaction(() => {
    for (const name of MIGRATIONS.slice(done))
      db.exec(readFileSync(join(MIGRATIONS_DIR, name), 'utf8'));
    db.pragma(`user_version = ${SCHEMA_VERSION}`);
  }).exclusive();
};

const strayJournal = (file: string): string =>
  `it is not the one that the journal ${file}-wal beside it belongs to: ` +
  'a backup was put in its place, or it was changed by hand. Opened together they would be mixed, so nothing was opened. ' +
  `Put back the database that was here; or, to start from this one as it is, move ${file}-wal to another folder ` +
  '(it holds the entries written last before the program was cut off)';

/**
 * A file that is not there, or is empty, becomes a new shop only where that is asked for. Throws
 * `DatabaseUnusable`.
 */
export const checkBegun = (file: string, beginsNew: boolean): void => {
  if (beginsNew) return;
  const size = existsSync(file) ? statSync(file).size : null;
  if (size !== null && size > 0) return;
  const left = [`${file}-seal`, photosBeside(file), backupsBeside(file)].some((path) =>
    existsSync(path),
  );
  throw new DatabaseUnusable(
    (size === 0 ? `The database ${file} is empty. ` : `No shop at ${file}. `) +
      (left
        ? 'There was one: put its file back, or restore a backup with "npm run restore -- FILE". '
        : 'Set RIMSTONE_DB to the file of yours. ') +
      'To begin a new shop here, start with "npm start -- --new".',
  );
};

/**
 * Opens the shop's database, creating and migrating it as needed, a copy kept before. `:memory:`
 * for tests. Throws `DatabaseUnusable` when the file cannot be written, is damaged, is not a
 * shop's, or lies beside the journal of another one.
 */
export const openDb = (file: string): Db => {
  let db: Db | undefined;
  const inMemory = file === ':memory:';
  try {
    if (!inMemory) {
      mkdirSync(dirname(file), { recursive: true });
      if (!belongsToJournal(file)) throw new DatabaseUnusable(strayJournal(file));
    }
    if (!inMemory && existsSync(file)) checkFile(file);
    db = new Database(file);
    db.pragma('journal_mode = WAL');
    if (!inMemory) keepForOwnerOnly(file);
    if (!inMemory) sealed(db, file);
    db.pragma('synchronous = FULL');
    db.pragma('foreign_keys = ON');
    // No one is kept waiting while another program holds the file: what is written is asked for
    // again.
    db.pragma(`busy_timeout = ${BUSY_MS}`);
    // What is deleted, such as the hash of a PIN, is gone from the file too.
    db.pragma('secure_delete = ON');
    migrate(db, inMemory ? null : file);
    return db;
  } catch (error) {
    db?.close();
    const { code, message } = error as Error & { code?: string };
    const isCorrupt = code?.startsWith('SQLITE_CORRUPT') === true;
    const isJudged = isCorrupt || error instanceof DatabaseUnusable;
    throw new DatabaseUnusable(
      `The database ${file} cannot be used: ${isCorrupt ? damaged(message) : message}. ` +
        (isJudged ? 'Nothing was changed.' : 'Set RIMSTONE_DB to a file that can be written.'),
    );
  }
};
