import { parse } from 'csv-parse/sync';
import { DESPITE, note, testApp } from './test-app';

let n = 0;

/** A shop with two machines in, and a way to decide on parts for each of their wheels. */
const shopWithTwo = async () => {
  const shop = testApp();
  const { ask, db } = shop;
  db.exec('DELETE FROM orders');
  const tubes = (await ask.get('/api/records/tubes')).body.records as {
    id: string;
    count: number;
    version: number;
  }[];
  const tube = tubes[0]!;
  const setCount = async (count: number) => {
    const now = (await ask.get('/api/records/tubes')).body.records.find(
      (t: { id: string }) => t.id === tube.id,
    );
    await ask
      .put(`/api/records/tubes/${tube.id}`)
      .send({ ...now, count })
      .expect(200);
  };
  const countNow = async () =>
    (await ask.get('/api/records/tubes')).body.records.find((t: { id: string }) => t.id === tube.id)
      .count as number;
  for (const [id, machineId, wheelId] of [
    ['a', 'm-orrin', 'w-orrin-f'],
    ['b', 'm-vellan', 'w-vellan-f'],
  ])
    await ask.post('/api/jobs').send({ id, machineId, wheelId, who: 'Juna Birk' }).expect(201);
  const append = async (jobId: string, kind: string, data: object) => {
    const sent = { ...note(''), id: `p-${++n}`, kind, data };
    const { lastSeq } = (await ask.get(`/api/jobs/${jobId}`)).body.job;
    await ask
      .post(`/api/jobs/${jobId}/entries`)
      .send({ expectedSeq: lastSeq, entries: [sent] })
      .expect(201);
    return sent.id;
  };
  const choose = (jobId: string, parts: object[]) =>
    append(jobId, 'chosen', {
      marking: '80/100-21 51M',
      dateCode: null,
      tireId: null,
      tube: true,
      tubeId: tube.id,
      tubeLabel: null,
      lightMark: false,
      seatLimitKpa: null,
      parts,
    });
  const list = async () => (await ask.get('/api/order-list').expect(200)).body;
  const missing = async (jobId: string) =>
    (await ask.get(`/api/jobs/${jobId}/visit`)).body.visit.missing;
  const order = (more: object = {}) =>
    ask
      .post('/api/orders')
      .send({
        id: `o-${++n}`,
        what: 'tube',
        stockId: tube.id,
        count: 1,
        supplier: 'Marl & Reed',
        jobIds: ['b'],
        who: 'Juna Birk',
        ...more,
      });
  return { ...shop, tube, setCount, countNow, append, choose, list, missing, order };
};
const wantsTube = (stockId: string, count = 1) => [{ what: 'tube', count, stockId }];

test('the last tube is not counted on twice: the second waits for it, is ordered, and it comes', async () => {
  const { ask, tube, setCount, countNow, choose, list, missing, order } = await shopWithTwo();
  await setCount(1);
  // Two browsers at once: both are written, one of them has it.
  await Promise.all([choose('a', wantsTube(tube.id)), choose('b', wantsTube(tube.id))]);
  const reserved = (await ask.get('/api/shop')).body.reserved.filter(
    (r: { stockId: string }) => r.stockId === tube.id,
  );
  expect(reserved).toMatchObject([{ count: 1 }]);
  const has = reserved[0].jobId as string;
  const waits = has === 'a' ? 'b' : 'a';
  expect(await missing(has)).toEqual([]);
  expect(await missing(waits)).toEqual([
    { jobId: waits, what: 'tube', count: 1, isOrdered: false },
  ]);
  expect((await list()).short).toMatchObject([
    { what: 'tube', count: 1, stockId: tube.id, jobs: [{ jobId: waits }] },
  ]);

  const placed = await order({ jobIds: [waits] }).expect(201);
  const { id } = placed.body.order;
  expect(await missing(waits)).toMatchObject([{ isOrdered: true }]);
  expect(await list()).toMatchObject({
    short: [],
    ordered: [{ id, supplier: 'Marl & Reed' }],
    suppliers: ['Marl & Reed'],
  });

  await ask.post(`/api/orders/${id}/received`).send({ who: 'Juna Birk' }).expect(201);
  // Sent again it came once.
  await ask.post(`/api/orders/${id}/received`).send({ who: 'Juna Birk' }).expect(201);
  expect([await countNow(), await missing(waits)]).toEqual([2, []]);
  expect(await list()).toMatchObject({ short: [], ordered: [] });
  const off = await ask.post(`/api/orders/${id}/called-off`).send({ who: 'Juna Birk' });
  expect([off.status, off.body.error.message]).toEqual([422, 'This order was already received.']);
});

test('a handed-over job wants nothing more; its undo wants it again', async () => {
  const { tube, setCount, choose, append, list } = await shopWithTwo();
  await setCount(0);
  await choose('a', wantsTube(tube.id, 2));
  expect((await list()).short).toMatchObject([{ count: 2 }]);
  const over = await append('a', 'handed-over', { to: 'Mara Tolling', despite: DESPITE });
  expect((await list()).short).toEqual([]);
  await append('a', 'undo', { entryId: over });
  expect((await list()).short).toMatchObject([{ count: 2 }]);
  // Another choice takes the place of the first.
  await choose('a', wantsTube(tube.id, 1));
  expect((await list()).short).toMatchObject([{ count: 1 }]);
});

test('a part that is none of the shelf’s is here once the order for its job came; called off it is short again', async () => {
  const { ask, choose, missing, order } = await shopWithTwo();
  await choose('b', [{ what: 'tire 90/90-21', count: 1, stockId: null }]);
  const loose = { what: 'tire 90/90-21', stockId: null };
  const first = (await order(loose).expect(201)).body.order.id;
  await ask.post(`/api/orders/${first}/called-off`).send({ who: 'Juna Birk' }).expect(201);
  expect(await missing('b')).toMatchObject([{ isOrdered: false }]);
  const second = (await order(loose).expect(201)).body.order.id;
  await ask.post(`/api/orders/${second}/received`).send({ who: 'Juna Birk' }).expect(201);
  expect(await missing('b')).toEqual([]);
});

test('the list as CSV, and a name that a spreadsheet would run', async () => {
  const { ask, tube, setCount, choose, order } = await shopWithTwo();
  await setCount(0);
  await choose('b', [...wantsTube(tube.id), { what: '=1+1', count: 3, stockId: null }]);
  await order({ supplier: '@Marl' }).expect(201);
  const { text, headers } = await ask.get('/api/order-list.csv').expect(200);
  expect(headers['content-type']).toMatch(/text\/csv/);
  const rows = parse(text, { columns: true }) as Record<string, string>[];
  expect(rows.map((r) => [r.state, r.what, r.count, r.supplier])).toEqual([
    ['to order', "'=1+1", '3', ''],
    ['on its way', 'tube', '1', "'@Marl"],
  ]);
  expect(rows[0]!.for).toMatch(/Vellan Strada 700, front$/);
});

test('what does not fit is named, and nothing is ordered', async () => {
  const { ask, order, list } = await shopWithTwo();
  for (const [more, field] of [
    [{ count: 0 }, 'count'],
    [{ what: '' }, 'what'],
    [{ stockId: 'none' }, 'stockId'],
    [{ jobIds: 'b' }, 'jobIds'],
    [{ supplier: 'x'.repeat(81) }, 'supplier'],
  ] as const)
    expect((await order(more).expect(422)).body.error.field).toBe(field);
  expect((await list()).ordered).toEqual([]);
  await ask.post('/api/orders/none/received').send({ who: 'Juna Birk' }).expect(404);
  const { id } = (await order().expect(201)).body.order;
  expect((await order({ id, count: 5 }).expect(422)).body.error.field).toBe('id');
});

describe('what a visit costs', () => {
  test('by parts, rates and time, asked again where it goes beyond what was agreed', async () => {
    const { ask, tube, choose } = await shopWithTwo();
    const of = async () => (await ask.get('/api/visits/b/estimate').expect(200)).body;
    const rule = async (key: string, value: number | string) =>
      ask
        .put(`/api/rules/${key}`)
        .send({ value, note: '', who: 'Juna Birk', reason: 'x' })
        .expect(200);
    await rule('labour.castMinor', 4000);
    await rule('labour.spokedMinor', 4000);
    await rule('cost.taxPct', 0);
    await rule('cost.disposalMinor', 300);
    const bare = await of();
    expect(bare.result).toMatchObject({ totalMinor: 4000, askAgain: null, currency: 'USD' });
    const { priceMinor } = (await ask.get('/api/records/tubes')).body.records.find(
      (t: { id: string }) => t.id === tube.id,
    );
    await choose('b', wantsTube(tube.id, 2));
    expect((await of()).result.totalMinor).toBe(4000 + 300 + 2 * priceMinor);
    const { lastSeq } = (await ask.get('/api/visits/b')).body.visit;
    const agreed = { amountMinor: 4000, currency: 'USD', by: 'Petra Oakhollow' };
    await ask
      .post('/api/visits/b/entries')
      .send({
        expectedSeq: lastSeq,
        entries: [{ id: 'agreed', who: 'Juna Birk', kind: 'agreed', data: agreed }],
      })
      .expect(201);
    expect(await of()).toMatchObject({ verdict: 'stop', result: { askAgain: true } });
    await rule('labour.by', 'the hour');
    await rule('labour.hourMinor', 6000);
    const { result } = await of();
    expect(result.highMinor).toBeGreaterThan(result.totalMinor);
  });
  test('a visit that is over says what it came to, without a range', async () => {
    const { ask } = testApp();
    const { result } = (await ask.get('/api/visits/demo-job-20/estimate').expect(200)).body;
    expect(result.highMinor).toBe(result.totalMinor);
    expect(result.totalMinor).toBeGreaterThan(0);
    await ask.get('/api/visits/none/estimate').expect(404);
  });
});
