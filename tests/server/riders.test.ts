import Joi from 'joi';
import { mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pino from 'pino';
import request from 'supertest';
import { oneOf, text } from '../../src/core/base/fields';
import { keptEntrySchema } from '../../src/core/job';
import { FORGOTTEN, withoutWords, wordsPattern } from '../../src/core/shop/riders';
import { openDb, type Db } from '../../src/server/db/open-db';
import { riderLines } from '../../src/server/exchange/export-lines';
import { takingIn } from '../../src/server/exchange/take-in';
import { freeTexts, textsChanged } from '../../src/server/riders/free-texts';
import { runningShop } from '../../src/server/running-shop';
import { workHere } from '../../src/server/work/work-here';
import { problemOf } from '../sample';
import { note, testApp } from './test-app';

const RIDER = 'Mara Tolling';

describe('a name in a text', () => {
  const without = (words: string[], said: string) => withoutWords(said, wordsPattern(words));
  it.each([
    ['Mara Tolling called', `${FORGOTTEN} called`],
    ['for MARA  TOLLING, and mara tolling’s sister', `for ${FORGOTTEN}, and ${FORGOTTEN}’s sister`],
    ['Mara Tollingham and Tamara Tolling', 'Mara Tollingham and Tamara Tolling'],
    ['Mara', 'Mara'],
  ])('%s', (said, left) => expect(without([RIDER], said)).toBe(left));

  it('is found with its accents, however they are stored, and beside signs that mean something in a pattern', () => {
    expect(without(['Zoë Ångström'], 'Zoë Ångström'.normalize('NFD'))).toBe(FORGOTTEN);
    expect(without(['Γιώργος'], 'ΓΙΏΡΓΟΣ rang')).toBe(`${FORGOTTEN} rang`);
    expect(without(['A. (Ben) Cox+'], 'A. (Ben) Cox+ rang, AXBen Cox did not')).toBe(
      `${FORGOTTEN} rang, AXBen Cox did not`,
    );
    expect(without([RIDER, '+44 20 555'], 'at +44 20 555 or Mara Tolling')).toBe(
      `at ${FORGOTTEN} or ${FORGOTTEN}`,
    );
  });

  it('of two letters is refused: it stands in too many words', () => {
    expect(problemOf(() => wordsPattern(['Al']))).toMatchObject({ field: 'name' });
    expect(problemOf(() => wordsPattern(['Alma', '. 1']))).toMatchObject({ field: 'also[0]' });
  });
});

describe('the free texts of a schema', () => {
  it('are all but choices, ids, patterns and numbers, at any depth', () => {
    const schema = Joi.object({
      says: text(20, 'It'),
      kind: oneOf(['road', 'dirt'], 'The kind'),
      jobId: text(20, 'The job'),
      stepIds: Joi.array().items(text(20, 'A step')),
      day: Joi.string().pattern(/^\d{4}$/),
      many: Joi.number(),
      parts: Joi.array().items(Joi.object({ what: text(20, 'What'), count: Joi.number() })),
    });
    expect(freeTexts(schema)).toEqual([['says'], ['parts', '*', 'what']]);
    const value = {
      says: 'x',
      kind: 'x',
      jobId: 'x',
      stepIds: ['x'],
      day: 'x',
      parts: [{ what: 'x' }, { what: 'y' }],
    };
    expect(textsChanged(value, freeTexts(schema), () => 'z')).toEqual({
      ...value,
      says: 'z',
      parts: [{ what: 'z' }, { what: 'z' }],
    });
    // What is not there is not made.
    expect(textsChanged({ parts: null }, freeTexts(schema), () => 'z')).toEqual({ parts: null });
  });

  it('of entries hold what somebody says, and none of what the program looks up', () => {
    const of = (kind: Parameters<typeof keptEntrySchema>[0]) =>
      freeTexts(keptEntrySchema(kind)).map((p) => p.join('.'));
    expect(of('note')).toContain('data.text');
    expect(of('handed-over')).toEqual(expect.arrayContaining(['data.to', 'data.despite.why']));
    expect(of('opened')).toEqual(
      expect.arrayContaining(['data.rider', 'data.machine.rider', 'data.wheel.note']),
    );
    expect(of('opened')).not.toEqual(expect.arrayContaining(['data.machine.kind']));
    expect(of('opened')).not.toEqual(expect.arrayContaining(['data.wheel.machineId']));
    expect(of('step')).not.toContain('data.stepId');
  });
});

/** Every byte of every file of a shop. */
const bytesOf = (dir: string): string =>
  readdirSync(dir)
    .map((name) => join(dir, name))
    .map((path) =>
      statSync(path).isDirectory() ? bytesOf(path) : readFileSync(path).toString('utf8'),
    )
    .join('\n');

const entriesOf = (db: Db) =>
  db
    .prepare(
      'SELECT job_id, seq, id, at, who, station, kind, data FROM entries ORDER BY job_id, seq',
    )
    .all() as { data: string }[];

describe('a rider of a running shop', () => {
  let dir = '';
  beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-riders-'))));
  afterEach(() => rmSync(dir, { recursive: true, force: true }));
  const begun = () => {
    const { db } = testApp();
    writeFileSync(join(dir, 'shop.sqlite'), db.serialize());
    db.close();
    const shop = runningShop(join(dir, 'shop.sqlite'), {
      logger: pino({ level: 'silent' }),
      work: workHere(),
    });
    return { shop, ask: request(shop.answer) };
  };

  it('is forgotten: found in no list, no log and no byte, and what was measured stands', async () => {
    const { shop, ask } = begun();
    const { body: job } = await ask.get('/api/jobs?search=tolling');
    const ids = (job as { jobs: { id: string; lastSeq: number; visitId?: string }[] }).jobs;
    expect(ids.length).toBeGreaterThan(1);
    const one = ids[0]!;
    await ask
      .post(`/api/jobs/${one.id}/entries`)
      .send({
        expectedSeq: one.lastSeq,
        entries: [note('mara tolling rang: 0161 4960 not before noon')],
      })
      .expect(201);
    const { body: machine } = await ask.get('/api/records/machines/m-orrin');
    await ask
      .put('/api/records/machines/m-orrin')
      .send({ ...machine, note: `${RIDER}, 0161 4960` })
      .expect(200);
    const { body: kept } = await ask.get('/api/riders').query({ name: RIDER }).expect(200);
    expect(kept).toMatchObject({ name: RIDER, machines: [{ id: 'm-orrin' }], jobs: ids.length });
    const before = openDb(join(dir, 'shop.sqlite'));
    const logs = entriesOf(before);
    before.close();
    const { body: others } = await ask.get('/api/jobs?search=sandrock');
    expect(bytesOf(dir).toLowerCase()).toMatch(/tolling/);
    const { body: backup } = await ask.post('/api/backups').send({}).expect(201);

    const asked = { name: RIDER, also: ['0161 4960'], who: 'Juna Birk' };
    const { body: gone } = await ask.post('/api/riders/forget').send(asked).expect(200);
    expect(gone.records).toBe(1);
    // Every browser forgets what it saw before.
    expect((await ask.get('/api/session')).body).toMatchObject({ forgottenAt: gone.at as string });
    expect(gone.entries).toBeGreaterThan(ids.length);
    // A backup of before is told of: it is for the owner to delete.
    expect(gone.stillIn).toEqual([
      expect.stringContaining((backup as { name: string }).name) as string,
    ]);
    rmSync(gone.stillIn[0] as string);

    for (const search of ['tolling', 'mara tolling', '4960'])
      expect((await ask.get('/api/jobs').query({ search })).body).toMatchObject({ total: 0 });
    expect((await ask.get('/api/jobs?search=forgotten')).body).toMatchObject({ total: ids.length });
    expect((await ask.get('/api/visits?state=done&search=tolling')).body).toMatchObject({
      visits: [],
    });
    expect((await ask.get('/api/records/machines?find=tolling')).body).toMatchObject({ total: 0 });
    expect((await ask.get('/api/jobs?search=sandrock')).body).toEqual(others);
    expect((await ask.get('/api/riders').query({ name: RIDER })).status).toBe(404);
    const { body: changes } = await ask.get('/api/changes');
    expect((changes as { changes: object[] }).changes[0]).toMatchObject({
      name: 'a rider',
      field: 'forgotten',
    });
    shop.close();

    expect(bytesOf(dir).toLowerCase()).not.toMatch(/tolling|0161 4960/);
    const db = openDb(join(dir, 'shop.sqlite'));
    const clean = (data: string) => withoutWords(data, wordsPattern([RIDER, '0161 4960']));
    expect(entriesOf(db)).toEqual(logs.map((e) => ({ ...e, data: clean(e.data) })));
    expect(() => db.prepare("UPDATE entries SET who = 'x'").run()).toThrow(/never changed/);
    expect(() => db.prepare('DELETE FROM visit_entries').run()).toThrow(/never removed/);
    db.close();
  });

  it('is refused where nobody has the name, or a word is too short', async () => {
    const { shop, ask } = begun();
    const forget = (name: string, also: string[]) =>
      ask.post('/api/riders/forget').send({ name, also, who: 'Juna Birk' });
    expect((await forget('Nobody Here', [])).status).toBe(404);
    const { body, status } = await forget(RIDER, ['x']);
    expect([status, (body as { error: { field: string } }).error.field]).toEqual([422, 'also[0]']);
    expect((await ask.get('/api/riders').query({ name: RIDER })).status).toBe(200);
    expect(readdirSync(join(dir, 'shop-backups'))).toEqual([]);
    shop.close();
    const { ask: inMemory } = testApp();
    const refused = await inMemory
      .post('/api/riders/forget')
      .send({ name: RIDER, also: [], who: 'Juna Birk' });
    expect(refused.body.error.message).toMatch(/no database file/);
  });
});

it('what is kept of a rider goes out as a file, with nobody else in it, and comes into a shop', () => {
  const { db } = testApp();
  db.prepare("UPDATE machines SET rider = 'Somebody Later' WHERE id = 'm-orrin'").run();
  const lines = [...riderLines(db, RIDER)];
  const text = JSON.stringify(lines);
  const riders = db.prepare('SELECT DISTINCT rider FROM machines').pluck().all() as string[];
  expect(riders.filter((rider) => text.includes(rider))).toEqual([]);
  expect(text).toContain(RIDER);
  const jobs = db.prepare('SELECT count(*) FROM jobs WHERE rider = ?').pluck().get(RIDER);
  expect(lines.filter((l) => l.line === 'job')).toHaveLength(jobs as number);
  const other = openDb(':memory:');
  const taking = takingIn(other);
  lines.forEach(taking.take);
  expect(taking.end().counts.job.new).toBe(jobs);
  db.close();
});
