import { existsSync, readdirSync } from 'node:fs';
import type { Db } from '../db/open-db';
import type { Holdings } from '../../core/reports/backup';

/** A kept photograph, by its name in the folder. */
export const isPhotoName = (name: string): boolean => /^[0-9a-f]{64}\.(jpg|png|webp)$/.test(name);

export const photoNames = (photosDir: string): string[] =>
  existsSync(photosDir) ? readdirSync(photosDir).filter(isPhotoName).sort() : [];

/** The contents of a shop's database, counted, with so many photographs beside it. */
export const holdingsOf = (db: Db, photographs: number): Holdings => {
  const count = (table: string) =>
    db.prepare(`SELECT count(*) FROM ${table}`).pluck().get() as number;
  const has = (table: string) =>
    db.prepare('SELECT 1 FROM sqlite_schema WHERE name = ?').get(table) !== undefined;
  const name = db.prepare("SELECT value FROM settings WHERE key = 'shop-name'").pluck().get() as
    string | undefined;
  return {
    shopName: name ?? '',
    machines: count('machines'),
    wheels: count('wheels'),
    tires: count('tires'),
    // A shop of an earlier program had none.
    visits: has('visits') ? count('visits') : 0,
    jobs: count('jobs'),
    entries: count('entries'),
    photographs,
    lastAt: db.prepare('SELECT max(last_at) FROM jobs').pluck().get() as string | null,
  };
};
