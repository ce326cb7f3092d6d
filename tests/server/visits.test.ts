import { daysBetween } from '../../src/core/base/units';
import { withChosen } from '../../src/core/shop/visit';
import type { Wheel } from '../../src/core/fit/wheels';
import { DESPITE, testApp } from './test-app';

const LATER = '2999-01-01T10:00:00.000Z';
let n = 0;
const entry = (kind: string, data: object, more: object = {}) => ({
  id: `ve-${++n}`,
  who: 'Juna Birk',
  kind,
  data,
  ...more,
});

describe('a machine that comes in', () => {
  const { ask } = testApp();
  const both = {
    id: 'v1',
    machineId: 'm-vellan',
    wheels: [
      { jobId: 'v1-f', wheelId: 'w-vellan-f' },
      { jobId: 'v1-r', wheelId: 'w-vellan-r' },
    ],
    who: 'Juna Birk',
    wanted: 'both tires, and the valve looked at',
    dueAt: LATER,
  };
  const append = (expectedSeq: number, entries: object[], id = 'v1') =>
    ask.post(`/api/visits/${id}/entries`).send({ expectedSeq, entries });

  test('opens a job for every wheel, says what is wanted and promised; sent again it is the same visit', async () => {
    const { body } = await ask.post('/api/visits').send(both).expect(201);
    expect(body.visit).toMatchObject({
      machineName: 'Vellan Strada 700',
      wanted: both.wanted,
      dueAt: LATER,
      handedOver: false,
      lastSeq: 5,
    });
    expect(
      body.visit.wheels.map((w: { jobId: string; station: string }) => [w.jobId, w.station]),
    ).toEqual([
      ['v1-f', 'intake'],
      ['v1-r', 'intake'],
    ]);
    expect(body.visit.left.ninetyS).toBeGreaterThan(body.visit.left.medianS);
    expect((await ask.get('/api/jobs/v1-r').expect(200)).body.job.wheelId).toBe('w-vellan-r');
    expect((await ask.get('/api/jobs/v1-r/visit').expect(200)).body.visit.id).toBe('v1');
    const again = await ask.post('/api/visits').send(both).expect(201);
    expect(again.body).toEqual(body);
    const other = await ask.post('/api/visits').send({ ...both, wheels: both.wheels.slice(0, 1) });
    expect([other.status, other.body.error.field]).toEqual([422, 'id']);
  });

  test('a job that is opened by itself is a visit of one wheel', async () => {
    await ask
      .post('/api/jobs')
      .send({ id: 'lone', machineId: 'm-orrin', wheelId: 'w-orrin-f', who: 'Juna Birk' })
      .expect(201);
    const { visit } = (await ask.get('/api/jobs/lone/visit')).body;
    expect(visit).toMatchObject({
      id: 'lone',
      dueAt: null,
      wheels: [{ jobId: 'lone', position: 'front' }],
    });
  });

  test('nothing half-done: a wheel of another machine, one that stands twice, a promise in the past', async () => {
    const before = (await ask.get('/api/jobs')).body.total;
    const refused = async (more: object, field: string | RegExp) => {
      const { status, body } = await ask.post('/api/visits').send({ ...both, id: 'bad', ...more });
      expect(status).toBe(422);
      expect(body.error.field).toMatch(field);
      expect(body.error.expected).toBeTruthy();
    };
    const wheel = (jobId: string, wheelId: string) => ({ jobId, wheelId });
    await refused({ wheels: [wheel('b1', 'w-vellan-f'), wheel('b2', 'w-orrin-f')] }, /wheelId/);
    await refused(
      { wheels: [wheel('b1', 'w-vellan-f'), wheel('b2', 'w-vellan-f')] },
      /wheels\[1\]/,
    );
    await refused({ wheels: [wheel('b1', 'w-vellan-f'), wheel('b1', 'w-vellan-r')] }, /wheels/);
    await refused(
      { wheels: [wheel('b1', 'w-vellan-f')], dueAt: '2001-01-01T10:00:00.000Z' },
      /dueAt/,
    );
    await refused({ wheels: [] }, /wheels/);
    await refused({ machineId: 'nobody' }, /machineId/);
    await ask.get('/api/visits/bad').expect(404);
    await ask.get('/api/jobs/b1').expect(404);
    expect((await ask.get('/api/jobs')).body.total).toBe(before);
  });

  test('entries follow one another; what was not seen comes with the refusal; sent again it stands once', async () => {
    const promise = entry('promised', { dueAt: '2998-01-01T10:00:00.000Z' });
    await append(5, [promise]).expect(201);
    await append(5, [promise]).expect(201);
    const late = await append(5, [entry('note', { text: 'late' })]).expect(409);
    expect(late.body.entries.map((e: { id: string }) => e.id)).toEqual([promise.id]);
    await append(6, [entry('undo', { entryId: promise.id })]).expect(201);
    expect((await ask.get('/api/visits/v1')).body.visit.dueAt).toBe(LATER);
    for (const bad of [
      entry('promised', { dueAt: '2001-01-01T10:00:00.000Z' }),
      entry('agreed', { amountMinor: -5, currency: 'USD', by: 'Petra' }),
      entry('handed-over', { to: 'Petra' }),
      entry('undo', { entryId: 'nothing' }),
      entry('opened', { machineId: null, machineName: 'x', rider: 'y' }),
    ]) {
      const { status, body } = await append(7, [bad]);
      expect([status, typeof body.error.expected]).toEqual([422, 'string']);
    }
    expect((await ask.get('/api/visits/v1')).body.visit.lastSeq).toBe(7);
    const first = (await ask.get('/api/visits/v1')).body.entries[0].id;
    await append(7, [entry('undo', { entryId: first })]).expect(422);
    const twin = entry('note', { text: 'one' });
    await append(7, [twin, { ...twin, data: { text: 'two' } }]).expect(422);
  });

  test('a wheel leaves before its work has begun, and not after; its job stays', async () => {
    const begun = {
      id: 'j-note',
      who: 'Juna Birk',
      station: 'intake',
      kind: 'note',
      data: { text: 'begun' },
    };
    await ask
      .post('/api/jobs/v1-f/entries')
      .send({ expectedSeq: 2, entries: [begun] })
      .expect(201);
    await append(7, [entry('wheel-removed', { jobId: 'v1-f', why: 'x' })]).expect(422);
    await append(7, [entry('wheel-removed', { jobId: 'v1-r', why: 'only the front' })]).expect(201);
    expect((await ask.get('/api/jobs/v1-r/visit')).body.visit).toBeNull();
    await ask.get('/api/jobs/v1-r').expect(200);
    await append(8, [entry('wheel-removed', { jobId: 'v1-f', why: 'x' })]).expect(422);
  });

  test('it is over once every wheel is handed over, and open again when one is undone', async () => {
    const hand = {
      id: 'j-over',
      who: 'Juna Birk',
      station: 'hand-over',
      kind: 'handed-over',
      data: { to: 'Petra', despite: DESPITE },
    };
    await ask
      .post('/api/jobs/v1-f/entries')
      .send({ expectedSeq: 3, entries: [hand] })
      .expect(201);
    const done = (await ask.get('/api/visits?state=done&search=vellan both')).body.visits;
    expect(done.map((v: { id: string }) => v.id)).toContain('v1');
    expect((await ask.get('/api/visits/v1')).body.visit).toMatchObject({
      handedOver: true,
      left: null,
    });
    await append(8, [entry('handed-over', { to: 'Petra' })]).expect(201);
    const undo = { ...hand, id: 'j-undo', kind: 'undo', data: { entryId: 'j-over' } };
    await ask
      .post('/api/jobs/v1-f/entries')
      .send({ expectedSeq: 4, entries: [undo] })
      .expect(201);
    expect((await ask.get('/api/visits/v1')).body.visit.handedOver).toBe(false);
  });
});

describe('the list', () => {
  const { ask } = testApp();
  test('pages by key, the newest first, none twice and none left out; its times are worked out by the same working', async () => {
    const seen: string[] = [];
    let after: string | null = null;
    do {
      const path: string = `/api/visits?state=done&limit=7${after ? `&after=${encodeURIComponent(after)}` : ''}`;
      const { body } = await ask.get(path).expect(200);
      seen.push(...body.visits.map((v: { id: string }) => v.id));
      after = body.next;
    } while (after);
    const { jobs } = (await ask.get('/api/jobs?limit=200')).body;
    const over = jobs
      .filter((j: { handedOver: boolean }) => j.handedOver)
      .map((j: { id: string }) => j.id);
    expect([...seen].sort()).toEqual([...over].sort());
    expect(new Set(seen).size).toBe(seen.length);
    const { visits } = (await ask.get('/api/visits')).body;
    expect(visits.length).toBeGreaterThan(0);
    const working = (await ask.get(`/api/visits/${visits[0].id}/time-left`)).body;
    expect(working.result).toEqual(visits[0].left);
    expect(working.lines.length).toBeGreaterThan(1);
    for (const bad of ['state=lost', 'limit=0', 'after=x', 'search='.padEnd(200, 'x')])
      await ask.get(`/api/visits?${bad}`).expect(422);
    await ask.get('/api/visits/nobody').expect(404);
    await ask.get('/api/visits/nobody/time-left').expect(404);
    await ask.get('/api/jobs/nobody/visit').expect(404);
  });

  test('a visit’s log is never changed and never removed', () => {
    const { db } = testApp();
    expect(() => db.prepare("UPDATE visit_entries SET who = 'x'").run()).toThrow(/never changed/);
    expect(() => db.prepare('DELETE FROM visit_entries').run()).toThrow(/never removed/);
  });
});

test('a machine that came back says after how many days, by its latest visit before this one', async () => {
  const { ask } = testApp();
  interface Row {
    id: string;
    machineId: string | null;
    openedAt: string;
    lastAt: string;
    backAfterDays: number | null;
  }
  const list = async (state: string) =>
    (await ask.get(`/api/visits?state=${state}&limit=200`)).body.visits as Row[];
  await ask
    .put('/api/rules/day.backDays')
    .send({ value: 60, note: '', who: 'Juna Birk', reason: 'all of them' })
    .expect(200);
  const [open, done] = [await list('open'), await list('done')];
  const before = (v: Row) =>
    done
      .filter((d) => d.machineId !== null && d.machineId === v.machineId && d.openedAt < v.openedAt)
      .sort((a, b) => b.openedAt.localeCompare(a.openedAt))[0];
  const daysSince = (v: Row): number | null => {
    const last = before(v);
    const days = last ? daysBetween(last.lastAt.slice(0, 10), v.openedAt.slice(0, 10)) : null;
    return days !== null && days <= 60 ? days : null;
  };
  const all = [...open, ...done];
  expect(all.map((v) => [v.id, v.backAfterDays])).toEqual(all.map((v) => [v.id, daysSince(v)]));
  expect(all.filter((v) => v.backAfterDays !== null).length).toBeGreaterThan(2);
});

describe('the plan of the day', () => {
  const { ask } = testApp();
  const planFor = async (...people: string[]) =>
    (
      await ask
        .get(`/api/day-plan?${people.map((p) => `person=${encodeURIComponent(p)}`).join('&')}`)
        .expect(200)
    ).body;

  test('gives every block that is left to somebody at work, and says what it leaves out', async () => {
    const { working, people, leftOut, at } = await planFor('Juna Birk', 'Osk Tarrow');
    expect(people).toEqual(['Juna Birk', 'Osk Tarrow']);
    expect(Number.isFinite(Date.parse(at))).toBe(true);
    const { rows } = working.result;
    expect(new Set(rows.map((r: { person: string }) => r.person))).toEqual(new Set(people));
    expect(rows).toHaveLength(
      working.input.visits.flatMap((v: { wheels: { blocks: object[] }[] }) =>
        v.wheels.flatMap((w) => w.blocks),
      ).length,
    );
    expect(leftOut).toEqual([
      {
        visitId: 'demo-job-31',
        machineName: 'Quillfen Dune Two',
        why: 'on hold for two ring bolts, no date set',
      },
    ]);
    expect(working.lines.length).toBeGreaterThan(3);
  });

  test('what is put by hand stays until it is unpinned, or undone', async () => {
    const before = await planFor('Juna Birk');
    const row = before.working.result.rows.at(-1);
    const startAt = new Date(Date.parse(before.at) + 300 * 60_000).toISOString();
    const write = async (kind: string, data: object) => {
      const { lastSeq } = (await ask.get(`/api/visits/${row.visitId}`)).body.visit;
      const sent = entry(kind, data);
      await ask
        .post(`/api/visits/${row.visitId}/entries`)
        .send({ expectedSeq: lastSeq, entries: [sent] })
        .expect(201);
      return sent.id;
    };
    const id = await write('planned', {
      jobId: row.wheelId,
      block: row.block,
      person: 'Juna Birk',
      startAt,
    });
    const now = async () =>
      (await planFor('Juna Birk')).working.result.rows.find(
        (r: { wheelId: string; block: string }) =>
          r.wheelId === row.wheelId && r.block === row.block,
      );
    expect(await now()).toMatchObject({ fixed: true, person: 'Juna Birk' });
    expect((await now()).startMin).toBeGreaterThanOrEqual(299);
    await write('undo', { entryId: id });
    expect((await now()).fixed).toBe(false);
  });

  test('looked at closely it is asked for so, and is no worse', async () => {
    const plan = async (query: string) =>
      (await ask.get(`/api/day-plan?person=Juna+Birk${query}`).expect(200)).body;
    const [quick, close] = [await plan(''), await plan('&closely=yes')];
    expect([quick, close].map((p) => p.working.input.closely)).toEqual([false, true]);
    expect(close.working.result.cost).toEqual(quick.working.result.cost);
    expect((await ask.get('/api/day-plan?closely=no').expect(422)).body.error.field).toBe(
      'closely',
    );
  });

  test('too many people, one twice, nobody: each is a sentence', async () => {
    const names = Array.from({ length: 7 }, (_, i) => `person=p${i}`).join('&');
    for (const query of [names, 'person=a&person=a', `person=${'x'.repeat(61)}`])
      expect((await ask.get(`/api/day-plan?${query}`).expect(422)).body.error.field).toBe('person');
    const empty = testApp({ empty: true });
    const { body } = await empty.ask.get('/api/day-plan').expect(422);
    expect(body.error).toMatchObject({ field: 'people', message: 'No one is working.' });
  });
});

describe('what is done once for the machine', () => {
  const { ask } = testApp();
  const job = async (id: string) => (await ask.get(`/api/jobs/${id}`)).body;
  const append = async (jobId: string, kind: string, data: object) => {
    const sent = { ...entry(kind, data), station: 'wheel-off' };
    const { lastSeq } = (await job(jobId)).job;
    await ask
      .post(`/api/jobs/${jobId}/entries`)
      .send({ expectedSeq: lastSeq, entries: [sent] })
      .expect(201);
    return sent.id;
  };
  const ticked = async (id: string) => {
    const { entries } = await job(id);
    const undone = entries
      .filter((e: { kind: string }) => e.kind === 'undo')
      .map((e: { data: { entryId: string } }) => e.data.entryId);
    return entries
      .filter((e: { kind: string; id: string }) => e.kind === 'step' && !undone.includes(e.id))
      .map((e: { data: { stepId: string } }) => e.data.stepId);
  };
  beforeAll(async () => {
    const wheels = [
      { jobId: 'f', wheelId: 'w-vellan-f' },
      { jobId: 'r', wheelId: 'w-vellan-r' },
    ];
    await ask
      .post('/api/visits')
      .send({ id: 'v', machineId: 'm-vellan', wheels, who: 'Juna Birk' })
      .expect(201);
  });

  test('is ticked at one wheel and stands for the other; what belongs to the wheel does not', async () => {
    await append('f', 'step', { stepId: 'off-lift' });
    await append('f', 'step', { stepId: 'off-loosen' });
    expect(await ticked('f')).toEqual(['off-lift', 'off-loosen']);
    expect(await ticked('r')).toEqual(['off-lift']);
    // A step that the other wheel does not have stays here: a hot exhaust is in the way of the rear
    // one.
    await append('r', 'step', { stepId: 'off-cool' });
    expect(await ticked('f')).toEqual(['off-lift', 'off-loosen']);
    // Ticked at the other wheel as well it is there once.
    await append('r', 'step', { stepId: 'off-lift' });
    expect((await ticked('f')).filter((s: string) => s === 'off-lift')).toHaveLength(1);
  });

  test('undone at the one it is undone at the other', async () => {
    const wheels = ['w-vellan-f', 'w-vellan-r'].map((wheelId, i) => ({ jobId: `u${i}`, wheelId }));
    await ask
      .post('/api/visits')
      .send({ id: 'u', machineId: 'm-vellan', wheels, who: 'Juna Birk' })
      .expect(201);
    const id = await append('u1', 'step', { stepId: 'off-lift' });
    expect(await ticked('u0')).toEqual(['off-lift']);
    await append('u1', 'undo', { entryId: id });
    expect([await ticked('u0'), await ticked('u1')]).toEqual([[], []]);
  });

  test('nobody writes such a step but the server', async () => {
    const { lastSeq } = (await job('f')).job;
    const sent = { ...entry('step', { stepId: 'off-lift', of: 'x' }), station: 'wheel-off' };
    const { body } = await ask
      .post('/api/jobs/f/entries')
      .send({ expectedSeq: lastSeq, entries: [sent] })
      .expect(422);
    expect(body.error.field).toBe('entries[0].data.of');
  });
});

test('a machine that came back soon says after how many days; one of long ago does not', async () => {
  const { ask, db } = testApp();
  const backAfter = async (id: string) =>
    (await ask.get(`/api/visits/${id}`)).body.visit.backAfterDays;
  const visit = (id: string, jobId: string) =>
    ask
      .post('/api/visits')
      .send({ id, machineId: 'm-pim', wheels: [{ jobId, wheelId: 'w-pim-r' }], who: 'Juna Birk' })
      .expect(201);
  await visit('again', 'again-r');
  const earlier = "handed_over = 1 AND machine_id = 'm-pim'";
  const daysAgo = (days: number) =>
    db.exec(
      `UPDATE visits SET last_at = strftime('%Y-%m-%dT%H:%M:%fZ', 'now', '-${days} days') WHERE ${earlier}`,
    );
  daysAgo(6);
  expect(await backAfter('again')).toBe(6);
  daysAgo(30);
  expect(await backAfter('again')).toBe(30);
  daysAgo(31);
  expect(await backAfter('again')).toBeNull();
});

test('what is chosen for one wheel of a visit is seen from the other', async () => {
  const { ask } = testApp();
  const wheels = [
    { jobId: 'f', wheelId: 'w-vellan-f' },
    { jobId: 'r', wheelId: 'w-vellan-r' },
  ];
  const { visit } = (
    await ask.post('/api/visits').send({ id: 'v', machineId: 'm-vellan', wheels, who: 'Juna Birk' })
  ).body;
  expect(visit.wheels.map((w: { sizeOn: string | null }) => w.sizeOn)).toEqual([null, null]);
  const chosen = {
    ...entry('chosen', {
      marking: '120/70ZR17 58W TL',
      dateCode: null,
      tireId: null,
      tube: false,
      tubeId: null,
      tubeLabel: null,
      lightMark: true,
      seatLimitKpa: null,
    }),
    station: 'choose',
  };
  await ask
    .post('/api/jobs/f/entries')
    .send({ expectedSeq: 2, entries: [chosen] })
    .expect(201);
  const now = (await ask.get('/api/jobs/r/visit')).body.visit;
  expect(now.wheels[0].sizeOn).toBe('120/70ZR17 58W TL');
  const shopWheels = (await ask.get('/api/records/wheels')).body.records as Wheel[];
  const seen = withChosen(shopWheels, now.wheels).find((w) => w.id === 'w-vellan-f')!;
  expect(seen.tireMarking).toBe('120/70ZR17 58W TL');
  expect(withChosen(shopWheels, now.wheels).find((w) => w.id === 'w-vellan-r')).toEqual(
    shopWheels.find((w) => w.id === 'w-vellan-r'),
  );
});
