import Database from 'better-sqlite3';
import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import request from 'supertest';
import { seeded } from '../../src/core/base/statistics';
import { createApp } from '../../src/server/app';
import { checkBegun, checkFile, openDb, SCHEMA_VERSION } from '../../src/server/db/open-db';
import { MIGRATIONS_DIR } from '../../src/server/paths';
import { sameFile } from '../../src/server/db/file-identity';
import { howMany } from '../case-count';
import { note, testApp } from './test-app';

let dir = '';
const at = (name: string) => join(dir, name);
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-start-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

describe('a new shop', () => {
  test('is begun only when it is asked for', () => {
    expect(() => checkBegun(at('shop.sqlite'), false)).toThrow(/^No shop at .*npm start -- --new/);
    expect(() => checkBegun(at('shop.sqlite'), true)).not.toThrow();
    writeFileSync(at('shop.sqlite'), '');
    expect(() => checkBegun(at('shop.sqlite'), false)).toThrow(/^The database .* is empty\./);
    openDb(at('whole.sqlite')).close();
    expect(() => checkBegun(at('whole.sqlite'), false)).not.toThrow();
  });

  test('is not thought of where there was one: its file has to come back', () => {
    writeFileSync(at('shop.sqlite-seal'), '{}');
    expect(() => checkBegun(at('shop.sqlite'), false)).toThrow(
      /There was one: put its file back, or restore a backup/,
    );
  });
});

describe('a database that is not a whole shop', () => {
  test('another program’s is left as it is', () => {
    const file = at('other.sqlite');
    const other = new Database(file);
    other.exec('CREATE TABLE songs (name TEXT)');
    other.close();
    const before = readFileSync(file);
    expect(() => openDb(file)).toThrow(/a database, but not one of a shop\. Nothing was changed/);
    expect(readFileSync(file).equals(before)).toBe(true);
    // One that says so in its header, whatever it calls its tables.
    const marked = openDb(at('marked.sqlite'));
    marked.pragma('application_id = 77');
    marked.close();
    expect(() => openDb(at('marked.sqlite'))).toThrow(/not one of a shop/);
  });

  test('a shop says whose file it is, an earlier one from its next start on', () => {
    const db = openDb(at('shop.sqlite'));
    expect(db.pragma('application_id', { simple: true })).toBe(0x52494d53);
    db.pragma('application_id = 0');
    db.close();
    expect(() => openDb(at('shop.sqlite')).close()).not.toThrow();
  });

  test('one that lost a page, an end or a letter of its index is not served as if it were whole', () => {
    const whole = at('whole.sqlite');
    const { db } = testApp();
    writeFileSync(whole, db.serialize());
    db.close();
    const good = readFileSync(whole);
    const contentOf = (file: string): string => {
      const opened = openDb(file);
      const tables = opened
        .prepare("SELECT name FROM sqlite_schema WHERE type = 'table'")
        .pluck()
        .all() as string[];
      const rows = tables.map((t) =>
        opened
          .prepare(`SELECT * FROM ${t}`)
          .all()
          .map((row) => JSON.stringify(row))
          .sort(),
      );
      opened.close();
      return JSON.stringify(rows);
    };
    copyFileSync(whole, at('same.sqlite'));
    const content = contentOf(at('same.sqlite'));
    const chance = seeded(500);
    const served: number[] = [];
    for (let i = 0; i < howMany(25, 500); i++) {
      const bad = Buffer.from(good);
      const page = Math.floor(chance() * (good.length / 4096));
      if (i % 3 === 0) bad.fill(0, page * 4096, (page + 1) * 4096);
      else if (i % 3 === 1) bad.fill(chance() * 256, page * 4096, page * 4096 + 40);
      const file = at(`bad-${i}.sqlite`);
      writeFileSync(
        file,
        i % 3 === 2 ? bad.subarray(0, Math.floor(good.length * (0.1 + 0.8 * chance()))) : bad,
      );
      try {
        // A page that held nothing is no loss.
        if (contentOf(file) !== content) served.push(i);
      } catch (error) {
        expect((error as Error).message).toMatch(/cannot be used: /);
      }
      rmSync(file, { force: true });
    }
    expect(served).toEqual([]);
  });
});

test('before a newer program changes it the database is kept as it was', () => {
  const file = at('old.sqlite');
  const db = new Database(file);
  // As an earlier program left it.
  for (const name of readdirSync(MIGRATIONS_DIR).sort().slice(0, 13))
    db.exec(readFileSync(join(MIGRATIONS_DIR, name), 'utf8'));
  db.prepare("INSERT INTO people (name) VALUES ('Ama')").run();
  db.pragma('user_version = 13');
  db.close();
  openDb(file).close();
  const kept = `${file}.before-version-14`;
  checkFile(kept);
  const old = new Database(kept, { readonly: true });
  expect(old.pragma('user_version', { simple: true })).toBe(13);
  expect(old.prepare('SELECT name FROM people').all()).toEqual([{ name: 'Ama' }]);
  old.close();
  // Opened again there is nothing to keep.
  openDb(file).close();
  expect(existsSync(`${file}.before-version-${SCHEMA_VERSION + 1}`)).toBe(false);
});

describe('while it runs', () => {
  const appOn = (file: string) => {
    const db = openDb(file);
    const isHere = sameFile(file);
    return {
      db,
      ask: request(
        createApp(db, { photosDir: at('photos'), logger: pino({ level: 'silent' }), isHere }),
      ),
    };
  };

  test.each([
    ['deleted', (file: string) => rmSync(file)],
    [
      'replaced',
      (file: string) => {
        copyFileSync(file, `${file}.copy`);
        renameSync(`${file}.copy`, file);
      },
    ],
  ])('a file that is %s stops the writing at once, and health says so', async (_what, harm) => {
    const { db, ask } = appOn(at('shop.sqlite'));
    await ask.post('/api/people').send({ name: 'Ama' }).expect(201);
    harm(at('shop.sqlite'));
    const { body } = await ask.post('/api/people').send({ name: 'Bo' }).expect(503);
    expect(body.error).toMatchObject({
      field: 'database',
      message: expect.stringMatching(/deleted or replaced/),
    });
    await ask.get('/api/health').expect(503);
    // What was read can still be looked at.
    await ask.get('/api/shop').expect(200);
    db.close();
  });

  test.each([
    ['a full disk', 'max_page_count', 507, /shop computer’s disk is full\. Nothing was saved/],
    ['files that can only be read', 'query_only', 503, /are read-only\. Nothing was saved/],
  ])(
    '%s is named, nothing is half-written, and it goes on when there is room again',
    async (_what, pragma, status, says) => {
      const { db, ask } = testApp();
      const url = '/api/jobs/demo-job-21/entries';
      const { lastSeq } = (await ask.get('/api/jobs/demo-job-21')).body.job;
      const entries = Array.from({ length: 40 }, () => note('x'.repeat(1900)));
      const { page_count } = db.prepare('PRAGMA page_count').get() as { page_count: number };
      db.pragma(pragma === 'query_only' ? 'query_only = ON' : `max_page_count = ${page_count}`);
      const { body } = await ask.post(url).send({ expectedSeq: lastSeq, entries }).expect(status);
      expect(body.error).toMatchObject({ field: 'disk', message: expect.stringMatching(says) });
      db.pragma(pragma === 'query_only' ? 'query_only = OFF' : 'max_page_count = 1000000');
      expect((await ask.get('/api/jobs/demo-job-21')).body.job.lastSeq).toBe(lastSeq);
      await ask.post(url).send({ expectedSeq: lastSeq, entries }).expect(201);
    },
  );

  test('a database that another program holds is named', async () => {
    const { db, ask } = appOn(at('shop.sqlite'));
    db.pragma('busy_timeout = 50');
    const other = new Database(at('shop.sqlite'));
    other.exec('BEGIN IMMEDIATE');
    const { body } = await ask.post('/api/people').send({ name: 'Ama' }).expect(503);
    expect(body.error.message).toBe(
      'Another program holds the shop’s database. Nothing was saved.',
    );
    other.exec('ROLLBACK');
    other.close();
    await ask.post('/api/people').send({ name: 'Ama' }).expect(201);
    db.close();
  });
});

test('a damaged file beside its journal is left with it, byte for byte', () => {
  const file = at('shop.sqlite');
  const db = openDb(file);
  db.prepare("INSERT INTO people (name) VALUES ('Ama')").run();
  for (const end of ['', '-wal']) copyFileSync(file + end, at(`cut.sqlite${end}`));
  db.close();
  const cut = at('cut.sqlite');
  const bytes = readFileSync(cut);
  bytes.fill(255, 100, 4096);
  writeFileSync(cut, bytes);
  // The journal may hold the page whole: then it is whole again.
  const wal = statSync(`${cut}-wal`).size;
  try {
    openDb(cut).close();
  } catch {
    expect(readFileSync(cut).equals(bytes)).toBe(true);
    expect(statSync(`${cut}-wal`).size).toBe(wal);
  }
});
