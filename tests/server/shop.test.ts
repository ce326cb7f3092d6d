import { complete } from '../../src/core/shop/records';
import { foldVisit } from '../../src/core/shop/visit';
import { FIRST, jobSearch, LAST } from '../../src/server/db/job-search';
import { visitLog } from '../../src/server/db/visit-log';
import { FROM_NEWEST, visitPages } from '../../src/server/db/visit-pages';
import { NOW, testApp } from './test-app';
import { mkdtempSync, rmSync, writeFileSync, chmodSync, mkdirSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fillDemo } from '../../src/demo/fill-demo';
import { DatabaseUnusable, openDb } from '../../src/server/db/open-db';
import { shopStore } from '../../src/server/db/shop-store';
import Database from 'better-sqlite3';

describe('workings over HTTP', () => {
  const { ask } = testApp({ empty: true });

  test('the catalog names each with its line, its schema and its example', async () => {
    const { body } = await ask.get('/api/workings').expect(200);
    expect(body.workings.map((w: { name: string }) => w.name)).toEqual(
      expect.arrayContaining([
        'tire-size',
        'tire-compare',
        'tire-age',
        'tube-pick',
        'rim-code',
        'rim-width-fit',
        'load-speed-fit',
        'tube-need',
        'tread-wear',
        'direction-fit',
        'rim-lock-pick',
        'strip-pick',
        'valve-pick',
        'materials',
        'tools',
        'pressure-start',
        'seat-limit',
        'pressure-correct',
        'balance-trial',
        'balance-place',
        'torque-wrench',
      ]),
    );
    for (const w of body.workings) {
      expect(w.says.length).toBeGreaterThan(5);
      expect(w.input).toMatchObject({ type: 'object', additionalProperties: false });
      await ask.post(`/api/workings/${w.name}`).send(w.example).expect(200);
    }
  });

  test('a working comes whole', async () => {
    const { body } = await ask
      .post('/api/workings/tire-size')
      .send({ marking: '150/70-17' })
      .expect(200);
    expect(Object.keys(body).sort()).toEqual([
      'basis',
      'cautions',
      'input',
      'lines',
      'name',
      'result',
      'verdict',
    ]);
    expect(body.result).toMatchObject({ sectionHeightMm: 105, overallDiameterMm: 642 });
  });

  test('bad input is 422 with field, message and what would be right', async () => {
    const { body } = await ask
      .post('/api/workings/tire-size')
      .send({ marking: '150/70-99' })
      .expect(422);
    expect(body).toEqual({
      error: {
        field: 'marking',
        message: '99 is not a rim diameter.',
        expected: 'Enter 4 to 23 inches',
      },
    });
    await ask.post('/api/workings/tire-size').expect(422);
    await ask.post('/api/workings/no-such').send({}).expect(404);
    await ask.post('/api/workings/constructor').send({}).expect(404);
  });
});

describe('the shop’s records', () => {
  const { ask } = testApp();

  test('rules change within their bounds, with a name and a reason', async () => {
    const change = {
      value: 300,
      note: 'stiff beads',
      who: 'Juna Birk',
      reason: 'manual of the tire asks for it',
    };
    const { body } = await ask.put('/api/rules/seat.shopCeilingKpa').send(change).expect(200);
    expect(body).toMatchObject({
      value: 300,
      basis: 'shop rule',
      changedBy: 'Juna Birk',
      reason: change.reason,
    });
    expect(body.shipped).toBeCloseTo(275.79, 1);
    for (const [part, field] of [
      [{ value: 400 }, 'value'],
      [{ value: '300' }, 'value'],
      [{ reason: '' }, 'reason'],
      [{ who: undefined }, 'who'],
    ] as const) {
      const answer = await ask
        .put('/api/rules/seat.shopCeilingKpa')
        .send({ ...change, ...part })
        .expect(422);
      expect(answer.body.error.field).toBe(field);
    }
    await ask.put('/api/rules/no.such').send(change).expect(404);
    const { rules } = (await ask.get('/api/shop')).body;
    expect(rules.find((r: { key: string }) => r.key === 'seat.shopCeilingKpa').value).toBe(300);
  });

  test('a fitter’s pace is the shop’s, step by step until somebody says otherwise; of nobody it is refused', async () => {
    await ask.post('/api/people').send({ name: 'Ama Sund' }).expect(201);
    expect((await ask.get('/api/shop')).body.paces).toMatchObject({ 'Ama Sund': 'step by step' });
    const { body } = await ask
      .put('/api/people/Ama%20Sund/pace')
      .send({ pace: 'by station' })
      .expect(200);
    expect(body.paces['Ama Sund']).toBe('by station');
    expect((await ask.get('/api/shop')).body.paces).toMatchObject({ 'Ama Sund': 'by station' });
    await ask.put('/api/people/Nobody/pace').send({ pace: 'by station' }).expect(404);
    const refused = await ask
      .put('/api/people/Ama%20Sund/pace')
      .send({ pace: 'headlong' })
      .expect(422);
    expect(refused.body.error).toMatchObject({ field: 'pace', message: 'pace is not valid.' });
  });

  test('a machine and its wheels come in together or not at all', async () => {
    const machines = async () => (await ask.get('/api/machines').expect(200)).body;
    const { machines: before, total } = await machines();
    const machine = { ...before[0].machine, id: 'm-copy' };
    const its = before[0].wheels.map((w: { id: string }) => ({
      ...w,
      id: `${w.id}-copy`,
      machineId: 'm-copy',
    }));
    await ask
      .post('/api/machines')
      .send({ machine, wheels: [...its, its[0]] })
      .expect(409);
    expect((await machines()).total).toBe(total);
    const first = await ask.post('/api/machines').send({ machine, wheels: its }).expect(201);
    // Sent again, since the answer was lost, it is answered as the first time.
    expect(
      (await ask.post('/api/machines').send({ machine, wheels: its }).expect(201)).body,
    ).toEqual(first.body);
    await ask.post('/api/machines').send({ machine, wheels: [] }).expect(409);
    await ask
      .post('/api/machines')
      .send({ machine: { ...machine, name: 'Another' }, wheels: its })
      .expect(409);
    await ask
      .post('/api/machines')
      .send({ machine: { ...machine, id: 'm-3' }, wheels: its })
      .expect(422);
    expect((await machines()).total).toBe(total + 1);
  });

  test('people and the shop’s name', async () => {
    await ask.post('/api/people').send({ name: 'Ada Marl' }).expect(201);
    await ask.post('/api/people').send({ name: 'Ada Marl' }).expect(201);
    expect(
      (await ask.get('/api/shop')).body.people.filter((p: string) => p === 'Ada Marl'),
    ).toHaveLength(1);
    await ask.post('/api/people').send({ name: ' ' }).expect(422);
    expect(
      (await ask.put('/api/shop/name').send({ name: 'Marl & Ash' }).expect(200)).body.name,
    ).toBe('Marl & Ash');
  });
});

describe('the database file', () => {
  const dir = mkdtempSync(join(tmpdir(), 'rimstone-db-'));
  afterAll(() => {
    chmodSync(dir, 0o755);
    rmSync(dir, { recursive: true, force: true });
  });

  test('is safe against a power cut: WAL, full sync, foreign keys', () => {
    const db = openDb(join(dir, 'deep', 'shop.sqlite'));
    expect(db.pragma('journal_mode', { simple: true })).toBe('wal');
    expect(db.pragma('synchronous', { simple: true })).toBe(2);
    expect(db.pragma('foreign_keys', { simple: true })).toBe(1);
    db.close();
  });

  test('opens again with everything in it', () => {
    const file = join(dir, 'again.sqlite');
    const shopIn = (db: ReturnType<typeof openDb>) => {
      const counted = db.prepare(
        'SELECT (SELECT count(*) FROM entries) AS entries, (SELECT count(*) FROM tires) AS tires',
      );
      return counted.get() as { entries: number; tires: number };
    };
    const first = openDb(file);
    fillDemo(first, NOW);
    const before = shopIn(first);
    expect(first.pragma('synchronous', { simple: true })).toBe(2);
    first.close();
    const second = openDb(file);
    expect(before.entries).toBeGreaterThan(1000);
    expect(shopIn(second)).toEqual(before);
    expect(second.pragma('integrity_check', { simple: true })).toBe('ok');
    second.close();
  });

  test('a database of the first program is brought up to date, and its records get the usual values', () => {
    const file = join(dir, 'first.sqlite');
    const old = new Database(file);
    old.exec(readFileSync('src/server/db/migrations/001_shop_and_jobs.sql', 'utf8'));
    old.pragma('user_version = 1');
    old.exec(`INSERT INTO machines VALUES ('m', 'Hob 250', 'dirt', 'Ned Ash', 'chain', NULL, 220, '[{"name":"axle","wheel":"rear","torqueNm":100}]');
      INSERT INTO wheels VALUES ('w', 'm', 'rear', 'spoked', '2.15x18', '110/90-18', 1, '[210]', 36, 'right', NULL);
      INSERT INTO tires VALUES ('t', '110/90-18', 'knobby', '0126', NULL, 1, 3);
      INSERT INTO jobs VALUES ('j', 1001, 'm', 'w', 'Hob 250', 'rear', 'Ned Ash', NULL, NULL, 0, '2025-01-02T09:00:00.000Z', '2025-01-02T10:00:00.000Z', 1, '1001 hob 250');
      INSERT INTO entries VALUES ('j', 1, 'e', '2025-01-02T09:00:00.000Z', 'Ada Marl', 'intake', 'opened', '{}', NULL);`);
    old.close();
    const db = openDb(file);
    const { records } = shopStore(db);
    expect(records.find('wheels', 'w')).toMatchObject({
      tubelessMarked: false,
      runouts: [],
      treads: [],
      rimLockDegs: [210],
      version: 1,
      archived: false,
    });
    expect(records.find('machines', 'm')?.fasteners).toEqual([
      { name: 'axle', wheel: 'rear', torqueNm: 100, socket: null, renews: 'nothing' },
    ]);
    // Its words are found, and parts of them, the short ones too.
    const jobs = jobSearch<{ id: string }>(db, 'jobs.id');
    const visits = visitPages<{ id: string }>(db, 'visits.id');
    const found = (search: string) => [
      jobs({ search, from: FIRST, to: LAST }, 5, 0).total,
      visits({ handedOver: false, search, from: FROM_NEWEST, limit: 5 }).length,
    ];
    expect(['hob', 'ob', 'o', '25', 'xy', 'ned', 'sh'].map(found)).toEqual([
      ...[1, 2, 3, 4].map(() => [1, 1]),
      [0, 0],
      [0, 1],
      [0, 1],
    ]);
    // What was one job is a visit of one wheel, with a log of its own.
    expect(
      db
        .prepare('SELECT id, machine_name, rider, opened_at, last_seq, handed_over FROM visits')
        .all(),
    ).toEqual([
      {
        id: 'j',
        machine_name: 'Hob 250',
        rider: 'Ned Ash',
        opened_at: '2025-01-02T09:00:00.000Z',
        last_seq: 2,
        handed_over: 0,
      },
    ]);
    expect(foldVisit(visitLog(db).entriesOf('j'))).toMatchObject({
      machineId: 'm',
      wheels: [{ jobId: 'j', wheelId: 'w', position: 'rear' }],
    });
    expect(db.prepare('SELECT visit_id FROM jobs').pluck().all()).toEqual(['j']);
    expect(records.find('tires', 't')).toEqual(
      complete('tires', {
        id: 't',
        marking: '110/90-18',
        pattern: 'knobby',
        dateCode: '0126',
        count: 3,
      }),
    );
    db.close();
  });

  test('a file that is no database, a folder, and one from a newer program are said so', () => {
    const text = join(dir, 'text.sqlite');
    writeFileSync(
      text,
      'this is not a database, only some words that are long enough to be read as a header'.repeat(
        20,
      ),
    );
    expect(() => openDb(text)).toThrow(DatabaseUnusable);
    mkdirSync(join(dir, 'folder.sqlite'));
    expect(() => openDb(join(dir, 'folder.sqlite'))).toThrow(/RIMSTONE_DB/);
    const newer = openDb(join(dir, 'newer.sqlite'));
    newer.pragma('user_version = 99');
    newer.close();
    expect(() => openDb(join(dir, 'newer.sqlite'))).toThrow(/newer program/);
  });
});

describe('what is large goes out packed', () => {
  const { ask } = testApp();

  test.each(['gzip', 'br'])(
    'as %s where the client takes it, and the same whichever way',
    async (encoding) => {
      const packed = await ask.get('/api/workings').set('accept-encoding', encoding).expect(200);
      expect(packed.headers['content-encoding']).toBe(encoding);
      expect(packed.headers.vary).toContain('Accept-Encoding');
      const plain = await ask.get('/api/workings').set('accept-encoding', 'identity').expect(200);
      expect(plain.headers).not.toHaveProperty('content-encoding');
      if (encoding === 'gzip') expect(packed.body).toEqual(plain.body);
    },
  );

  test('what is small goes as it is', async () => {
    const { headers } = await ask.get('/api/health').set('accept-encoding', 'gzip').expect(200);
    expect(headers).not.toHaveProperty('content-encoding');
  });
});
