import Database from 'better-sqlite3';
import { Buffer } from 'node:buffer';
import {
  createWriteStream,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { createHash } from 'node:crypto';
import pino from 'pino';
import sharp from 'sharp';
import request from 'supertest';
import { ZipFile } from 'yazl';
import { seeded } from '../../src/core/base/statistics';
import { shopBackups } from '../../src/server/backup/shop-backups';
import { swapIn } from '../../src/server/backup/replace-database';
import { unpackBackup } from '../../src/server/backup/unpack-backup';
import { writeBackup } from '../../src/server/backup/write-backup';
import { openDb, SCHEMA_VERSION, type Db } from '../../src/server/db/open-db';
import { ruleStore } from '../../src/server/db/rule-store';
import { runningShop } from '../../src/server/running-shop';
import { workHere } from '../../src/server/work/work-here';
import { howMany } from '../case-count';
import { note, testApp } from './test-app';

let dir = '';
const at = (name: string) => join(dir, name);
beforeEach(() => void (dir = mkdtempSync(join(tmpdir(), 'rimstone-backup-'))));
afterEach(() => rmSync(dir, { recursive: true, force: true }));

const sha256 = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');

let pictures: Buffer[] = [];
beforeAll(async () => {
  const made = ['#345', '#a52'].map((background) =>
    sharp({ create: { width: 40, height: 30, channels: 3, background } })
      .jpeg()
      .toBuffer(),
  );
  pictures = await Promise.all(made);
});

/** The demo shop as a file, with two photographs beside it. */
const demoShop = () => {
  const { db: filled } = testApp();
  writeFileSync(at('shop.sqlite'), filled.serialize());
  filled.close();
  mkdirSync(at('shop-photos'));
  for (const picture of pictures)
    writeFileSync(join(at('shop-photos'), `${sha256(picture)}.jpg`), picture);
  writeFileSync(join(at('shop-photos'), 'notes.txt'), 'no photograph');
  return openDb(at('shop.sqlite'));
};

/** Every row of every table. */
const contentOf = (db: Db): string => {
  const tables = db
    .prepare("SELECT name FROM sqlite_schema WHERE type = 'table' ORDER BY name")
    .pluck()
    .all() as string[];
  const rowsOf = (table: string) =>
    db
      .prepare(`SELECT * FROM ${table}`)
      .all()
      .map((row) => JSON.stringify(row));
  return JSON.stringify(tables.map((t) => [t, rowsOf(t).sort()]));
};
const contentAt = (file: string): string => {
  const db = new Database(file, { readonly: true });
  try {
    return contentOf(db);
  } finally {
    db.close();
  }
};

/** A zip of these files, with a manifest that names them unless another is given. */
const zipped = async (
  file: string,
  files: Record<string, Buffer>,
  change: (manifest: Record<string, unknown>) => object = (m) => m,
) => {
  const manifest = change({
    format: 'rimstone-backup',
    version: 1,
    madeAt: '2026-04-30T12:00:00.000Z',
    schema: SCHEMA_VERSION,
    holds: {
      shopName: '',
      machines: 0,
      wheels: 0,
      tires: 0,
      visits: 0,
      jobs: 0,
      entries: 0,
      photographs: 0,
      lastAt: null,
    },
    files: Object.entries(files).map(([name, bytes]) => ({
      name,
      bytes: bytes.length,
      sha256: sha256(bytes),
    })),
  });
  const text = Buffer.from(JSON.stringify(manifest));
  const zip = new ZipFile();
  zip.addBuffer(text, 'manifest.json');
  zip.addBuffer(Buffer.from(sha256(text)), 'manifest.sha256');
  for (const [name, bytes] of Object.entries(files)) zip.addBuffer(bytes, name);
  zip.end();
  await pipeline(zip.outputStream, createWriteStream(file));
};

test('a backup holds the database as it stood and every photograph, and is restored as it was', async () => {
  const db = demoShop();
  const before = contentOf(db);
  const hits = (file: string): unknown => {
    const found = new Database(file, { readonly: true });
    const rows = found
      .prepare(
        `SELECT j.number FROM job_words w JOIN jobs j ON j.number = w.rowid WHERE job_words MATCH '"vellan"' ORDER BY 1`,
      )
      .all();
    found.close();
    return rows;
  };
  db.prepare("UPDATE people SET secret = 'scrypt of somebody'").run();
  const manifest = await writeBackup(db, at('shop-photos'), at('out/one.zip'));
  expect(JSON.stringify(manifest)).not.toContain('scrypt');
  expect(manifest.holds).toMatchObject({ jobs: 24, photographs: 2, machines: 9 });
  expect(readdirSync(at('out'))).toEqual(['one.zip']);
  db.prepare("INSERT INTO people (name) VALUES ('Since')").run();
  db.close();
  rmSync(at('shop-photos'), { recursive: true });

  const unpacked = await unpackBackup(at('out/one.zip'), at('aside'));
  expect(unpacked.holds).toEqual(manifest.holds);
  const kept = await swapIn(at('aside'), at('shop.sqlite'), at('shop-photos'));
  // All but what people sign in by, and the indexes still point at their rows.
  expect(contentAt(at('shop.sqlite')) === before).toBe(true);
  expect(hits(at('shop.sqlite'))).toEqual(hits(kept!));
  expect((hits(kept!) as unknown[]).length).toBeGreaterThan(2);
  expect(contentAt(kept!).includes('Since')).toBe(true);
  expect(readdirSync(at('shop-photos'))).toHaveLength(2);
  expect(existsSync(at('aside'))).toBe(false);
  openDb(at('shop.sqlite')).close();
});

test('made while others write it is the shop at one moment: whole logs, and nothing of what came after', async () => {
  const db = demoShop();
  const put = db.prepare(
    "INSERT INTO entries (job_id, seq, id, at, who, station, kind, data) VALUES ('demo-job-21', ?, ?, '2026-05-01', 'Ama', 'inspect', 'note', '{\"text\":\"more\"}')",
  );
  const { seq } = db
    .prepare("SELECT max(seq) AS seq FROM entries WHERE job_id = 'demo-job-21'")
    .get() as { seq: number };
  let n = 0;
  const writing = setInterval(() => put.run(seq + ++n, `more-${n}`), 1);
  try {
    await writeBackup(db, at('shop-photos'), at('one.zip'));
  } finally {
    clearInterval(writing);
  }
  await unpackBackup(at('one.zip'), at('aside'));
  const copy = new Database(at('aside/shop.sqlite'), { readonly: true });
  const more = copy
    .prepare("SELECT count(*) AS n, max(seq) AS last FROM entries WHERE id LIKE 'more-%'")
    .get() as { n: number; last: number };
  expect(more.n).toBe(more.n === 0 ? 0 : more.last - seq);
  expect(copy.pragma('foreign_key_check')).toEqual([]);
  copy.close();
  db.close();
});

test('a shop that is damaged is not backed up over a good one, and no half file is left', async () => {
  const db = demoShop();
  db.pragma('ignore_check_constraints = ON');
  db.exec(
    "INSERT INTO entries VALUES ('demo-job-21', 9999, 'lost', '2026', 'Ama', 'inspect', 'note', 'half a te', NULL, NULL)",
  );
  await expect(writeBackup(db, at('shop-photos'), at('out/one.zip'))).rejects.toThrow(
    /damaged|malformed/,
  );
  expect(readdirSync(at('out'))).toEqual([]);
  db.close();
});

describe('a backup that is not whole', () => {
  const refused = (file: string) => unpackBackup(file, at('aside'));

  test('is refused wherever it is damaged, and nothing of it is left', async () => {
    const db = demoShop();
    await writeBackup(db, at('shop-photos'), at('good.zip'));
    db.close();
    const before = contentAt(at('shop.sqlite'));
    const good = readFileSync(at('good.zip'));
    const chance = seeded(200);
    const taken: number[] = [];
    for (let i = 0; i < howMany(30, 200); i++) {
      const bad = Buffer.from(good);
      const from = Math.floor(chance() * bad.length);
      if (i % 3 === 0) bad[from] = bad[from]! ^ (1 << Math.floor(chance() * 8));
      else if (i % 3 === 1) bad.fill(0, from, Math.min(bad.length, from + 600));
      writeFileSync(at('bad.zip'), i % 3 === 2 ? bad.subarray(0, from) : bad);
      const restored = await refused(at('bad.zip')).then(
        async () => contentAt(at('aside/shop.sqlite')),
        (error: Error) => (expect(error.name).toBe('InputError'), null),
      );
      // A letter in the zip's own times, say, changes nothing that is restored.
      if (restored !== null && restored !== before) taken.push(i);
      rmSync(at('aside'), { recursive: true, force: true });
    }
    expect(taken).toEqual([]);
    expect(contentAt(at('shop.sqlite')) === before).toBe(true);
  });

  test.each([
    ['a name that leads out of its folder', '../../shop.sqlite'],
    ['a name of its own making', 'photographs/holiday.jpg'],
  ])('%s is refused', async (_what, name) => {
    await zipped(at('bad.zip'), { 'shop.sqlite': Buffer.from('x'), x: Buffer.from('y') }, (m) => ({
      ...m,
      files: [{ name, bytes: 1, sha256: sha256(Buffer.from('y')) }],
    }));
    await expect(refused(at('bad.zip'))).rejects.toThrow();
    expect(existsSync(at('aside'))).toBe(false);
  });

  test('says what is wrong with it', async () => {
    const whole = openDb(at('w.sqlite'));
    whole.pragma('wal_checkpoint(TRUNCATE)');
    whole.close();
    const database = readFileSync(at('w.sqlite'));
    const one = async (
      files: Record<string, Buffer>,
      change?: (manifest: Record<string, unknown>) => object,
    ) => {
      await zipped(at('one.zip'), files, change);
      return refused(at('one.zip')).then(
        () => 'whole',
        (error: Error) => error.message,
      );
    };
    expect(await one({ 'shop.sqlite': database })).toBe('whole');
    rmSync(at('aside'), { recursive: true });
    expect(
      await one({ 'shop.sqlite': database }, (m) => ({ ...m, schema: SCHEMA_VERSION + 1 })),
    ).toBe('It was made by a newer program.');
    expect(
      await one({ 'shop.sqlite': database, 'extra.txt': Buffer.from('x') }, (m) => ({
        ...m,
        files: (m.files as object[]).slice(0, 1),
      })),
    ).toMatch(/extra\.txt, which its manifest does not name/);
    expect(
      await one({ 'shop.sqlite': database }, (m) => ({
        ...m,
        files: [
          ...(m.files as object[]),
          { name: `photographs/${'a'.repeat(64)}.jpg`, bytes: 1, sha256: 'a'.repeat(64) },
        ],
      })),
    ).toMatch(/is missing in it/);
    expect(await one({ 'shop.sqlite': Buffer.from('a letter') })).toMatch(
      /Its database cannot be used/,
    );
    expect(
      await one({ 'shop.sqlite': database }, (m) => ({
        ...m,
        files: [{ ...(m.files as { bytes: number }[])[0]!, bytes: 10 }],
      })),
    ).toMatch(/longer than its manifest says/);
    writeFileSync(at('letter.zip'), 'Dear shop');
    await expect(refused(at('letter.zip'))).rejects.toThrow(/It cannot be read/);
    await expect(refused(at('nothing.zip'))).rejects.toThrow('File not found.');
    expect(existsSync(at('aside'))).toBe(false);
  });
});

test('a backup never takes the place of a shop that another program has open', async () => {
  const db = demoShop();
  await writeBackup(db, at('shop-photos'), at('one.zip'));
  db.prepare("INSERT INTO people (name) VALUES ('Since')").run();
  await unpackBackup(at('one.zip'), at('aside'));
  await expect(swapIn(at('aside'), at('shop.sqlite'), at('shop-photos'))).rejects.toThrow(
    /open in another program/,
  );
  expect(contentOf(db).includes('Since')).toBe(true);
  db.close();
});

describe('the shop’s own folder of backups', () => {
  const DAY = 86_400_000;
  const storeOf = (db: Db, free?: () => Promise<number>) =>
    shopBackups(db, ruleStore(db), at('shop-photos'), at('backups'), free);
  const dated = (name: string, daysAgo: number) => {
    mkdirSync(at('backups'), { recursive: true });
    writeFileSync(at(`backups/${name}`), 'x');
    const when = new Date(Date.now() - daysAgo * DAY);
    utimesSync(at(`backups/${name}`), when, when);
  };

  test('what does not fit on the disk is refused, however much is sent, and nothing of it is left', async () => {
    const db = demoShop();
    const made = await storeOf(db).make('by-hand');
    const file = readFileSync(storeOf(db).pathOf(made.name));
    const bringInto = (free: number) =>
      storeOf(db, () => Promise.resolve(free)).bringIn(Readable.from([file]));
    // Half of what is free is for what is in it.
    await expect(bringInto(file.length)).rejects.toMatchObject({
      field: 'backup',
      expected: /at most \d+ MB/,
    });
    await expect(bringInto(2 * file.length + 2)).rejects.toThrow(
      'too large for the shop computer’s disk',
    );
    let sent = 0;
    const endless = Readable.from(
      (function* () {
        for (;;) {
          sent += 1_000_000;
          yield Buffer.alloc(1_000_000);
        }
      })(),
    );
    await expect(storeOf(db, () => Promise.resolve(20_000_000)).bringIn(endless)).rejects.toThrow(
      'too large for the shop computer’s disk',
    );
    expect(sent).toBeLessThan(30_000_000);
    expect(readdirSync(at('backups'))).toEqual([made.name]);
    await expect(bringInto(1e10)).resolves.toMatchObject({ kind: 'brought-in' });
    db.close();
  });

  test('keeps so many of the daily ones as the rule says, and all that somebody made', async () => {
    const db = demoShop();
    for (let i = 1; i <= 20; i++) dated(`daily-2026041${i}-120000.zip`, i);
    dated('by-hand-20260101-120000.zip', 200);
    dated('somebody-elses.zip', 1);
    const store = storeOf(db);
    const began = Date.now();
    await store.make('daily');
    const { backups } = store.now();
    expect(backups.filter((b) => b.kind === 'daily')).toHaveLength(14);
    expect(backups[0]!.kind).toBe('daily');
    // Written since then, to the second.
    expect(Date.parse(backups[0]!.writtenAt)).toBeGreaterThanOrEqual(began - 1000);
    expect(backups.filter((b) => b.kind === 'by-hand')).toHaveLength(1);
    expect(existsSync(at('backups/somebody-elses.zip'))).toBe(true);
    db.close();
  });

  test('says when the last one is too old; one brought in from elsewhere is none of this shop', () => {
    const db = demoShop();
    const store = storeOf(db);
    expect(store.now().isOld).toBe(false);
    dated('daily-20260410-120000.zip', 2.9);
    expect(store.now().isOld).toBe(false);
    rmSync(at('backups'), { recursive: true });
    dated('daily-20260410-120000.zip', 3.1);
    dated('brought-in-20260410-120000.zip', 0);
    expect(store.now().isOld).toBe(true);
    db.close();
  });

  test('one a day by itself: the first a minute after the start, the next once a day has gone by', () => {
    const db = demoShop();
    jest.useFakeTimers();
    try {
      const store = storeOf(db);
      const made = jest.spyOn(db, 'backup').mockRejectedValue(new Error('full'));
      const failed = jest.fn();
      const end = store.daily(failed);
      jest.advanceTimersByTime(59_000);
      expect(made).not.toHaveBeenCalled();
      jest.advanceTimersByTime(2000);
      dated('daily-20260410-120000.zip', 0.5);
      jest.advanceTimersByTime(3_600_000);
      end();
      jest.advanceTimersByTime(10 * DAY);
    } finally {
      jest.useRealTimers();
    }
    db.close();
  });
});

describe('over HTTP', () => {
  const begin = () => {
    demoShop().close();
    const shop = runningShop(at('shop.sqlite'), {
      logger: pino({ level: 'silent' }),
      passphrase: undefined,
      work: workHere(),
    });
    return { shop, ask: request(shop.answer) };
  };
  const url = '/api/jobs/demo-job-21/entries';

  test('made, taken away, brought in, looked into and restored, while the program goes on', async () => {
    const { shop, ask } = begin();
    const { lastSeq } = (await ask.get('/api/jobs/demo-job-21').expect(200)).body.job;
    const { name } = (await ask.post('/api/backups').send({}).expect(201)).body;
    const since = await ask
      .post(url)
      .send({ expectedSeq: lastSeq, entries: [note('since')] })
      .expect(201);
    expect(since.body.seq).toBe(lastSeq + 1);
    const file = (
      await ask
        .get(`/api/backups/${name}`)
        .buffer(true)
        .parse((res, done) => {
          const chunks: Buffer[] = [];
          res.on('data', (c: Buffer) => chunks.push(c));
          res.on('end', () => done(null, Buffer.concat(chunks)));
        })
        .expect(200)
    ).body as Buffer;
    const brought = await ask
      .put('/api/backups/brought-in')
      .set('content-type', 'application/zip')
      .send(file)
      .expect(201);
    expect(brought.body).toMatchObject({ kind: 'brought-in', bytes: file.length });
    await ask
      .put('/api/backups/brought-in')
      .set('content-type', 'application/zip')
      .send(file.subarray(9))
      .expect(422);
    await ask
      .put('/api/backups/brought-in')
      .set('content-type', 'text/plain')
      .send('x')
      .expect(422);
    expect((await ask.get('/api/backups').expect(200)).body.backups).toHaveLength(2);

    const look = (await ask.post(`/api/backups/${name}/look`).send({}).expect(200)).body;
    expect(look.here.entries - look.holds.entries).toBe(1);
    const { kept } = (await ask.post(`/api/backups/${name}/restore`).send({}).expect(200)).body;
    expect((await ask.get('/api/jobs/demo-job-21').expect(200)).body.job.lastSeq).toBe(lastSeq);
    expect(contentAt(kept).includes('since')).toBe(true);
    await ask
      .post(url)
      .send({ expectedSeq: lastSeq, entries: [note('goes on')] })
      .expect(201);
    expect((await ask.get('/api/backups').expect(200)).body.backups).toHaveLength(2);
    expect(readdirSync(at('shop-backups')).every((f) => f.endsWith('.zip'))).toBe(true);
    shop.close();
  });

  test('one that this program cannot open after all is put back at once, and the shop goes on', async () => {
    const { shop, ask } = begin();
    const seq = async () =>
      (await ask.get('/api/jobs/demo-job-21').expect(200)).body.job.lastSeq as number;
    const before = await seq();
    // It says that it is older than it is: its tables are there already.
    const odd = openDb(at('odd.sqlite'));
    odd.pragma('user_version = 15');
    odd.close();
    mkdirSync(at('shop-backups'));
    await zipped(at('shop-backups/by-hand-20260410-120000.zip'), {
      'shop.sqlite': readFileSync(at('odd.sqlite')),
    });
    const { body } = await ask
      .post('/api/backups/by-hand-20260410-120000.zip/restore')
      .send({})
      .expect(422);
    expect(body.error.message).toMatch(
      /^It could not be opened, and the shop is as it was: .*already exists/,
    );
    expect(await seq()).toBe(before);
    await ask
      .post(url)
      .send({ expectedSeq: before, entries: [note('goes on')] })
      .expect(201);
    expect(readdirSync(dir).filter((f) => /restoring|before-restore/.test(f))).toEqual([]);
    shop.close();
  });

  test('one that is not whole, or none at all, changes nothing', async () => {
    const { shop, ask } = begin();
    mkdirSync(at('shop-backups'));
    writeFileSync(at('shop-backups/by-hand-20260410-120000.zip'), 'Dear shop');
    await ask.post('/api/backups/by-hand-20260410-120000.zip/restore').send({}).expect(422);
    await ask.post('/api/backups/by-hand-20260410-120000.zip/look').send({}).expect(422);
    for (const name of ['by-hand-20260410-120001.zip', '..%2fshop.sqlite', 'shop.sqlite'])
      await ask.post(`/api/backups/${name}/restore`).send({}).expect(404);
    await ask.get('/api/jobs/demo-job-21').expect(200);
    expect(
      readdirSync(dir).filter((f) => f.includes('restoring') || f.includes('before-restore')),
    ).toEqual([]);
    shop.close();
  });
});
