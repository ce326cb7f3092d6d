import ICAL from 'ical.js';
import type { RecheckRow } from '../../src/core/job/recheck';
import { createApp } from '../../src/server/app';
import { DESPITE, note, testApp } from './test-app';

let n = 0;
const looked = (read: object, more: object = {}) => ({
  id: `look-${++n}`,
  who: 'Juna Birk',
  onDate: '2026-05-02',
  read,
  ...more,
});

/** A job of a wheel that is handed over, with nothing done on it. */
const handedOver = async (
  { ask }: ReturnType<typeof testApp>,
  id: string,
  wheelId = 'w-orrin-f',
  chosen?: object,
) => {
  await ask
    .post('/api/jobs')
    .send({ id, machineId: 'm-orrin', wheelId, who: 'Juna Birk' })
    .expect(201);
  const entry = (kind: string, data: object) => ({ ...note(''), id: `${id}-${kind}`, kind, data });
  const entries = [
    ...(chosen ? [entry('chosen', chosen)] : []),
    entry('handed-over', { to: 'Mara Tolling', despite: DESPITE }),
  ];
  await ask.post(`/api/jobs/${id}/entries`).send({ expectedSeq: 2, entries }).expect(201);
};
const ofWheel = async (
  { ask }: ReturnType<typeof testApp>,
  wheelId = 'w-orrin-f',
): Promise<RecheckRow[]> =>
  (await ask.get(`/api/wheels/${wheelId}/rechecks`).expect(200)).body.rechecks;
const ofJob = async (shop: ReturnType<typeof testApp>, jobId: string, wheelId?: string) =>
  (await ofWheel(shop, wheelId)).filter((r) => r.jobId === jobId);

describe('what a hand-over asks for', () => {
  const shop = testApp();
  const { ask } = shop;
  const close = (id: string, body: object) => ask.post(`/api/rechecks/${id}/looked`).send(body);

  test('stands as open rows with wheel and rider', async () => {
    await handedOver(shop, 'a');
    const rows = await ofJob(shop, 'a');
    expect(rows.map((r) => r.look).sort()).toEqual(['bolts', 'pressure']);
    expect(rows[0]).toMatchObject({
      machineName: 'Orrindale Scree 450',
      position: 'front',
      closed: null,
      tool: null,
    });
    const { body } = await ask.get('/api/rechecks?search=orrindale%20torque').expect(200);
    expect(body.rechecks.map((r: RecheckRow) => r.jobId)).toContain('a');
    expect((await ask.get(`/api/rechecks/${rows[0]!.id}`).expect(200)).body.recheck).toEqual(
      rows[0],
    );
  });

  test('a reading closes it, in the job’s log and in the wheel’s record; sent again it is the same', async () => {
    const pressure = (await ofJob(shop, 'a')).find((r) => r.look === 'pressure')!;
    const read = { gaugeKpa: 96.5, tempC: 17, good: true, found: 'half a psi less' };
    const body = looked(read);
    await close(pressure.id, body).expect(201);
    await close(pressure.id, body).expect(201);
    const { entries } = (await ask.get('/api/jobs/a')).body;
    expect(entries.filter((e: { kind: string }) => e.kind === 'looked-again')).toMatchObject([
      {
        data: { what: 'Pressure, cold', good: true, gaugeKpa: 96.5, found: 'half a psi less' },
        who: 'Juna Birk',
      },
    ]);
    const wheel = (await ask.get('/api/wheels/w-orrin-f/record')).body.wheel;
    expect(wheel.pressures).toContainEqual({ onDate: '2026-05-02', gaugeKpa: 96.5, tempC: 17 });
    expect(wheel.pressures.filter((p: { gaugeKpa: number }) => p.gaugeKpa === 96.5)).toHaveLength(
      1,
    );
    const after = (await ofJob(shop, 'a')).find((r) => r.look === 'pressure')!;
    expect(after.closed).toMatchObject({ by: 'Juna Birk', good: true, found: 'half a psi less' });
    const done = (await ask.get('/api/rechecks?state=done&limit=5')).body.rechecks;
    expect(done[0].id).toBe(pressure.id);
    const twice = await close(pressure.id, looked(read)).expect(422);
    expect(twice.body.error.message).toBe('Juna Birk already closed this recheck.');
  });

  test('an undone look stands open again, and no part moved on the shelf meanwhile', async () => {
    const before = (await ask.get('/api/records/tires')).body.records;
    const bolts = (await ofJob(shop, 'a')).find((r) => r.look === 'bolts')!;
    const body = looked({ good: false, found: 'one nut turned' });
    await close(bolts.id, body).expect(201);
    const { job } = (await ask.get('/api/jobs/a')).body;
    await ask
      .post('/api/jobs/a/entries')
      .send({
        expectedSeq: job.lastSeq,
        entries: [{ ...note(''), kind: 'undo', data: { entryId: body.id } }],
      })
      .expect(201);
    expect((await ofJob(shop, 'a')).find((r) => r.look === 'bolts')!.closed).toBeNull();
    expect((await ask.get('/api/records/tires')).body.records).toEqual(before);
  });

  test('what does not fit is named, and nothing is half-kept', async () => {
    const bolts = (await ofJob(shop, 'a')).find((r) => r.look === 'bolts')!;
    const { job } = (await ask.get('/api/jobs/a')).body;
    for (const [read, field] of [
      [{}, 'read.good'],
      [{ good: true, found: 'x'.repeat(301) }, 'read.found'],
      [{ good: true, found: '', gaugeKpa: 9 }, /^read/],
    ] as const)
      expect((await close(bolts.id, looked(read)).expect(422)).body.error.field).toMatch(field);
    await close('nothing', looked({})).expect(404);
    expect(
      (await close(bolts.id, { ...looked({}), onDate: 'x' }).expect(422)).body.error.field,
    ).toBe('onDate');
    expect((await ask.get('/api/jobs/a')).body.job.lastSeq).toBe(job.lastSeq);
  });

  test('a wheel that came in again was looked at; undone, the earlier rows stand again', async () => {
    await handedOver(shop, 'b');
    const { number } = (await ask.get('/api/jobs/b')).body.job;
    expect((await ofJob(shop, 'a')).find((r) => r.look === 'bolts')!.passedBy).toBe(number);
    const refused = await close(
      (await ofJob(shop, 'a')).find((r) => r.look === 'bolts')!.id,
      looked({ good: true }),
    );
    expect([refused.status, refused.body.error.message]).toEqual([
      422,
      `The wheel came back with job ${number}.`,
    ]);
    const { job } = (await ask.get('/api/jobs/b')).body;
    await ask
      .post('/api/jobs/b/entries')
      .send({
        expectedSeq: job.lastSeq,
        entries: [{ ...note(''), kind: 'undo', data: { entryId: 'b-handed-over' } }],
      });
    expect(await ofJob(shop, 'b')).toEqual([]);
    expect((await ofJob(shop, 'a')).find((r) => r.look === 'bolts')!.passedBy).toBeNull();
  });
});

describe('a tire’s age', () => {
  const shop = testApp();
  const tire = {
    marking: '80/100-21 51M',
    dateCode: '1025',
    tireId: null,
    tube: true,
    tubeId: null,
    tubeLabel: null,
    lightMark: false,
    seatLimitKpa: null,
  };
  test('stays while the wheel comes in for something else, and goes with another tire', async () => {
    await handedOver(shop, 'a', 'w-orrin-f', tire);
    const ageOf = async (id: string) => (await ofJob(shop, id)).find((r) => r.look === 'age')!;
    expect(await ageOf('a')).toMatchObject({ passedBy: null });
    await handedOver(shop, 'b');
    expect(await ageOf('a')).toMatchObject({ passedBy: null });
    await handedOver(shop, 'c', 'w-orrin-f', { ...tire, dateCode: '2026' });
    expect((await ageOf('a')).passedBy).not.toBeNull();
    expect((await ageOf('c')).passedBy).toBeNull();
  });
  test('a look moves it on instead of closing it', async () => {
    const age = (await ofJob(shop, 'c')).find((r) => r.look === 'age')!;
    await shop.ask
      .post(`/api/rechecks/${age.id}/looked`)
      .send(looked({ good: true, found: '' }))
      .expect(201);
    expect((await ofJob(shop, 'c')).find((r) => r.look === 'age')).toMatchObject({
      id: age.id,
      closed: null,
    });
  });
});

describe('what records ask for', () => {
  const shop = testApp();
  const { ask } = shop;
  const treadOf = async () => (await ofWheel(shop, 'w-vellan-r')).find((r) => r.look === 'tread');

  test('follows the shop’s rule and the readings', async () => {
    const before = (await treadOf())!;
    const rule = { value: 3, note: '', who: 'Juna Birk', reason: 'wet roads' };
    await ask.put('/api/rules/tread.minimumMm').send(rule).expect(200);
    const sooner = (await treadOf())!;
    expect(sooner.id).toBe(before.id);
    expect(sooner.dueOn < before.dueOn).toBe(true);
    await ask
      .post(`/api/rechecks/${sooner.id}/looked`)
      .send(looked({ km: 90_000, depthMm: 3 }))
      .expect(201);
    expect(await treadOf()).toMatchObject({ what: 'Tread at its minimum', dueOn: '2026-05-02' });
  });

  test('a calibration moves a tool’s day a year on', async () => {
    const list = (await ask.get('/api/rechecks?search=calibration&limit=200')).body
      .rechecks as RecheckRow[];
    const { id, tool } = list.find((r) => r.tool?.kind === 'wrenches')!;
    await ask
      .post(`/api/rechecks/${id}/looked`)
      .send(looked({ onDate: '2027-03-01' }))
      .expect(201);
    expect((await ask.get(`/api/rechecks/${id}`)).body.recheck.dueOn).toBe('2028-02-29');
    const kept = (await ask.get('/api/records/wrenches')).body.records;
    expect(kept.find((w: { id: string }) => w.id === tool!.id).calibratedOn).toBe('2027-03-01');
  });

  test('a reading of a record that is sent again stands once', async () => {
    const leak = (await ofWheel(shop, 'w-vellan-r')).find((r) => r.look === 'leak')!;
    const body = looked({ gaugeKpa: 236, tempC: 12 });
    for (let n = 0; n < 2; n++)
      await ask.post(`/api/rechecks/${leak.id}/looked`).send(body).expect(201);
    const { pressures } = (await ask.get('/api/wheels/w-vellan-r/record')).body.wheel;
    expect(pressures.filter((p: { gaugeKpa: number }) => p.gaugeKpa === 236)).toHaveLength(1);
  });

  test('a loss that no tape or gauge can read is refused before anything is kept', async () => {
    const leak = (await ofWheel(shop, 'w-vellan-r')).find((r) => r.look === 'leak')!;
    const bad = await ask
      .post(`/api/rechecks/${leak.id}/looked`)
      .send(looked({ gaugeKpa: 5000, tempC: 18 }));
    expect([bad.status, bad.body.error.field]).toEqual([422, 'read.gaugeKpa']);
    const wheel = (await ask.get('/api/wheels/w-vellan-r/record')).body.wheel;
    expect(wheel.pressures.some((p: { gaugeKpa: number }) => p.gaugeKpa === 5000)).toBe(false);
  });
});

describe('the list', () => {
  const shop = testApp();
  const { ask } = shop;
  test('comes page by page without a gap, the open ones by their day, the closed ones the newest first', async () => {
    for (const state of ['open', 'done']) {
      const whole = (await ask.get(`/api/rechecks?state=${state}&limit=200`)).body;
      expect(whole.rechecks.length).toBeGreaterThan(7);
      const pages: RecheckRow[] = [];
      let after = '';
      do {
        const { body } = await ask.get(
          `/api/rechecks?state=${state}&limit=3${after && `&after=${encodeURIComponent(after)}`}`,
        );
        pages.push(...body.rechecks);
        after = body.next ?? '';
      } while (after);
      expect(pages).toEqual(whole.rechecks);
      const days = pages.map((r) => (state === 'open' ? r.dueOn : r.closed!.at));
      expect(days).toEqual(
        [...days].sort((a, b) => (state === 'open' ? 1 : -1) * a.localeCompare(b)),
      );
      expect(pages.every((r) => (r.closed === null) === (state === 'open'))).toBe(true);
    }
  });
  test('from a day on, and counted whole', async () => {
    const { body } = await ask.get('/api/rechecks?limit=200');
    expect(body.open).toBe(body.rechecks.length);
    const from = body.rechecks[4].dueOn;
    const late = (await ask.get(`/api/rechecks?limit=200&from=${from}`)).body;
    expect(late.rechecks).toEqual(body.rechecks.filter((r: RecheckRow) => r.dueOn >= from));
    expect(late.open).toBe(body.open);
    for (const bad of ['state=x', 'after=1', 'from=1', 'limit=0'])
      await ask.get(`/api/rechecks?${bad}`).expect(422);
  });
  test('as one calendar that a calendar program reads (RFC 5545, by a parser)', async () => {
    const { text, headers } = await ask.get('/api/rechecks.ics').expect(200);
    expect(headers['content-type']).toMatch(/text\/calendar/);
    const calendar = new ICAL.Component(ICAL.parse(text));
    const events = calendar.getAllSubcomponents('vevent').map((e) => new ICAL.Event(e));
    const { body } = await ask.get('/api/rechecks?limit=200');
    expect(events.map((e) => [e.uid.split('@')[0], e.startDate.toString()])).toEqual(
      body.rechecks.map((r: RecheckRow) => [r.id, r.dueOn]),
    );
    expect(events.every((e) => e.startDate.isDate && e.duration.toSeconds() === 86_400)).toBe(true);
    const empty = new ICAL.Component(
      ICAL.parse((await testApp({ empty: true }).ask.get('/api/rechecks.ics')).text),
    );
    expect(empty.getAllSubcomponents('vevent')).toEqual([]);
  });
});

test('a database of an earlier program asks for what its jobs and records said', async () => {
  const { db, ask, photosDir } = testApp();
  const before = (await ask.get('/api/rechecks?limit=200')).body;
  db.exec("DELETE FROM rechecks; DELETE FROM settings WHERE key = 'rechecks'");
  // Jobs of the demo shop lie in the past of its own clock: the program looks back from today.
  db.exec("UPDATE jobs SET opened_at = strftime('%Y-%m-%dT%H:%M:%fZ', 'now', '-1 day')");
  const pino = (await import('pino')).default;
  const request = (await import('supertest')).default;
  const again = request(createApp(db, { photosDir, logger: pino({ level: 'silent' }) }));
  expect((await again.get('/api/rechecks?limit=200')).body).toEqual(before);
});
