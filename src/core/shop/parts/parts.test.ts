import fc from 'fast-check';
import { allocate, availableStock, orderList, type PartOrder, type WantedPart } from '.';

const want = (jobId: string, count: number, more: Partial<WantedPart> = {}): WantedPart => ({
  jobId,
  what: 'tube 100/90-19',
  stockId: 'u',
  count,
  since: '2026-04-30T09:00:00.000Z',
  ...more,
});
const order = (count: number, more: Partial<PartOrder> = {}): PartOrder => ({
  id: 'o',
  what: 'tube 100/90-19',
  stockId: 'u',
  count,
  supplier: 'Marl & Reed',
  jobIds: ['b'],
  orderedAt: '2026-04-30T10:00:00.000Z',
  orderedBy: 'Ada Marl',
  came: null,
  ...more,
});
const standing = (wanted: WantedPart[], onShelf: number, orders: PartOrder[] = []) =>
  allocate(wanted, new Map([['u', onShelf]]), orders).map((p) => [
    p.jobId,
    p.here,
    p.ordered,
    p.short,
  ]);

test('who decided first has it; the other is short, whoever is asked first', () => {
  const [early, late] = [want('b', 1, { since: '2026-04-30T08:00:00.000Z' }), want('a', 1)];
  for (const both of [
    [early, late],
    [late, early],
  ])
    expect(standing(both, 1)).toEqual([
      ['b', 1, 0, 0],
      ['a', 0, 0, 1],
    ]);
});

test('what is on its way counts after what is here; what was called off, or came, does not', () => {
  expect(standing([want('a', 3)], 1, [order(1)])).toEqual([['a', 1, 1, 1]]);
  expect(standing([want('a', 3)], 1, [order(1, { came: false })])).toEqual([['a', 1, 0, 2]]);
  expect(standing([want('a', 3)], 1, [order(1, { came: true })])).toEqual([['a', 1, 0, 2]]);
});

test('a part that is none of the shelf’s is here once its own order came', () => {
  const loose = { stockId: null, what: 'tire 110/80-19' };
  const state = (came: boolean | null) =>
    allocate([want('a', 1, loose), want('b', 1, loose)], new Map(), [
      order(1, { ...loose, came }),
    ]).map((p) => [p.jobId, p.here, p.ordered, p.short]);
  expect(state(true)).toEqual([
    ['a', 0, 0, 1],
    ['b', 1, 0, 0],
  ]);
  // While it is on its way the one who decided first counts on it.
  expect(state(null)).toEqual([
    ['a', 0, 1, 0],
    ['b', 0, 0, 1],
  ]);
});

test('the list of what to order has every part once, with its jobs', () => {
  const parts = allocate(
    [
      want('a', 2),
      want('b', 1),
      want('b', 1),
      want('c', 1, { stockId: null, what: 'Cord' }),
      want('d', 1, { stockId: null, what: 'cord' }),
    ],
    new Map([['u', 1]]),
    [],
  );
  expect(orderList(parts)).toEqual([
    { what: 'tube 100/90-19', stockId: 'u', count: 3, jobIds: ['a', 'b'] },
    { what: 'Cord', stockId: null, count: 2, jobIds: ['c', 'd'] },
  ]);
});

test('never is a part counted on twice, and what is short is what is missing', () => {
  const counts = fc.integer({ min: 1, max: 5 });
  fc.assert(
    fc.property(
      fc.array(counts, { maxLength: 8 }),
      fc.nat(12),
      fc.array(counts, { maxLength: 3 }),
      (wants, shelf, ways) => {
        const parts = allocate(
          wants.map((count, i) =>
            want(`j${i % 3}`, count, { since: `2026-04-30T0${i}:00:00.000Z` }),
          ),
          new Map([['u', shelf]]),
          ways.map((count, i) => order(count, { id: `o${i}` })),
        );
        const sum = (pick: (p: (typeof parts)[number]) => number) =>
          parts.reduce((n, p) => n + pick(p), 0);
        const wanted = wants.reduce((a, b) => a + b, 0);
        const way = ways.reduce((a, b) => a + b, 0);
        expect(sum((p) => p.here)).toBe(Math.min(wanted, shelf));
        expect(sum((p) => p.ordered)).toBe(Math.min(Math.max(0, wanted - shelf), way));
        expect(sum((p) => p.short)).toBe(Math.max(0, wanted - shelf - way));
        for (const p of parts) expect(p.here + p.ordered + p.short).toBe(p.count);
      },
    ),
  );
});

test('a job counts on what nobody before it has: its own is still there, and what was decided later', () => {
  const shelf = [
    { id: 'u', count: 3 },
    { id: 't', count: 1 },
  ];
  const has = (jobId: string, hour: number) => ({
    jobId,
    stockId: 'u',
    count: 1,
    since: `2026-04-30T0${hour}:00:00.000Z`,
  });
  const left = (jobId: string) =>
    availableStock(shelf, [has('a', 7), has('b', 8), has('c', 9)], jobId).map((i) => i.count);
  expect([left('a'), left('b'), left('c'), left('new')]).toEqual([
    [3, 1],
    [2, 1],
    [1, 1],
    [0, 1],
  ]);
  expect(availableStock(shelf, [{ ...has('a', 7), count: 9 }], 'new')[0]!.count).toBe(0);
});

describe('what came of parts that are none of the shelf’s', () => {
  const special = (jobId: string, count: number, since = '2026-01-01') => ({
    jobId,
    what: 'odd strip',
    stockId: null,
    count,
    since,
  });
  const came = (id: string, count: number, jobIds: string[]) => ({
    ...order(count, { came: true }),
    id,
    what: 'odd strip',
    stockId: null,
    jobIds,
  });
  const here = (wanted: Parameters<typeof allocate>[0], orders: Parameters<typeof allocate>[2]) =>
    allocate(wanted, new Map(), orders).map((p) => [p.jobId, p.here, p.short]);
  test('two orders of one each make the two that a job needs', () => {
    expect(here([special('a', 2)], [came('o1', 1, ['a']), came('o2', 1, ['a'])])).toEqual([
      ['a', 2, 0],
    ]);
  });
  test('one that came for two jobs is given once, to the one that decided first', () => {
    const wanted = [special('b', 1, '2026-01-02'), special('a', 1)];
    expect(here(wanted, [came('o1', 1, ['a', 'b'])])).toEqual([
      ['a', 1, 0],
      ['b', 0, 1],
    ]);
    expect(here(wanted, [came('o1', 2, ['a', 'b'])]).map((p) => p[1])).toEqual([1, 1]);
  });
  test('never more is given than came, and never to a job it was not ordered for', () => {
    expect(here([special('a', 5)], [came('o1', 3, ['a'])])).toEqual([['a', 3, 2]]);
    expect(here([special('a', 1)], [came('o1', 1, ['b'])])).toEqual([['a', 0, 1]]);
  });
});
