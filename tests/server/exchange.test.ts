import Ajv2019 from 'ajv/dist/2019';
import Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { once } from 'node:events';
import { mkdirSync, mkdtempSync, readdirSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import pino from 'pino';
import request from 'supertest';
import { openPromise } from 'yauzl';
import { ZipFile } from 'yazl';
import { checkLine, fileName, type Line } from '../../src/core/reports/exchange';
import { seeded } from '../../src/core/base/statistics';
import { openDb, type Db } from '../../src/server/db/open-db';
import { fileSchema } from '../../src/server/exchange/file-schema';
import { jobLines, shopLines } from '../../src/server/exchange/export-lines';
import { shopExchange } from '../../src/server/exchange/shop-exchange';
import { takingIn } from '../../src/server/exchange/take-in';
import { cleanPicture } from '../../src/server/photo-clean';
import { runningShop } from '../../src/server/running-shop';
import { workHere } from '../../src/server/work/work-here';
import { howMany } from '../case-count';
import { noisePicture } from '../picture';
import { problemOf } from '../sample';
import { note, testApp } from './test-app';

let dir = '';
const at = (name: string) => join(dir, name);
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-exchange-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const text = (lines: Iterable<Line>): string =>
  [...lines].map((line) => `${JSON.stringify(line)}\n`).join('');
const sha256 = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');

/** Takes lines, as a file holds them, into a database. */
const into = (db: Db, file: string) => {
  const taking = takingIn(db);
  for (const line of file.trimEnd().split('\n')) taking.take(checkLine(JSON.parse(line)));
  return taking.end();
};

/** What is worked out from logs and records, and kept beside them. */
const DERIVED = [
  'rechecks',
  'station_times',
  'troubles',
  'cures',
  'wanted',
  'taken',
  'fitted',
  'fitted_weights',
];
const derived = (db: Db) =>
  Object.fromEntries(
    DERIVED.map((table) => [
      table,
      (db.prepare(`SELECT * FROM ${table}`).all() as object[])
        .map((row) => JSON.stringify(row))
        .sort(),
    ]),
  );
const jobRows = (db: Db) => db.prepare("SELECT *, '[]' AS fills FROM jobs ORDER BY number").all();

describe('a shop as a file', () => {
  const { db } = testApp();
  const file = text(shopLines(db));
  const lines = file.trimEnd().split('\n');
  afterAll(() => void db.close());

  it('comes into an empty shop and goes out of it letter by letter the same', () => {
    const other = openDb(':memory:');
    const plan = into(other, file);
    expect(text(shopLines(other))).toBe(file);
    expect(plan.counts.job).toEqual({ new: 24, same: 0, stays: 0 });
    expect(plan.renumbered).toEqual([]);
    expect(derived(other)).toEqual(derived(db));
    expect(jobRows(other)).toEqual(jobRows(db));

    // Once more it is all here already.
    const again = into(other, file);
    const isAllHere = Object.values(again.counts).every((c) => c.new === 0 && c.stays === 0);
    expect({ isAllHere, entries: again.entries }).toEqual({ isAllHere: true, entries: 0 });
    expect(text(shopLines(other))).toBe(file);

    // What was changed here stays, and is told by its name.
    other.prepare("UPDATE machines SET name = 'Renamed' WHERE id = 'm-orrin'").run();
    expect(into(other, file).staying).toEqual([
      { kind: 'record', name: expect.any(String) as string },
    ]);
    expect(other.prepare("SELECT name FROM machines WHERE id = 'm-orrin'").pluck().get()).toBe(
      'Renamed',
    );
  });

  it('is what its published schema says, line by line, and holds no secret', () => {
    const ajv = new Ajv2019({ strict: false, validateFormats: false });
    const isLine = ajv.compile(fileSchema());
    const unfit = lines.filter((line) => !isLine(JSON.parse(line)));
    expect(unfit).toEqual([]);
    for (const wrong of [
      { line: 'person', name: 'A', role: 'king', pace: 'by station' },
      { line: 'person', name: 'A', role: 'owner' },
      { line: 'record', kind: 'tires', record: { id: 'a' } },
      { line: 'weather' },
    ])
      expect(isLine(wrong)).toBe(false);

    const other = openDb(':memory:');
    into(other, file);
    const hash = 'scrypt$secret-of-somebody';
    other.prepare('UPDATE people SET secret = ?').run(hash);
    other
      .prepare("INSERT INTO settings (key, value) VALUES ('calendar-key', 'key-of-the-calendar')")
      .run();
    expect(text(shopLines(other))).toBe(file);
    expect(text(jobLines(other, 'demo-job-3'))).not.toMatch(/secret-of|key-of/);
  });

  it('one job comes into another shop with what it needs, and out of it the same', () => {
    const one = text(jobLines(db, 'demo-job-3'));
    const other = openDb(':memory:');
    expect(into(other, one).of).toBe('job');
    // Its first line says which shop it is from: this one has no name.
    const rest = (all: string) => all.slice(all.indexOf('\n'));
    expect(rest(text(jobLines(other, 'demo-job-3')))).toBe(rest(one));
    const kept = jobRows(db).find((j) => (j as { id: string }).id === 'demo-job-3');
    expect(jobRows(other)).toEqual([kept]);
    // What a hand-over moved is no matter of this shop.
    expect(other.prepare('SELECT count(*) FROM taken').pluck().get()).toBe(0);
    expect(other.prepare('SELECT before, after FROM fitted').get()).toEqual({
      before: '{}',
      after: '{}',
    });
  });

  it('gives a job another number where its own is taken', () => {
    const other = openDb(':memory:');
    into(other, text(jobLines(db, 'demo-job-4')));
    const number = other.prepare('SELECT number FROM jobs').pluck().get() as number;
    const clashing = text(jobLines(db, 'demo-job-5')).replace(/"number":\d+/, `"number":${number}`);
    expect(into(other, clashing).renumbered).toEqual([{ from: number, to: number + 1 }]);
    expect(other.prepare("SELECT number FROM jobs WHERE id = 'demo-job-5'").pluck().get()).toBe(
      number + 1,
    );
  });

  const at3 = lines.findIndex((line) => line.startsWith('{"line":"job","id":"demo-job-3"'));
  type Job = Line<'job'>;
  /** The file with its job 3 changed. */
  const withJob = (change: (job: Job) => void): string => {
    const job = JSON.parse(lines[at3]!) as Job;
    change(job);
    return [...lines.slice(0, at3), JSON.stringify(job)].join('\n');
  };
  const HOSTILE: [says: string, file: () => string, problem: RegExp][] = [
    [
      'nothing in it',
      () => '{"line":"person","name":"A","role":"owner","pace":"by station"}',
      /does not start/,
    ],
    ['two first lines', () => `${lines[0]}\n${lines[0]}`, /two header lines/],
    [
      'an order of its own',
      () => `${lines[0]}\n${lines[at3]}\n${lines[1]}`,
      /stands after one of|Machine not found/,
    ],
    [
      'a log opened twice',
      () => withJob((j) => void j.entries.push({ ...j.entries[0]!, id: 'x' })),
      /two opening entries/,
    ],
    [
      'a log without rules',
      () => withJob((j) => void j.entries.splice(1, 1)),
      /does not begin as it should/,
    ],
    [
      'time that runs back',
      () => withJob((j) => void (j.entries.at(-1)!.at = '2001-01-01T00:00:00.000Z')),
      /backwards/,
    ],
    [
      'an id twice',
      () => withJob((j) => void j.entries.push({ ...j.entries.at(-1)! })),
      /is listed twice/,
    ],
    [
      'an undo of nothing',
      () =>
        withJob(
          (j) =>
            void j.entries.push({
              ...j.entries.at(-1)!,
              id: 'u',
              kind: 'undo',
              data: { entryId: 'no' },
            } as never),
        ),
      /not before it/,
    ],
    [
      'another machine',
      () =>
        withJob((j) => void ((j.entries[0]!.data as { machine: { id: string } }).machine.id = 'm')),
      /Machine not found/,
    ],
    ['no such visit', () => withJob((j) => void (j.visitId = 'nowhere')), /Visit not found/],
    [
      'an entry of another log',
      () =>
        withJob(
          (j) =>
            void (j.entries.at(-1)!.id = (JSON.parse(lines[at3 - 1]!) as Job).entries.at(-1)!.id),
        ),
      /is in another log/,
    ],
    ['a number too large', () => withJob((j) => void (j.number = 1e12)), /too large/],
    [
      'a reading out of bounds',
      () => file.replace(/"gaugeKpa":\d+/, '"gaugeKpa":90000'),
      /too large/,
    ],
  ];
  it.each(HOSTILE)('refuses %s', (_says, made, problem) => {
    const other = openDb(':memory:');
    const { message } = problemOf(() => into(other, made()));
    expect(message).toMatch(problem);
  });

  it('refuses a log that is here and went another way, or on', () => {
    const other = openDb(':memory:');
    into(other, file);
    const more = (j: Job) => void j.entries.push({ ...j.entries.at(-1)!, id: 'more' });
    expect(problemOf(() => into(other, withJob(more))).message).toMatch(/file’s copy is newer/);
    const changed = (j: Job) => void (j.entries.at(-1)!.who = 'Somebody');
    expect(problemOf(() => into(other, withJob(changed))).message).toMatch(
      /here with a different log/,
    );
    // A file of yesterday is no trouble: here it went on.
    expect(
      into(
        other,
        withJob((j) => void j.entries.pop()),
      ).counts.job,
    ).toMatchObject({ new: 0, stays: 1 });
  });

  it('is called by the shop’s name, in letters that any disk takes', () => {
    expect(fileName('shop', 'Änne’s Räder & Co/..', '2026-04-30')).toBe(
      'annes-rader-co-shop-2026-04-30.zip',
    );
    expect(fileName('job', '車輪', '2026-04-30')).toBe('shop-job-2026-04-30.zip');
  });
});

const ZIP = 'application/zip';
let picture: Buffer;
let photoId = '';
beforeAll(async () => {
  picture = (await cleanPicture(await noisePicture(7, 3000), '')).bytes;
  photoId = sha256(picture);
});

/** A shop on a file, filled from the demo shop or empty, and its server. */
const shopAt = (name: string, filled: boolean) => {
  const path = at(`${name}.sqlite`);
  if (filled) {
    const { db } = testApp();
    writeFileSync(path, db.serialize());
    db.close();
    mkdirSync(at(`${name}-photos`));
    writeFileSync(join(at(`${name}-photos`), `${photoId}.png`), picture);
  }
  const shop = runningShop(path, { logger: pino({ level: 'silent' }), work: workHere() });
  return { path, shop, ask: request(shop.answer) };
};
const binary = (res: request.Response, done: (error: Error | null, body: Buffer) => void) => {
  buffer(res as unknown as Readable).then(
    (body) => done(null, body),
    (error: Error) => done(error, Buffer.alloc(0)),
  );
};
/** A zip file of these files. */
const zipOf = async (files: Record<string, string | Buffer>): Promise<Buffer> => {
  const zip = new ZipFile();
  for (const [name, content] of Object.entries(files)) zip.addBuffer(Buffer.from(content), name);
  zip.end();
  return buffer(zip.outputStream as Readable);
};

describe('the files of a running shop', () => {
  it('a shop goes out whole, is looked into, and comes into an empty one, byte for byte the same', async () => {
    const from = shopAt('from', true);
    const photo = { id: 'ph-1', who: 'Juna Birk', station: 'inspect', kind: 'photo' };
    const { body: job } = await from.ask.get('/api/jobs/demo-job-21');
    const entries = [{ ...photo, data: { photoId, part: null, says: 'the rim' } }];
    const wrote = await from.ask
      .post('/api/jobs/demo-job-21/entries')
      .send({ expectedSeq: (job as { job: { lastSeq: number } }).job.lastSeq, entries });
    expect(wrote.status).toBe(201);
    const out = await from.ask
      .get('/api/exchange/shop')
      .buffer(true)
      .parse(binary as never);
    const file = out.body as Buffer;
    expect(out.headers['content-disposition']).toMatch(/-shop-\d{4}-\d\d-\d\d\.zip/);
    writeFileSync(at('out.zip'), file);
    const zip = await openPromise(at('out.zip'));
    expect(zip.entryCount).toBe(2);
    zip.close();

    const to = shopAt('to', false);
    const brought = await to.ask.put('/api/exchange/brought').set('Content-Type', ZIP).send(file);
    expect(brought.status).toBe(201);
    const { id, plan } = brought.body as {
      id: string;
      plan: { counts: object; photographs: object };
    };
    expect(plan).toMatchObject({ of: 'shop', photographs: { new: 1, same: 0, missing: 0 } });
    // Nothing has changed yet.
    expect((await to.ask.get('/api/jobs')).body).toMatchObject({ total: 0 });

    const taking = to.ask.post(`/api/exchange/brought/${id}/take-in`).then((res) => res);
    const taken = await taking;
    expect(taken.body).toMatchObject({
      plan,
      kept: expect.stringContaining('before-restore') as string,
    });
    expect((await to.ask.get('/api/jobs')).body).toMatchObject({ total: 24 });
    expect((await to.ask.get(`/api/photos/${photoId}`)).status).toBe(200);
    const again = await to.ask
      .get('/api/exchange/shop')
      .buffer(true)
      .parse(binary as never);
    expect(sha256(again.body as Buffer)).toBe(sha256(file));
    expect(readdirSync(at('to-backups')).filter((n) => n.startsWith('taking-in'))).toEqual([]);
    // Brought once, taken in once.
    expect((await to.ask.post(`/api/exchange/brought/${id}/take-in`)).status).toBe(404);

    const one = await from.ask
      .get('/api/jobs/demo-job-21/file')
      .buffer(true)
      .parse(binary as never);
    const look = await to.ask
      .put('/api/exchange/brought')
      .set('Content-Type', ZIP)
      .send(one.body as Buffer);
    expect(look.body).toMatchObject({
      plan: { of: 'job', photographs: { new: 0, same: 1, missing: 0 } },
    });
    const left = (look.body as { id: string }).id;
    expect((await to.ask.delete(`/api/exchange/brought/${left}`)).status).toBe(204);
    expect((await from.ask.get('/api/jobs/nowhere/file')).status).toBe(404);
    from.shop.close();
    to.shop.close();
  });

  it('half applies none of many damaged or hostile files', async () => {
    const from = testApp();
    const lines = [...shopLines(from.db)].filter((l) => l.line !== 'job' || l.id === 'demo-job-3');
    from.db.close();
    const whole = text(lines);
    const file = await zipOf({ 'shop.ndjson': whole });
    const target = openDb(at('target.sqlite'));
    const exchange = shopExchange(target, at('photos'), at('backups'));
    const before = text(shopLines(target));
    const bring = (bytes: Buffer) =>
      exchange.bring(
        (async function* () {
          yield await Promise.resolve(bytes);
        })() as unknown as Readable,
      );
    const random = seeded(11);
    const between = (n: number) => Math.floor(random() * n);
    const damaged = (): Buffer => {
      const bytes = Buffer.from(file);
      const how = between(3);
      if (how === 0) return bytes.subarray(0, between(bytes.length));
      if (how === 1) for (let i = 0; i < 40; i++) bytes[between(bytes.length)] = between(256);
      if (how === 2) bytes.fill(0, between(bytes.length - 400), bytes.length - 300);
      return bytes;
    };
    const cut = (n: number) => whole.slice(0, n);
    const hostile: (() => Promise<Buffer>)[] = [
      () => Promise.resolve(Buffer.alloc(0)),
      () => Promise.resolve(Buffer.from('no zip at all')),
      () => zipOf({ 'other.txt': whole }),
      () => zipOf({ 'shop.ndjson': whole, 'evil.sh': 'rm' }),
      () =>
        zipOf({ 'shop.ndjson': whole, [`photographs/${'0'.repeat(64)}.jpg`]: 'not that picture' }),
      () =>
        zipOf({
          'shop.ndjson': whole,
          [`photographs/${sha256(Buffer.from('not a picture'))}.jpg`]: 'not a picture',
        }),
      () => zipOf({ 'shop.ndjson': Buffer.from([0xff, 0xfe, 0x0a]) }),
      () => zipOf({ 'shop.ndjson': '' }),
      () => zipOf({ 'shop.ndjson': '{}\n' }),
      () => zipOf({ 'shop.ndjson': '[1,2,3]\n' }),
      () =>
        zipOf({
          'shop.ndjson': `${lines[0] ? JSON.stringify(lines[0]) : ''}\n{"line":"person","__proto__":{}}\n`,
        }),
    ];
    let refused = 0;
    const tries = howMany(25, 200);
    for (let i = 0; i < tries; i++) {
      const made =
        hostile[i]?.() ??
        (i % 2 === 0 ? damaged() : zipOf({ 'shop.ndjson': cut(between(whole.length - 2)) }));
      try {
        await bring(await made);
      } catch (error) {
        refused++;
        expect((error as Error).name).toBe('InputError');
      }
      expect(text(shopLines(target))).toBe(before);
    }
    // Damage can miss: a byte of the comment, or a cut between two lines.
    expect(refused).toBeGreaterThan(0.95 * tries);
    expect(readdirSync(at('backups')).length).toBe(tries - refused);
    exchange.stop();
    target.close();
  });

  it('asks whoever writes to wait while a file is taken in, and goes on where it does not fit', async () => {
    const { path, shop, ask } = shopAt('busy', true);
    const file = (
      await ask
        .get('/api/exchange/shop')
        .buffer(true)
        .parse(binary as never)
    ).body as Buffer;
    const brought = await ask.put('/api/exchange/brought').set('Content-Type', ZIP).send(file);
    const { id } = brought.body as { id: string };
    const { body } = await ask.get('/api/jobs/demo-job-22');
    const expectedSeq = (body as { job: { lastSeq: number } }).job.lastSeq;
    const [taken, ...notes] = await Promise.all([
      ask.post(`/api/exchange/brought/${id}/take-in`).then((res) => res.status),
      ...[1, 2, 3, 4].map((n) =>
        ask
          .post('/api/jobs/demo-job-22/entries')
          .send({ expectedSeq, entries: [note(`while ${n}`)] })
          .then((res) => res.status),
      ),
    ]);
    expect(taken).toBe(200);
    // One of them was there before, or none: and what was confirmed is there.
    const confirmed = notes.filter((status) => status === 201).length;
    const after = (await ask.get('/api/jobs/demo-job-22')).body as {
      entries: { data: { text?: string } }[];
    };
    expect(after.entries.filter((e) => e.data.text?.startsWith('while')).length).toBe(confirmed);
    expect(notes.every((status) => [201, 409, 503].includes(status))).toBe(true);
    shop.close();
    expect(new Database(path, { readonly: true }).pragma('integrity_check', { simple: true })).toBe(
      'ok',
    );
  });

  it('goes out to whoever reads slowly, and holds up no restore', async () => {
    const { shop, ask } = shopAt('slow', true);
    const large = 'a'.repeat(64);
    writeFileSync(join(at('slow-photos'), `${large}.jpg`), Buffer.alloc(60_000_000));
    const { body: job } = await ask.get('/api/jobs/demo-job-22');
    const { lastSeq } = (job as { job: { lastSeq: number } }).job;
    const photo = { id: 'large', who: 'Juna Birk', station: 'inspect', kind: 'photo' };
    const entries = [{ ...photo, data: { photoId: large, part: null, says: '' } }];
    await ask
      .post('/api/jobs/demo-job-22/entries')
      .send({ expectedSeq: lastSeq, entries })
      .expect(201);
    const server = createServer(shop.answer).listen(0, '127.0.0.1');
    await once(server, 'listening');
    const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`;
    try {
      const reading = await fetch(`${url}/exchange/shop`);
      expect(reading.status).toBe(200);
      const headers = { 'content-type': 'application/json' };
      const post = async (path: string) =>
        (await fetch(`${url}${path}`, { method: 'POST', headers, body: '{}' })).json();
      const { name } = (await post('/backups')) as { name: string };
      expect(await post(`/backups/${name}/restore`)).toMatchObject({
        kept: expect.stringContaining('before') as string,
      });
      // What was sent is no whole file, and the reader is told so.
      await expect(reading.arrayBuffer()).rejects.toThrow();
      expect((await fetch(`${url}/jobs`)).status).toBe(200);
    } finally {
      server.closeAllConnections();
      server.close();
      shop.close();
    }
  });
});
