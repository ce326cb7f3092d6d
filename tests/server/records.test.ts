import { drawingSvg } from '../../src/server/export/drawing-svg';
import { parse } from 'csv-parse/sync';
import {
  complete,
  fileColumns,
  RECORD_KINDS,
  type RecordKind,
  type Records,
} from '../../src/core/shop/records';
import type { Wheel } from '../../src/core/fit/wheels';
import { DESPITE, testApp } from './test-app';

const NEW: { [K in RecordKind]: Partial<Records[K]> } = {
  machines: {
    id: 'new',
    name: 'Hob 250',
    kind: 'dirt',
    rider: 'Ned Ash',
    drive: 'chain',
    sprocketFront: 13,
    sprocketRear: 50,
    fasteners: [{ name: 'axle', wheel: 'rear', torqueNm: 98, socket: '27 mm', renews: 'nothing' }],
  },
  wheels: {
    id: 'new',
    machineId: 'm-orrin',
    position: 'rear',
    build: 'spoked',
    rimCode: '2.15x18',
    tireMarking: '110/90-18',
    tube: true,
    rimLockDegs: [210],
    runouts: [{ onDate: '2026-04-30', lateralMm: 1.2, radialMm: 0.4 }],
  },
  tires: {
    id: 'new',
    marking: '110/90-18 61M TT',
    pattern: 'knobby',
    dateCode: '0126',
    count: 1,
    priceMinor: 8900,
  },
  tubes: { id: 'new', label: '110/90-18', count: 2, wall: 'heavy' },
  strips: { id: 'new', widthMm: 28, rimFromIn: 18, rimToIn: 19 },
  locks: { id: 'new', widthIn: 2.15 },
  valves: { id: 'new', holeMm: 11.5, lengthMm: 43 },
  weights: { id: 'new', massG: 25, kind: 'spoke', count: 4 },
  wrenches: { id: 'new', name: 'middle', minNm: 10, maxNm: 60, calibratedOn: '2026-04-30' },
  instruments: {
    id: 'new',
    name: 'stick gauge',
    stepKpa: 3.4,
    checks: [{ onDate: '2026-04-30', appliedKpa: 100, readsKpa: 103 }],
  },
};

describe.each(RECORD_KINDS)('%s', (kind) => {
  const { ask } = testApp();
  const whole = complete(kind, NEW[kind] as never);

  test('are added with their usual values, changed, archived and brought back; never deleted', async () => {
    expect((await ask.post(`/api/records/${kind}`).send(NEW[kind]).expect(201)).body).toEqual(
      whole,
    );
    expect((await ask.get(`/api/records/${kind}/new`).expect(200)).body).toEqual(whole);
    expect((await ask.get(`/api/records/${kind}?limit=200`)).body.records).toContainEqual(whole);
    const changed = (
      await ask
        .put(`/api/records/${kind}/new`)
        .send({ ...whole, note: 'looked at' })
        .expect(200)
    ).body;
    expect(changed).toEqual({ ...whole, note: 'looked at', version: 2 });
    expect(
      (
        await ask
          .put(`/api/records/${kind}/new`)
          .send({ ...changed, archived: true })
          .expect(200)
      ).body,
    ).toMatchObject({ archived: true, version: 3 });
    await ask.delete(`/api/records/${kind}/new`).expect(404);
  });

  test('a change by somebody else is not overwritten, and comes with the refusal', async () => {
    const { body } = await ask
      .put(`/api/records/${kind}/new`)
      .send({ ...whole, note: 'too late' })
      .expect(409);
    expect(body).toMatchObject({
      error: { field: 'version', expected: 'Send the current version, 3' },
      record: { note: 'looked at' },
    });
  });

  test('an id is given once, sent again it is there already, and a change needs a record', async () => {
    const now = (await ask.get(`/api/records/${kind}/new`)).body as {
      id: string;
      archived: boolean;
    };
    const other = { ...now, archived: !now.archived };
    expect((await ask.post(`/api/records/${kind}`).send(other).expect(409)).body.error.field).toBe(
      'id',
    );
    const again = await ask.post(`/api/records/${kind}`).send(now).expect(201);
    expect(again.body).toEqual(now);
    await ask
      .put(`/api/records/${kind}/nobody`)
      .send({ ...whole, id: 'nobody' })
      .expect(404);
    expect(
      (await ask.put(`/api/records/${kind}/other`).send(whole).expect(422)).body.error.field,
    ).toBe('id');
  });

  test('go out as CSV and come back as they were', async () => {
    const { text } = await ask.get(`/api/records/${kind}/file.csv`).expect(200);
    expect((parse(text) as string[][])[0]).toEqual(fileColumns(kind));
    const { body } = await ask
      .post(`/api/records/${kind}/import?apply=yes`)
      .type('text/csv')
      .send(text)
      .expect(200);
    expect(body.applied).toBe(true);
    expect(new Set(body.rows.map((r: { does: string }) => r.does))).toEqual(new Set(['nothing']));
  });
});

describe('refusals', () => {
  const { ask } = testApp();
  test.each<[RecordKind, object, string]>([
    ['tires', { marking: 'nonsense' }, 'marking'],
    ['tires', { dateCode: '15' }, 'dateCode'],
    ['tubes', { label: 'big' }, 'label'],
    ['weights', { massG: -5 }, 'massG'],
    ['weights', { count: 1.5 }, 'count'],
    ['wrenches', { maxNm: 10 }, 'maxNm'],
    ['wrenches', { name: '' }, 'name'],
    ['wheels', { machineId: 'nobody' }, 'machineId'],
    ['wheels', { rimCode: 'round' }, 'rimCode'],
    ['locks', { id: '../x' }, 'id'],
    [
      'machines',
      { fasteners: [{ name: 'axle', wheel: 'side', torqueNm: 5 }] },
      'fasteners[0].wheel',
    ],
  ])('%s with %j are refused at the field', async (kind, part, field) => {
    const { body } = await ask
      .post(`/api/records/${kind}`)
      .send({ ...NEW[kind], ...part })
      .expect(422);
    expect(body.error.field).toBe(field);
    expect(body.error.expected.length).toBeGreaterThan(3);
  });

  test('an unknown kind and an unknown address are not found', async () => {
    await ask.post('/api/records/horses').send({}).expect(404);
    await ask.get('/api/records/horses/file.csv').expect(404);
    await ask.get('/api/nothing').expect(404);
    await ask.get('/assets/nothing.js').expect(404);
  });
});

describe('taking a file in', () => {
  const { ask } = testApp();
  const post = (csv: string, apply: 'yes' | 'no') =>
    ask.post(`/api/records/tubes/import?apply=${apply}`).type('text/csv').send(csv);
  const labels = async () =>
    (await ask.get('/api/records/tubes')).body.records.map((t: { label: string }) => t.label);

  test('a plan writes nothing; applied, all of it is there', async () => {
    const before = await labels();
    const csv = 'label,count,wall\r\n"110/100-18, 120/90-18",4,heavy\r\n2.50-17,2,\r\n';
    expect((await post(csv, 'no').expect(200)).body).toMatchObject({
      applied: false,
      rows: [
        { line: 2, does: 'add' },
        { line: 3, does: 'add' },
      ],
    });
    expect(await labels()).toEqual(before);
    expect((await post(csv, 'yes').expect(200)).body.applied).toBe(true);
    expect(await labels()).toEqual(expect.arrayContaining(['110/100-18, 120/90-18', '2.50-17']));
  });

  test('one faulty row and nothing is taken in; every faulty row is listed', async () => {
    const before = await labels();
    const { body } = await post('label,count\n4.00-18,1\nbig,1\n4.10-18,many\n', 'yes').expect(422);
    expect(body.applied).toBe(false);
    expect(
      body.rows
        .filter((r: { does: string }) => r.does === 'faulty')
        .map((r: { line: number }) => r.line),
    ).toEqual([3, 4]);
    expect(await labels()).toEqual(before);
  });

  test('semicolons, a byte order mark and an emptied cell are read as a spreadsheet writes them', async () => {
    const { body } = await post('\uFEFFlabel;count\r\n3.25-19;3\r\n', 'no').expect(200);
    expect(body.rows).toMatchObject([{ does: 'add' }]);
  });

  test('a note that looks like a formula is marked on the way out and whole on the way back', async () => {
    await ask
      .post('/api/records/tubes')
      .send({ id: 'formula', label: '3.00-18', note: '=1+1' })
      .expect(201);
    const { text } = await ask.get('/api/records/tubes/file.csv');
    expect(text).toContain("'=1+1");
    const { body } = await post(text, 'yes').expect(200);
    expect(body.rows.every((r: { does: string }) => r.does === 'nothing')).toBe(true);
  });

  test.each([
    ['', 'file'],
    ['label\n', 'file'],
    ['label,count\n"4.00-18,1\n', 'file'],
    [`label\n${'4.00-18\n'.repeat(60_001)}`, 'file'],
  ])('%# is refused in words', async (csv, field) => {
    const { body } = await post(csv, 'no').expect(422);
    expect(body.error.field).toBe(field);
  });

  test('only text/csv is taken, which no foreign page can send unasked', async () => {
    await ask
      .post('/api/records/tubes/import?apply=yes')
      .type('text/plain')
      .send('label\n4.00-18\n')
      .expect(422);
    expect(await labels()).not.toContain('4.00-18');
  });

  test('a column that does not exist is named', async () => {
    const { body } = await post('label,colour\n4.00-18,red\n', 'no').expect(200);
    expect(body.problems).toMatchObject([{ column: 'colour' }]);
  });
});

describe('a wheel’s record', () => {
  const { ask } = testApp();

  test('holds its machine, its jobs and what they know of it', async () => {
    const { body } = await ask.get('/api/wheels/w-vellan-r/record').expect(200);
    expect(body.machine.id).toBe('m-vellan');
    expect(body.jobs.length).toBeGreaterThan(0);
    expect(body.history.clearances[0]).toMatchObject({
      place: 'above',
      withTire: '180/55ZR17 73W TL',
    });
    const dates = body.history.fitted.map((f: { onDate: string }) => f.onDate);
    expect(dates).toEqual([...dates].sort().reverse());
    await ask.get('/api/wheels/nobody/record').expect(404);
    await ask.get('/api/wheels/..%2Fx/record').expect(422);
  });

  test('its cut through the axle goes out as one SVG file, in the fitter’s units; a wheel without widths says so', async () => {
    const { body, headers } = await ask
      .get('/api/wheels/w-quill-lr/section.svg')
      .buffer(true)
      .expect(200);
    const text = (body as Buffer).toString('utf8');
    expect(headers['content-type']).toMatch(/^image\/svg\+xml/);
    expect(text).toMatch(/^<svg xmlns="http:\/\/www.w3.org\/2000\/svg" viewBox="0 0 600 360"/);
    expect(text).toContain('301 mm over all');
    expect(text.match(/<(path|circle)[^>]*fill="none"(?![^>]*stroke=)/)).toBeNull();
    const inches = await ask
      .get('/api/wheels/w-quill-lr/section.svg?length=in')
      .buffer(true)
      .expect(200);
    expect((inches.body as Buffer).toString('utf8')).toContain('11.85 in over all');
    const none = await ask.get('/api/wheels/w-vellan-r/section.svg').expect(404);
    expect(none.body.error.message).toMatch(/overall width/);
    await ask.get('/api/wheels/nobody/section.svg').expect(404);
    await ask.get('/api/wheels/w-quill-lr/section.svg?length=ells').expect(422);
  });

  test('a wheel as a small picture: its own spokes, by day and by night, kept by the browser for its version', async () => {
    const { ask } = testApp();
    const icon = async (id: string, query = '') => {
      const answer = await ask.get(`/api/wheels/${id}/icon.svg${query}`).expect(200);
      expect(answer.headers['content-type']).toMatch(/^image\/svg\+xml/);
      expect(answer.headers['cache-control']).toMatch(/^private, max-age=\d{6,}$/);
      return (answer.body as Buffer).toString();
    };
    const dirt = await icon('w-orrin-r');
    const road = await icon('w-vellan-r');
    expect(dirt).not.toBe(road);
    // Words would not be read at this size.
    expect(dirt).not.toContain('<text');
    expect(await icon('w-orrin-r', '?theme=dark&version=3')).not.toBe(dirt);
    await ask.get('/api/wheels/nobody/icon.svg').expect(404);
    await ask.get('/api/wheels/w-orrin-r/icon.svg?theme=pink').expect(422);
  });
});

test('words in a drawing cannot break out of it', () => {
  const shape = {
    kind: 'text',
    role: 'label',
    x: 1,
    y: 2,
    text: '<b>&"',
    size: 9,
    anchor: 'middle',
  } as const;
  const svg = drawingSvg([shape], { width: 10, height: 10 }, 'a<script>');
  expect(svg).toContain('>&lt;b&gt;&amp;&quot;</text>');
  expect(svg).toContain('<title>a&lt;script&gt;</title>');
});

describe('a tape round a tire that stays', () => {
  const { ask } = testApp();
  test('goes into the wheel’s record at hand-over behind those before it, and out again with it', async () => {
    const rollouts = async () =>
      (await ask.get('/api/wheels/w-quill-rr/record')).body.wheel.rollouts;
    const before = await rollouts();
    const entry = (id: string, kind: string, data: object) => ({
      id,
      who: 'Juna Birk',
      station: 'set',
      kind,
      data,
    });
    const send = (expectedSeq: number, entries: object[]) =>
      ask.post('/api/jobs/tape/entries').send({ expectedSeq, entries }).expect(201);
    const opened = { id: 'tape', machineId: 'm-quill', wheelId: 'w-quill-rr', who: 'Juna Birk' };
    const { body } = await ask.post('/api/jobs').send(opened).expect(201);
    const { lastSeq } = body.job;
    await send(lastSeq, [entry('t1', 'taped', { run: 9, circumferenceMm: 2517, gaugeKpa: 41.4 })]);
    expect(await rollouts()).toEqual(before);
    await send(lastSeq + 1, [entry('t2', 'handed-over', { to: 'Ines', despite: DESPITE })]);
    expect(await rollouts()).toEqual([
      ...before,
      expect.objectContaining({ run: 9, circumferenceMm: 2517, gaugeKpa: 41.4 }),
    ]);
    expect((await ask.get('/api/wheels/w-quill-rr/record')).body.wheel.tireMarking).not.toBe('');
    await send(lastSeq + 2, [entry('t3', 'undo', { entryId: 't2' })]);
    expect(await rollouts()).toEqual(before);
  });
});

describe('handing over', () => {
  const { ask } = testApp();
  const entry = (kind: string, data: object, id = `${kind}-1`, station = 'hand-over') => ({
    id,
    who: 'Juna Birk',
    station,
    kind,
    data,
  });
  const counts = async () => {
    const record = async (kind: string, id: string) =>
      (await ask.get(`/api/records/${kind}/${id}`).expect(200)).body;
    return [
      (await record('tires', 't-7')).count,
      (await record('valves', 'v-1')).count,
      await record('wheels', 'w-vellan-r'),
    ];
  };

  test('takes the parts from the shelf and gives the wheel its new tire; undone, everything is back', async () => {
    await ask
      .post('/api/jobs')
      .send({ id: 'j', machineId: 'm-vellan', wheelId: 'w-vellan-r', who: 'Juna Birk' })
      .expect(201);
    const [tires, stems, wheel] = await counts();
    const chosen = {
      marking: '180/55ZR17 73W TL',
      dateCode: '0126',
      tireId: 't-7',
      tube: false,
      tubeId: null,
      tubeLabel: null,
      lightMark: true,
      seatLimitKpa: null,
      parts: [
        { what: 'tire', count: 1, stockId: 't-7' },
        { what: 'valve stem', count: 1, stockId: 'v-1' },
        { what: 'gone', count: 2, stockId: 'no-such' },
      ],
    };
    await ask
      .post('/api/jobs/j/entries')
      .send({
        expectedSeq: 2,
        entries: [entry('chosen', { ...chosen, marking: '190/50ZR17 73W TL' }, 'c', 'choose')],
      })
      .expect(201);
    expect(await counts()).toEqual([tires, stems, wheel]);
    await ask
      .post('/api/jobs/j/entries')
      .send({
        expectedSeq: 3,
        entries: [entry('handed-over', { to: 'Petra', despite: DESPITE }, 'h')],
      })
      .expect(201);
    const after = await counts();
    expect(after.slice(0, 2)).toEqual([tires - 1, stems - 1]);
    expect(after[2]).toMatchObject({ tireMarking: '190/50ZR17 73W TL', treads: [] });
    // Handed over again takes nothing twice.
    await ask
      .post('/api/jobs/j/entries')
      .send({
        expectedSeq: 4,
        entries: [entry('handed-over', { to: 'Petra', despite: DESPITE }, 'h2')],
      })
      .expect(201);
    expect((await counts()).slice(0, 2)).toEqual([tires - 1, stems - 1]);
    await ask
      .post('/api/jobs/j/entries')
      .send({
        expectedSeq: 5,
        entries: [entry('undo', { entryId: 'h2' }, 'u1'), entry('undo', { entryId: 'h' }, 'u2')],
      })
      .expect(201);
    const back = await counts();
    expect(back.slice(0, 2)).toEqual([tires, stems]);
    expect(back[2]).toMatchObject({ tireMarking: wheel.tireMarking, treads: wheel.treads });
  });
});

describe('two hand-overs of one wheel', () => {
  const { ask } = testApp();
  const CHOSEN = {
    dateCode: '0126',
    tireId: null,
    tube: false,
    tubeId: null,
    tubeLabel: null,
    lightMark: true,
    seatLimitKpa: null,
    parts: [],
  };
  const wheel = async () => (await ask.get('/api/wheels/w-vellan-r/record')).body.wheel as Wheel;
  const send = async (id: string, kind: string, data: object) => {
    const { job } = (await ask.get(`/api/jobs/${id}`)).body as { job: { lastSeq: number } };
    const entry = {
      id: `${id}-${job.lastSeq}`,
      who: 'Juna Birk',
      station: 'hand-over',
      kind,
      data,
    };
    await ask
      .post(`/api/jobs/${id}/entries`)
      .send({ expectedSeq: job.lastSeq, entries: [entry] })
      .expect(201);
    return entry.id;
  };
  const handOver = async (id: string, marking: string) => {
    await ask
      .post('/api/jobs')
      .send({ id, machineId: 'm-vellan', wheelId: 'w-vellan-r', who: 'Juna Birk' })
      .expect(201);
    await send(id, 'chosen', { ...CHOSEN, marking });
    return send(id, 'handed-over', { to: 'Petra', despite: DESPITE });
  };
  const undo = (id: string, entryId: string) => send(id, 'undo', { entryId });

  test('the older one undone leaves the newer tire on, and the newer one undone gives back what was before both', async () => {
    const before = await wheel();
    const first = await handOver('older', '190/50ZR17 73W TL');
    const second = await handOver('newer', '180/60ZR17 75W TL');
    await undo('older', first);
    expect((await wheel()).tireMarking).toBe('180/60ZR17 75W TL');
    await undo('newer', second);
    expect(await wheel()).toMatchObject({ tireMarking: before.tireMarking, treads: before.treads });
  });

  test('what was changed by hand after a hand-over stays when that is undone', async () => {
    const third = await handOver('third', '190/50ZR17 73W TL');
    await ask
      .put('/api/records/wheels/w-vellan-r')
      .send({ ...(await wheel()), tireMarking: '190/55ZR17 75W TL' })
      .expect(200);
    await undo('third', third);
    expect((await wheel()).tireMarking).toBe('190/55ZR17 75W TL');
  });

  test('what moves no part moves no shelf’s version', async () => {
    const tire = async () => (await ask.get('/api/records/tires/t-7')).body;
    await ask
      .post('/api/jobs')
      .send({ id: 'fourth', machineId: 'm-vellan', wheelId: 'w-vellan-r', who: 'Juna Birk' });
    await send('fourth', 'chosen', {
      ...CHOSEN,
      marking: '180/55ZR17 73W TL',
      tireId: 't-7',
      parts: [{ what: 'tire', count: 1, stockId: 't-7' }],
    });
    const there = await tire();
    await send('fourth', 'handed-over', { to: 'Petra', despite: DESPITE });
    const taken = await tire();
    expect(taken).toMatchObject({ count: there.count - 1, version: there.version + 1 });
    await send('fourth', 'note', { text: 'Called about it.' });
    await send('fourth', 'odometer', { km: 12_000 });
    expect(await tire()).toEqual(taken);
  });
});
