import Database from 'better-sqlite3';
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { DB_NAME } from '../backup/manifest';
import type { Db } from '../db/open-db';

/** So much of a database is copied in one go, in pages: others write in between. */
const PAGES_AT_ONCE = 200;

/**
 * A copy of a running shop's database, open, in a folder of its own: it is changed there, and takes
 * the shop's place.
 */
export const copyOf = async (db: Db, folder: string): Promise<{ path: string; copy: Db }> => {
  await mkdir(folder, { recursive: true });
  const path = join(folder, DB_NAME);
  await db.backup(path, { progress: () => PAGES_AT_ONCE });
  const copy = new Database(path);
  // It is thrown away unless all of it is done.
  copy.pragma('journal_mode = MEMORY');
  copy.pragma('synchronous = OFF');
  copy.pragma('foreign_keys = ON');
  return { path, copy };
};
