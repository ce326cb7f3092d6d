import fc from 'fast-check';
import { lateTogether, machineBound, type Load } from './machine-bound';

const aLoad = (visit: number) =>
  fc.record({
    visit: fc.constant(visit),
    from: fc.integer({ min: 0, max: 6 }),
    minutes: fc.integer({ min: 1, max: 5 }),
    after: fc.integer({ min: 0, max: 4 }),
  });
const someLoads = fc
  .integer({ min: 1, max: 5 })
  .chain((n) => fc.tuple(...Array.from({ length: n }, (_, v) => aLoad(v))));
const dues = fc.array(fc.option(fc.integer({ min: 1, max: 25 })), { minLength: 5, maxLength: 5 });

const orders = <T>(all: readonly T[]): T[][] =>
  all.length <= 1
    ? [[...all]]
    : all.flatMap((one, i) => orders(all.filter((_, k) => k !== i)).map((r) => [one, ...r]));

/** Every order at one machine, none broken off. */
const everyOrder = (loads: readonly Load[], free: number): { load: Load; end: number }[][] =>
  orders(loads).map((order) => {
    let now = free;
    return order.map((load) => {
      now = Math.max(now, load.from) + load.minutes;
      return { load, end: now + load.after };
    });
  });

test('no order at one machine is done sooner, or less late, than its bound', () => {
  fc.assert(
    fc.property(someLoads, dues, fc.integer({ min: 0, max: 8 }), (loads, dueMins, free) => {
      const visits = dueMins.map((dueMin) => ({ dueMin }));
      const bound = machineBound(loads, free, visits);
      const late = ({ load, end }: { load: Load; end: number }) =>
        Math.max(0, end - (visits[load.visit]!.dueMin ?? Infinity));
      for (const ended of everyOrder(loads, free)) {
        expect(bound.doneMin).toBeLessThanOrEqual(ended.reduce((sum, e) => sum + e.end, 0));
        expect(bound.lateMin).toBeLessThanOrEqual(ended.reduce((sum, e) => sum + late(e), 0));
      }
    }),
    { numRuns: 300 },
  );
});

test('loads that are all there at once and promised nothing: the bound is the shortest first, exactly', () => {
  const loads = [4, 1, 3].map((minutes, visit) => ({ visit, from: 0, minutes, after: 2 }));
  const visits = [{ dueMin: null }, { dueMin: null }, { dueMin: null }];
  // 1, 4, 8 and two minutes after each.
  expect(machineBound(loads, 0, visits)).toEqual({ doneMin: 19, lateMin: 0, promised: [] });
  expect(machineBound(loads, 5, visits).doneMin).toBe(34);
});

test('late together: the first done against the first due', () => {
  expect(lateTogether([9, 3, 6], [8, 4, 4])).toBe(0 + 2 + 1);
  expect(lateTogether([], [])).toBe(0);
});
