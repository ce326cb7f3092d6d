import { parse } from 'csv-parse/sync';
import { checkEntryBody, foldJob, type Entry } from '../../src/core/job';
import { DESPITE, note, testApp } from './test-app';

describe('the jobs list', () => {
  const { ask } = testApp();
  const list = async (query: string) =>
    (await ask.get(`/api/jobs?${query}`).expect(200)).body as {
      jobs: { number: number; machineName: string; rider: string; openedAt: string }[];
      total: number;
    };

  test('newest first, in pages', async () => {
    const first = await list('limit=5');
    expect(first.total).toBe(24);
    expect(first.jobs.map((j) => j.number)).toEqual([1024, 1023, 1022, 1021, 1020]);
    const next = await list('limit=5&offset=5');
    expect(next.jobs[0]?.number).toBe(1019);
  });

  test.each([
    ['search=orrindale', (j: { machineName: string }) => /Orrindale/.test(j.machineName)],
    ['search=TOLLING%20front', (j: { rider: string }) => j.rider === 'Mara Tolling'],
    ['search=1013', (j: { number: number }) => j.number === 1013],
    ['search=205/80r12', (j: { machineName: string }) => /Dunnock/.test(j.machineName)],
    [
      'from=2026-04-29&to=2026-04-30',
      (j: { openedAt: string }) => j.openedAt.startsWith('2026-04-30'),
    ],
    ['search=scooter', (j: { machineName: string }) => /Pimlet/.test(j.machineName)],
  ])('%s finds only what fits', async (query, fits) => {
    const { jobs, total } = await list(query);
    expect(total).toBeGreaterThan(0);
    expect((jobs as never[]).every(fits as never)).toBe(true);
  });

  test('what a search means literally is searched literally', async () => {
    for (const search of ['%', '_', "' OR 1=1 --", '"', '\\'])
      expect((await list(new URLSearchParams({ search }).toString())).total).toBe(0);
  });

  test.each([
    'limit=0',
    'limit=9999',
    'limit=abc',
    'offset=-1',
    'from=yesterday',
    'to=2026-02-30',
    `search=${'x'.repeat(101)}`,
    'nonsense=1',
  ])('%s is refused', async (query) => {
    const { body } = await ask.get(`/api/jobs?${query}`).expect(422);
    expect(body.error.field).toBe(query.split('=')[0]);
    expect(body.error.expected.length).toBeGreaterThan(5);
  });
});

describe('opening a job', () => {
  const { ask } = testApp();
  const body = { id: 'job-new', machineId: 'm-orrin', wheelId: 'w-orrin-r', who: 'Juna Birk' };

  test('keeps the machine, the wheel and the rules as they are now', async () => {
    const { body: answer } = await ask.post('/api/jobs').send(body).expect(201);
    expect(answer.job.number).toBe(1025);
    expect(answer.entries.map((e: { kind: string }) => e.kind)).toEqual(['opened', 'rules']);
    const state = foldJob(answer.entries);
    expect(state.wheel?.rimLockDegs).toEqual([210]);
    expect(state.rules['seat.shopCeilingKpa']).toBeCloseTo(275.79, 1);
    await ask
      .put('/api/rules/balance.toleranceG')
      .send({ value: 2, note: '', who: 'Osk Tarrow', reason: 'racing' })
      .expect(200);
    const later = (await ask.get('/api/jobs/job-new').expect(200)).body;
    expect(foldJob(later.entries).rules['balance.toleranceG']).toBe(5);
  });

  test('sent twice it is opened once', async () => {
    const first = (
      await ask
        .post('/api/jobs')
        .send({ ...body, id: 'job-twice' })
        .expect(201)
    ).body.job;
    expect(
      (
        await ask
          .post('/api/jobs')
          .send({ ...body, id: 'job-twice' })
          .expect(201)
      ).body.job.number,
    ).toBe(first.number);
  });

  test.each([
    [{ ...body, id: 'other', machineId: 'nobody' }, 'machineId'],
    [{ ...body, id: 'other', wheelId: 'w-vellan-r' }, 'wheelId'],
    [{ ...body, wheelId: 'w-orrin-f' }, 'id'],
    [{ ...body, who: '' }, 'who'],
    [{ ...body, id: 'a b;' }, 'id'],
    [{ ...body, extra: 1 }, 'extra'],
  ])('%j is refused', async (bad, field) => {
    const before = (await ask.get('/api/jobs')).body.total;
    const { body: answer } = await ask.post('/api/jobs').send(bad).expect(422);
    expect(answer.error.field).toBe(field);
    expect((await ask.get('/api/jobs')).body.total).toBe(before);
  });

  test('an unknown job is not found, in words', async () => {
    for (const path of ['', '/log.csv', '/rechecks.ics', '/card.pdf']) {
      const { body: answer } = await ask.get(`/api/jobs/no-such${path}`).expect(404);
      expect(answer.error.message).toBe('Job not found.');
    }
  });
});

describe('appending to a log', () => {
  const { ask, db } = testApp();
  const url = '/api/jobs/demo-job-22/entries';
  const seqNow = async () => (await ask.get('/api/jobs/demo-job-22')).body.job.lastSeq as number;

  test('entries follow on without a gap, stamped by the server', async () => {
    const seq = await seqNow();
    const began = Date.now();
    const { body } = await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [note('one'), note('two')] })
      .expect(201);
    expect(body.seq).toBe(seq + 2);
    expect(body.entries.map((e: { seq: number }) => e.seq)).toEqual([seq + 1, seq + 2]);
    expect(Date.parse(body.entries[0].at)).toBeGreaterThanOrEqual(began);
  });

  test('a log that moved on refuses with what was not seen, and writes nothing', async () => {
    const seq = await seqNow();
    await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [note('first')] })
      .expect(201);
    const { body } = await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [note('second')] })
      .expect(409);
    expect(body.error.field).toBe('expectedSeq');
    expect(body.entries.map((e: { data: { text: string } }) => e.data.text)).toEqual(['first']);
    expect(body.seq).toBe(seq + 1);
    expect(await seqNow()).toBe(seq + 1);
    await ask
      .post(url)
      .send({ expectedSeq: seq + 99, entries: [note('from the future')] })
      .expect(409);
  });

  test('a client that lost the answer may send again', async () => {
    const seq = await seqNow();
    const entries = [note('once')];
    await ask.post(url).send({ expectedSeq: seq, entries }).expect(201);
    const again = await ask.post(url).send({ expectedSeq: seq, entries }).expect(201);
    expect(again.body.entries[0].seq).toBe(seq + 1);
    expect(await seqNow()).toBe(seq + 1);
    expect(again.body).toEqual({
      entries: [expect.objectContaining({ id: entries[0]!.id })],
      seq: seq + 1,
    });
    // The same id with other content, in another job, or beside a new one is no sending again.
    const other = [{ ...entries[0], data: { text: 'twice' } }];
    for (const [to, them] of [
      [url, other],
      [url, [...entries, note('new')]],
      ['/api/jobs/demo-job-21/entries', entries],
    ] as const) {
      const { body } = await ask
        .post(to)
        .send({ expectedSeq: seq + 1, entries: them })
        .expect(409);
      expect(body.error).toMatchObject({
        field: 'entries',
        message: expect.stringMatching(/already exists with other content/),
      });
      expect(body.entries).toBeUndefined();
    }
    expect(await seqNow()).toBe(seq + 1);
  });

  test('an id that stands twice in one append, and what only the server writes, is refused', async () => {
    const seq = await seqNow();
    const one = note('one');
    const twice = await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [one, one] })
      .expect(422);
    expect(twice.body.error.message).toBe('Two entries have the same ID.');
    const rules = { ...note('x'), kind: 'rules', data: { values: { 'seat.try-kpa': 1 } } };
    await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [rules] })
      .expect(422);
    expect(await seqNow()).toBe(seq);
  });

  test('a clock that was set back neither turns the log’s time round, nor hides the newest job', async () => {
    const seq = await seqNow();
    const [newest] = (await ask.get(url.replace('/entries', ''))).body.entries.slice(-1) as Entry[];
    const clock = jest.useFakeTimers({
      now: Date.parse(newest!.at) - 86_400_000,
      doNotFake: [
        'setTimeout',
        'setImmediate',
        'nextTick',
        'setInterval',
        'clearTimeout',
        'clearImmediate',
        'clearInterval',
        'queueMicrotask',
      ],
    });
    try {
      const { body } = await ask
        .post(url)
        .send({ expectedSeq: seq, entries: [note('set back')] })
        .expect(201);
      expect(body.entries[0].at).toBe(newest!.at);
      const opened = {
        id: 'set-back',
        machineId: 'm-orrin',
        wheelId: 'w-orrin-f',
        who: 'Juna Birk',
      };
      await ask.post('/api/jobs').send(opened).expect(201);
    } finally {
      clock.useRealTimers();
    }
    expect((await ask.get('/api/jobs')).body.jobs[0].id).toBe('set-back');
  });

  test('what waited on its way stands when it was written at the bench, never before what is there', async () => {
    const job = { id: 'waited', machineId: 'm-orrin', wheelId: 'w-orrin-f', who: 'Juna Birk' };
    await ask.post('/api/jobs').send(job).expect(201);
    const written = Date.now();
    db.prepare('UPDATE jobs SET last_at = ? WHERE id = ?').run(
      new Date(written - 3_600_000).toISOString(),
      job.id,
    );
    const sent = { expectedSeq: 2, entries: [note('an hour ago, nearly')], waitedS: 3000 };
    const first = (await ask.post('/api/jobs/waited/entries').send(sent).expect(201)).body
      .entries[0] as Entry;
    expect(written - Date.parse(first.at)).toBeGreaterThan(2_990_000);
    expect(written - Date.parse(first.at)).toBeLessThan(3_001_000);
    expect(Date.parse(first.arrivedAt!)).toBeGreaterThanOrEqual(written);
    // Sent again since the answer was lost, it had waited longer by then: it is the same entry.
    const again = await ask
      .post('/api/jobs/waited/entries')
      .send({ ...sent, waitedS: 3100 })
      .expect(201);
    expect(again.body.entries).toEqual([first]);
    const longer = {
      expectedSeq: 3,
      entries: [note('longer than the one before')],
      waitedS: 86_400,
    };
    const second = (await ask.post('/api/jobs/waited/entries').send(longer).expect(201)).body
      .entries[0] as Entry;
    expect(second.at).toBe(first.at);
    // What did not wait says nothing of it.
    const soon = { expectedSeq: 4, entries: [note('at once')] };
    expect(
      (await ask.post('/api/jobs/waited/entries').send(soon).expect(201)).body.entries[0],
    ).not.toHaveProperty('arrivedAt');
    const rows = parse((await ask.get('/api/jobs/waited/log.csv')).text, {
      columns: true,
    }) as Record<string, string>[];
    expect(rows.map((r) => r.arrived !== '')).toEqual([false, false, true, true, false]);
  });

  test.each([-1, 0.5, 2_592_001, 'an hour'])('no entry waits %p seconds', async (waitedS) => {
    const { body } = await ask
      .post(url)
      .send({ expectedSeq: await seqNow(), entries: [note('x')], waitedS })
      .expect(422);
    expect(body.error).toMatchObject({
      field: 'waitedS',
      expected: expect.stringContaining('seconds'),
    });
  });

  test('all or nothing: one bad entry among good ones leaves no trace', async () => {
    const seq = await seqNow();
    const { body } = await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [note('good'), note('', { station: 'kitchen' })] })
      .expect(422);
    expect(body.error.field).toBe('entries[1].station');
    expect(await seqNow()).toBe(seq);
  });

  test.each([
    ['an unknown target', { kind: 'undo', data: { entryId: 'nothing' } }, 'data.entryId'],
    ['the opening', { kind: 'undo', data: { entryId: 'OPENED' } }, 'data.entryId'],
    ['a correction of another kind', { replaces: 'STEP' }, 'replaces'],
    ['a second opening', { kind: 'opened', data: {} }, 'entries[0].data.machine'],
  ])('%s cannot be named', async (_name, more, field) => {
    const seq = await seqNow();
    const { entries } = (await ask.get('/api/jobs/demo-job-22')).body as {
      entries: { id: string; kind: string }[];
    };
    const real = (id: string) =>
      id === 'OPENED'
        ? entries[0]!.id
        : id === 'STEP'
          ? entries.find((e) => e.kind === 'step')!.id
          : id;
    const entry = JSON.parse(JSON.stringify(note('x', more)), (_k, v) =>
      typeof v === 'string' ? real(v) : v,
    );
    const { body } = await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [entry] })
      .expect(422);
    expect(body.error.field).toBe(field);
    expect(await seqNow()).toBe(seq);
  });

  test('what was undone cannot be undone again, but the undo can', async () => {
    const seq = await seqNow();
    const target = note('to be undone');
    const undo = { ...note('x'), kind: 'undo', data: { entryId: target.id } };
    await ask
      .post(url)
      .send({ expectedSeq: seq, entries: [target, undo] })
      .expect(201);
    await ask
      .post(url)
      .send({
        expectedSeq: seq + 2,
        entries: [{ ...note('x'), kind: 'undo', data: { entryId: target.id } }],
      })
      .expect(422);
    await ask
      .post(url)
      .send({
        expectedSeq: seq + 2,
        entries: [{ ...note('x'), kind: 'undo', data: { entryId: undo.id } }],
      })
      .expect(201);
    const { entries } = (await ask.get('/api/jobs/demo-job-22')).body;
    expect(foldJob(entries).notes.map((x) => x.text)).toContain('to be undone');
  });

  test('the database itself lets no entry be changed or removed', () => {
    expect(() => db.prepare("UPDATE entries SET who = 'x'").run()).toThrow(/never changed/);
    expect(() => db.prepare('DELETE FROM entries').run()).toThrow(/never removed/);
  });

  test.each([
    [{ expectedSeq: -1, entries: [] }, 422],
    [{ expectedSeq: 1, entries: [] }, 422],
    [{ expectedSeq: 1, entries: 'many' }, 422],
    [{ entries: [] }, 422],
    [{ expectedSeq: 1, entries: Array.from({ length: 51 }, () => note('x')) }, 422],
    [[], 422],
  ])('a body of the wrong shape is refused (%#)', async (body, status) => {
    const answer = await ask
      .post(url)
      .send(body as object)
      .expect(status);
    expect(Object.keys(answer.body.error).sort()).toEqual(['expected', 'field', 'message']);
  });

  test('JSON that is none, and a body that is too large', async () => {
    await ask.post(url).set('content-type', 'application/json').send('{"expectedSeq":').expect(400);
    const { body } = await ask
      .post(url)
      .send({ expectedSeq: 1, entries: [note('x'.repeat(300_000))] })
      .expect(413);
    expect(body.error).toMatchObject({ field: 'body', message: 'The request is too large.' });
  });

  test('the summary in the list follows the log', async () => {
    const seq = await seqNow();
    await ask
      .post(url)
      .send({
        expectedSeq: seq,
        entries: [
          {
            ...note('x'),
            station: 'hand-over',
            kind: 'handed-over',
            data: { to: 'Petra Oakhollow', despite: DESPITE },
          },
        ],
      })
      .expect(201);
    expect((await ask.get('/api/jobs?search=1022')).body.jobs[0]).toMatchObject({
      handedOver: true,
      lastSeq: seq + 1,
    });
  });
});

describe('the demo shop', () => {
  const { ask } = testApp();

  test('has machines of many kinds, their wheels and past jobs whose every entry is one the API would take', async () => {
    const found = (await ask.get('/api/machines').expect(200)).body.machines as {
      machine: { kind: string };
      wheels: unknown[];
    }[];
    expect(new Set(found.map((m) => m.machine.kind)).size).toBeGreaterThanOrEqual(6);
    expect(found.flatMap((m) => m.wheels).length).toBeGreaterThanOrEqual(12);
    const { jobs, total } = (await ask.get('/api/jobs?limit=200')).body;
    expect(total).toBeGreaterThanOrEqual(20);
    expect(jobs.filter((j: { handedOver: boolean }) => j.handedOver)).toHaveLength(20);
    for (const { id } of jobs) {
      const { entries } = (await ask.get(`/api/jobs/${id}`)).body;
      for (const { seq: _s, at: _a, ...body } of entries)
        expect(() => checkEntryBody(body)).not.toThrow();
      const times = entries.map((e: { at: string }) => e.at);
      expect(times).toEqual([...times].sort());
    }
  });
});

describe('what cured a trouble', () => {
  const { ask } = testApp();
  const entry = (id: string, kind: string, data: object) => ({
    id,
    who: 'Juna Birk',
    station: 'tire-on',
    kind,
    data,
  });
  const cures = async () => (await ask.get('/api/shop')).body.cures;

  test('is counted over all jobs; what was undone, and what nothing cured, is not', async () => {
    const before = await cures();
    await ask
      .post('/api/jobs')
      .send({ id: 'tr', machineId: 'm-orrin', wheelId: 'w-orrin-r', who: 'Juna Birk' })
      .expect(201);
    const cured = { symptom: 'bite-stuck', curedBy: 'warm' };
    const entries = [
      entry('t1', 'trouble', cured),
      entry('t2', 'trouble', cured),
      entry('t3', 'trouble', { ...cured, curedBy: null }),
      entry('t4', 'undo', { entryId: 't2' }),
    ];
    await ask.post('/api/jobs/tr/entries').send({ expectedSeq: 2, entries }).expect(201);
    expect(await cures()).toEqual([...before, { symptom: 'bite-stuck', check: 'warm', count: 1 }]);
  });
});

describe('a log that is kept in memory', () => {
  const { db, ask } = testApp();
  const read = async () =>
    (await ask.get('/api/jobs/demo-job-21').expect(200)).body as {
      job: { lastSeq: number };
      entries: Entry[];
    };
  const append = (expectedSeq: number, entries: object[]) =>
    ask.post('/api/jobs/demo-job-21/entries').send({ expectedSeq, entries });

  test('holds nothing of an append that was refused half way', async () => {
    const before = await read();
    const seq = before.job.lastSeq;
    const refused = {
      ...note('x'),
      kind: 'handed-over',
      station: 'hand-over',
      data: { to: 'Ned Ash' },
    };
    const { body } = await append(seq, [note('never to stand'), refused]).expect(422);
    expect(body.error.field).toBe('entries[1].data.despite');
    expect((await read()).entries).toEqual(before.entries);
    await append(seq, [note('stands instead')]).expect(201);
    const after = await read();
    expect(after.entries.slice(0, -1)).toEqual(before.entries);
    expect(after.entries.at(-1)!.data).toEqual({ text: 'stands instead' });
  });

  test('takes in what another program wrote into the same database', async () => {
    const { job } = await read();
    db.prepare(
      `INSERT INTO entries (job_id, seq, id, at, who, station, kind, data)
       VALUES ('demo-job-21', ?, 'from-elsewhere', '2026-04-30T12:00:00.000Z', 'Osk Tarrow', 'inspect', 'note', '{"text":"elsewhere"}')`,
    ).run(job.lastSeq + 1);
    expect((await read()).entries.at(-1)).toMatchObject({ id: 'from-elsewhere' });
  });
});
