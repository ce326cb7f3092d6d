import Database from 'better-sqlite3';
import { existsSync, mkdtempSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import pino from 'pino';
import request from 'supertest';
import { fillDemo } from '../../src/demo/fill-demo';
import { createApp } from '../../src/server/app';
import { shopBackups } from '../../src/server/backup/shop-backups';
import { openDb, type Db } from '../../src/server/db/open-db';
import { ruleStore } from '../../src/server/db/rule-store';
import { shopRiders } from '../../src/server/riders/shop-riders';
import { shopExchange } from '../../src/server/exchange/shop-exchange';

export const NOW = Date.UTC(2026, 3, 30, 12);

/** The demo shop as a database file in memory, filled once for all test files of a run. */
const filled = (): Buffer => {
  const file = join(process.env.RIMSTONE_TEMPLATES!, 'demo.sqlite');
  if (existsSync(file)) return readFileSync(file);
  const db = openDb(':memory:');
  fillDemo(db, NOW);
  const buffer = db.serialize();
  db.close();
  // Moved there when whole: another worker may look for it at the same time.
  writeFileSync(`${file}.${process.pid}`, buffer);
  renameSync(`${file}.${process.pid}`, file);
  return buffer;
};

const demoDb = (): Db => {
  const db = new Database(filled());
  db.pragma('foreign_keys = ON');
  return db;
};

/** An app on a database in memory; filled with the demo shop unless `empty`. */
export const testApp = (options: { empty?: boolean; passphrase?: string } = {}) => {
  const db: Db = options.empty ? openDb(':memory:') : demoDb();
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-'));
  const photosDir = relative(process.cwd(), join(dir, 'photos'));
  const folder = join(dir, 'backups');
  const app = createApp(db, {
    photosDir,
    logger: pino({ level: 'silent' }),
    passphrase: options.passphrase,
    // A shop that is kept in no file: nothing takes its place.
    backups: { store: shopBackups(db, ruleStore(db), photosDir, folder), restore: null },
    exchange: { store: shopExchange(db, photosDir, folder), takeIn: null },
    riders: { store: shopRiders(db, folder), forget: null },
  });
  return { db, app, photosDir, ask: request(app) };
};

let n = 0;
/** A note as a client would send it. */
export const note = (text: string, more: Record<string, unknown> = {}) => ({
  id: `note-${++n}`,
  who: 'Juna Birk',
  station: 'inspect',
  kind: 'note',
  data: { text },
  ...more,
});

/** A hand-over of a wheel whose log proves next to nothing. */
export const DESPITE = { by: 'Juna Birk', why: 'only its papers are tested here' };
