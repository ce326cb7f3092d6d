import Database from 'better-sqlite3';
import {
  complete,
  fieldsOfKind,
  RECORD_KINDS,
  toCell,
  type TireStock,
} from '../../src/core/shop/records';
import type { Machine, Wheel } from '../../src/core/fit/wheels';
import { readTire } from '../../src/core/fit/tires';
import { shopStore } from '../../src/server/db/shop-store';
import { openDb } from '../../src/server/db/open-db';
import { testApp } from './test-app';

const { ask, db } = testApp();
const get = async (path: string) => (await ask.get(`/api${path}`).expect(200)).body;
const markings = async (query: string) =>
  ((await get(`/records/tires?limit=200&${query}`)).records as TireStock[]).map((t) => t.marking);

describe('records are found', () => {
  test('by every word, by a part of one, by a choice as it is said, whichever way it is written', async () => {
    const all = (await get('/records/tires?limit=200')).records as TireStock[];
    const says = (t: TireStock) =>
      fieldsOfKind('tires')
        .map((f) => {
          const cell = toCell(f, t[f.key as keyof TireStock]);
          return f.form.as === 'choice' ? `${cell} ${f.form.words?.[cell] ?? ''}` : cell;
        })
        .join(' ')
        .toLowerCase();
    // Looked for one by one, by nothing that the index knows.
    for (const find of [
      'knobby',
      'KNOBBY 90',
      'sof',
      '21 57',
      'zr17',
      'four wheels',
      '9',
      '/9',
      'nothing such',
      '"',
      '*',
    ]) {
      const words = find.toLowerCase().split(' ');
      const wanted = all
        .filter((t) => words.every((w) => says(t).includes(w)))
        .map((t) => t.marking);
      expect([find, await markings(`find=${encodeURIComponent(find)}`)]).toEqual([find, wanted]);
    }
  });

  test('narrowed to a choice, archived ones only where they are asked for, and counted', async () => {
    const [first] = (await get('/records/tires?only=tread:road&limit=1')).records as TireStock[];
    expect(first!.tread).toBe('road');
    const { total } = await get('/records/tires?only=tread:road&limit=1');
    expect(total).toBe((await markings('only=tread:road')).length);
    await ask
      .put(`/api/records/tires/${first!.id}`)
      .send({ ...first!, archived: true })
      .expect(200);
    expect((await get('/records/tires?only=tread:road')).total).toBe(total - 1);
    expect((await get('/records/tires?only=tread:road&archived=yes')).total).toBe(total);
  });

  test('narrowed to one ID: the record, archived too, or an empty page', async () => {
    const [first] = (await get('/records/tires?limit=1')).records as TireStock[];
    const byId = (id: string) => get(`/records/tires?only=id:${id}&archived=yes`);
    expect((await byId(first!.id)).records).toEqual([first]);
    expect(await byId('not-there')).toMatchObject({ records: [], total: 0 });
  });

  test('a page after the other holds each record once, in the order asked for', async () => {
    const whole = await markings('sort=marking');
    const { total } = await get('/records/tires');
    const pages: string[] = [];
    for (let offset = 0; offset < total; offset += 5)
      pages.push(
        ...(
          (await get(`/records/tires?sort=marking&limit=5&offset=${offset}`)).records as TireStock[]
        ).map((t) => t.marking),
      );
    expect(pages).toEqual(whole);
    expect(new Set(pages).size).toBe(new Set(whole).size);
    // Sizes by the number that they begin with, not by letters.
    const leads = whole.map((m) => parseFloat(m)).filter((n) => !Number.isNaN(n));
    expect(leads).toEqual([...leads].sort((a, b) => a - b));
    const prices = (
      (await get('/records/tires?sort=-priceMinor&limit=200')).records as TireStock[]
    ).map((t) => t.priceMinor);
    const known = prices.filter((p) => p !== null);
    expect(known).toEqual([...known].sort((a, b) => b - a));
    // What is not known stands last, either way.
    expect(prices.slice(0, known.length)).toEqual(known);
  });

  test('a wheel by its machine, also after that got another name', async () => {
    const before = await get('/records/wheels?find=orrindale');
    expect(before.total).toBeGreaterThan(0);
    expect(new Set(Object.keys(before.machines))).toEqual(
      new Set((before.records as Wheel[]).map((w) => w.machineId)),
    );
    const machine = (await get('/records/machines/m-orrin')) as Machine;
    await ask
      .put('/api/records/machines/m-orrin')
      .send({ ...machine, name: 'Brackwater 300' })
      .expect(200);
    expect((await get('/records/wheels?find=orrindale')).total).toBe(0);
    const after = await get('/records/wheels?find=brackwater');
    expect(after.total).toBe(before.total);
    expect(after.machines['m-orrin']).toBe('Brackwater 300');
  });

  test('a machine comes with its wheels, those that are archived left out of the list but not of the machine', async () => {
    const { wheels } = await get('/machines/m-vellan');
    expect(wheels.map((w: Wheel) => w.id)).toEqual(['w-vellan-f', 'w-vellan-r']);
    await ask
      .put('/api/records/wheels/w-vellan-f')
      .send({ ...wheels[0], archived: true })
      .expect(200);
    const found = await get('/machines?find=vellan');
    expect(found).toMatchObject({ total: 1, machines: [{ machine: { id: 'm-vellan' } }] });
    expect(found.machines[0].wheels.map((w: Wheel) => w.id)).toEqual(['w-vellan-r']);
    expect((await get('/machines/m-vellan')).wheels).toHaveLength(2);
    await ask.get('/api/machines/nobody').expect(404);
  });

  test('the tires for a rim are those of its diameter, and follow a changed size', async () => {
    const all = (await get('/records/tires?limit=200')).records as TireStock[];
    for (const rim of [10, 17, 18, 19, 21]) {
      const wanted = all.filter((t) => readTire(t.marking).rimDiameterIn === rim).map((t) => t.id);
      expect((await get(`/tires?rim=${rim}`)).tires.map((t: TireStock) => t.id).sort()).toEqual(
        wanted.sort(),
      );
    }
    const it = all.find((t) => readTire(t.marking).rimDiameterIn === 18)!;
    await ask
      .put(`/api/records/tires/${it.id}`)
      .send({ ...it, marking: '130/80-17 65H TL' })
      .expect(200);
    expect((await get('/tires?rim=18')).tires.map((t: TireStock) => t.id)).not.toContain(it.id);
    expect((await get('/tires?rim=17')).tires.map((t: TireStock) => t.id)).toContain(it.id);
  });
});

test('a shop of an earlier program, which kept no words, gets them when it is opened', async () => {
  db.exec('DELETE FROM record_texts; DELETE FROM record_words; DELETE FROM record_parts;');
  const records = shopStore(db).records;
  const query = { only: null, archived: true, sort: null, limit: 200, offset: 0 };
  for (const kind of RECORD_KINDS)
    expect(records.page(kind, { ...query, find: '' }).total).toBe(records.list(kind).length);
  for (const find of ['knobby', 'kn'])
    expect(records.page('tires', { ...query, find }).total).toBeGreaterThan(3);
});

test.each([
  ['/records/tires?only=tread', 'only'],
  ['/records/tires?only=note:x', 'only'],
  ['/records/tires?only=id;DROP:x', 'only'],
  ['/records/tires?sort=price_minor', 'sort'],
  ['/records/tires?sort=marking;--', 'sort'],
  ['/records/tires?limit=201', 'limit'],
  ['/records/tires?archived=maybe', 'archived'],
  ['/tires?rim=99', 'rim'],
  ['/tires', 'rim'],
])('%s is refused by name', async (path, field) => {
  const { body } = await ask.get(`/api${path}`).expect(422);
  expect(body.error.field).toBe(field);
  expect(body.error.expected.length).toBeGreaterThan(3);
});

test('every field of every kind may be listed by, and no name is taken for anything else', () => {
  const fresh = openDb(':memory:');
  const { records } = shopStore(fresh);
  records.add(
    'machines',
    complete('machines', { id: 'm', name: "Marl's", rider: 'Ada', kind: 'dirt', drive: 'chain' }),
  );
  for (const kind of RECORD_KINDS)
    for (const { key } of fieldsOfKind(kind))
      for (const down of [false, true])
        expect(() =>
          records.page(kind, {
            find: "l's ab",
            only: null,
            archived: false,
            sort: { key, down },
            limit: 5,
            offset: 0,
          }),
        ).not.toThrow();
  expect(fresh).toBeInstanceOf(Database);
  fresh.close();
});
