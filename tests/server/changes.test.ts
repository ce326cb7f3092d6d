import { parse } from 'csv-parse/sync';
import type { ShopChange } from '../../src/core/shop/records';
import { testApp } from './test-app';

const { ask, db } = testApp();
const changes = async (query = '') =>
  (await ask.get(`/api/changes${query}`).expect(200)).body as {
    changes: ShopChange[];
    next: string | null;
  };
const newest = async () => (await changes()).changes[0];

describe('who changed what', () => {
  test('of a shop that was only filled its rules alone tell', async () => {
    expect(new Set((await changes()).changes.map((c) => c.kind))).toEqual(new Set(['rules']));
  });

  test('a record: each field from what to what, once; what is sent again unchanged is none', async () => {
    const { records } = (await ask.get('/api/records/tubes')).body;
    const [tube] = records;
    const put = (more: object) =>
      ask.put(`/api/records/tubes/${tube.id}`).send({ ...tube, ...more });
    await put({ count: tube.count + 2, note: '=counted' }).expect(200);
    const { changes: told } = await changes();
    const many = told.length;
    expect(
      told
        .slice(0, 3)
        .filter((c) => c.kind !== 'rules')
        .map((c) => [c.kind, c.of, c.name, c.field, c.from, c.to]),
    ).toEqual([
      ['tubes', tube.id, tube.label, 'count', tube.count, tube.count + 2],
      ['tubes', tube.id, tube.label, 'note', tube.note, '=counted'],
    ]);
    await put({ count: 99 }).expect(409);
    await put({ count: tube.count + 2, note: '=counted', version: tube.version + 1 }).expect(200);
    expect((await changes()).changes).toHaveLength(many);
  });

  test('a new record, a machine with its wheels, a person, and the shop’s name', async () => {
    await ask
      .post('/api/records/tires')
      .send({ id: 'new-tire', marking: '90/90-21', pattern: 'blocks' })
      .expect(201);
    expect(await newest()).toMatchObject({
      kind: 'tires',
      name: '90/90-21',
      field: null,
      from: null,
      to: null,
    });
    const { machine, wheels } = (await ask.get('/api/machines/m-pim')).body;
    const other = {
      machine: { ...machine, id: 'm-2' },
      wheels: [{ ...wheels[0], id: 'w-2', machineId: 'm-2' }],
    };
    await ask.post('/api/machines').send(other).expect(201);
    expect((await changes('?limit=2')).changes.map((c) => c.kind)).toEqual(['wheels', 'machines']);
    await ask.post('/api/people').send({ name: 'Ada Marl' }).expect(201);
    await ask.post('/api/people').send({ name: 'Ada Marl' }).expect(201);
    expect((await changes('?limit=2')).changes.map((c) => c.kind)).toEqual(['people', 'wheels']);
    const was = (await ask.get('/api/shop')).body.name as string;
    await ask.put('/api/shop/name').send({ name: 'Marl & Ash' }).expect(200);
    expect(await newest()).toMatchObject({ field: 'name', from: was, to: 'Marl & Ash' });
  });

  test('a rule, with who and why, in its place among the rest', async () => {
    const body = { value: 20, note: '', who: 'Juna Birk', reason: 'too many' };
    await ask.put('/api/rules/backup.keep').send(body).expect(200);
    expect(await newest()).toMatchObject({
      kind: 'rules',
      of: 'backup.keep',
      who: 'Juna Birk',
      from: 14,
      to: 20,
      reason: 'too many',
    });
  });

  test('a CSV file changes many at once, or none', async () => {
    const before = (await changes('?limit=200')).changes.length;
    const file = (await ask.get('/api/records/weights/file.csv')).text;
    const send = (text: string) =>
      ask.post('/api/records/weights/import?apply=yes').type('text/csv').send(text);
    const [head, ...rows] = file.trim().split('\r\n');
    const at = head!.split(',').indexOf('count');
    const recounted = rows.map((r) =>
      r
        .split(',')
        .map((c, i) => (i === at ? String(Number(c) + 1) : c))
        .join(','),
    );
    await send([head, ...recounted, 'x,x'].join('\r\n')).expect(422);
    expect((await changes('?limit=200')).changes).toHaveLength(before);
    await send([head, ...recounted].join('\r\n')).expect(200);
    expect((await changes('?limit=200')).changes).toHaveLength(before + rows.length);
  });

  test('pages follow one another without a gap, and the file has them all, every cell as it was', async () => {
    const all = (await changes('?limit=200')).changes;
    const paged: ShopChange[] = [];
    for (let next: string | null | undefined; next !== null;) {
      const page = await changes(`?limit=3${next ? `&before=${encodeURIComponent(next)}` : ''}`);
      paged.push(...page.changes);
      next = page.next;
    }
    expect(paged).toEqual(all);
    const { text } = await ask.get('/api/changes.csv').expect(200);
    const rows = parse(text, { columns: true }) as Record<string, string>[];
    expect(rows).toHaveLength(all.length);
    expect(rows.filter((r) => r.field === 'note').map((r) => r.to)).toEqual(["'=counted"]);
    await ask.get('/api/changes?before=yesterday').expect(422);
  });

  test('what was written of a change is never changed', () => {
    expect(() => db.prepare("UPDATE changes SET who = 'another'").run()).toThrow(/never changed/);
  });
});
