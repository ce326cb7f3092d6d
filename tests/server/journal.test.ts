import {
  copyFileSync,
  existsSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
  truncateSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { writeBack } from '../../src/server/db/journal';
import { openDb, type Db } from '../../src/server/db/open-db';

let dir = '';
const at = (name: string) => join(dir, name);
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-journal-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const addPerson = (db: Db, name: string) =>
  db.prepare('INSERT INTO people (name) VALUES (?)').run(name);
const peopleOf = (db: Db) =>
  db
    .prepare<[], { name: string }>('SELECT name FROM people ORDER BY name')
    .all()
    .map((p) => p.name);

/**
 * A shop after a power cut: database, journal and seal as they stood in the middle of the work,
 * times but for their last digits.
 */
const shopCutOff = (write: (db: Db) => void): string => {
  const file = at('shop.sqlite');
  const db = openDb(file);
  addPerson(db, 'Ama');
  write(db);
  const [wal, seal] = [`${file}-wal`, `${file}-seal`];
  copyFileSync(wal, `${wal}.kept`);
  copyFileSync(seal, `${seal}.kept`);
  copyFileSync(file, at('main.kept'));
  const { atime, mtime } = statSync(file);
  db.close();
  copyFileSync(`${wal}.kept`, wal);
  copyFileSync(`${seal}.kept`, seal);
  copyFileSync(at('main.kept'), file);
  utimesSync(file, atime, mtime);
  return file;
};

test('what a power cut leaves is opened, with its newest entries', () => {
  const file = at('shop.sqlite');
  const db = openDb(file);
  addPerson(db, 'Ama');
  expect(statSync(`${file}-wal`).size).toBeGreaterThan(0);
  // Another program that opens it meanwhile takes nothing away.
  const other = openDb(file);
  expect(peopleOf(other)).toEqual(['Ama']);
  other.close();
  expect(existsSync(`${file}-seal`)).toBe(true);
  db.close();
  expect(existsSync(`${file}-wal`)).toBe(false);
  expect(existsSync(`${file}-seal`)).toBe(false);
});

test('a backup beside the journal of another database is refused, and nothing is touched', () => {
  const backup = at('backup.sqlite');
  const old = openDb(backup);
  addPerson(old, 'Old');
  old.close();
  const file = shopCutOff((db) => addPerson(db, 'Bo'));
  copyFileSync(backup, file);
  const wal = statSync(`${file}-wal`).size;
  expect(() => openDb(file)).toThrow(
    /is not the one that the journal .*-wal beside it belongs to.*Put back the database.*move .*-wal to another folder/s,
  );
  expect(statSync(`${file}-wal`).size).toBe(wal);
  // The way out that the sentence names.
  rmSync(`${file}-wal`);
  const db = openDb(file);
  expect(peopleOf(db)).toEqual(['Old']);
  db.close();
});

test('a journal beside no database at all is refused too', () => {
  const file = shopCutOff((db) => addPerson(db, 'Bo'));
  rmSync(file);
  expect(() => openDb(file)).toThrow(/is not the one/);
});

test('a long journal is written back, a short one is not, and the seal follows', () => {
  const file = at('shop.sqlite');
  const db = openDb(file);
  addPerson(db, 'Ama');
  const before = statSync(file);
  writeBack(db, file);
  expect(statSync(file).mtimeMs).toBe(before.mtimeMs);
  writeBack(db, file, 1);
  expect(statSync(`${file}-wal`).size).toBe(0);
  addPerson(db, 'Bo');
  const other = openDb(file);
  expect(peopleOf(other)).toEqual(['Ama', 'Bo']);
  other.close();
  db.close();
});

test('a file that shrank under its journal is refused', () => {
  const file = shopCutOff((db) => addPerson(db, 'Bo'));
  truncateSync(file, 4096);
  expect(() => openDb(file)).toThrow(/is not the one/);
});

test('a cut in the middle of writing the journal back is no stranger; a file that changed long after it is', () => {
  const file = shopCutOff((db) => addPerson(db, 'Bo'));
  const seal = JSON.parse(readFileSync(`${file}-seal`, 'utf8')) as object;
  const changed = statSync(file).mtimeMs;
  const since = (ms: number) =>
    writeFileSync(`${file}-seal`, JSON.stringify({ ...seal, writingSince: changed + ms }));
  since(3000);
  expect(() => openDb(file)).toThrow(/is not the one/);
  since(-130_000);
  expect(() => openDb(file)).toThrow(/is not the one/);
  since(-500);
  const db = openDb(file);
  expect(peopleOf(db)).toEqual(['Ama', 'Bo']);
  db.close();
});

test('a journal of a program that kept no seal is laid over its database as ever', () => {
  const file = shopCutOff((db) => addPerson(db, 'Bo'));
  rmSync(`${file}-seal`);
  const db = openDb(file);
  expect(peopleOf(db)).toEqual(['Ama', 'Bo']);
  db.close();
});
