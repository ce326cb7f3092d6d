import fc from 'fast-check';
import { KEEP_CLEAR_DEG } from '../../fit/wheels';
import type { WeightStock } from './balance-place';
import { freeNear, madeOf, TRIAL_PIECES, trialMasses } from './trial-pieces';

const aStock = fc
  .uniqueArray(fc.record({ massG: fc.integer({ min: 1, max: 30 }), count: fc.nat(4) }), {
    selector: (k) => k.massG,
    minLength: 1,
    maxLength: 5,
  })
  .map((all) => all as WeightStock[]);

/** Every way to take up to three pieces, one after the other from what is left. */
const allTakes = (stock: readonly WeightStock[], most = TRIAL_PIECES): number[][] =>
  most === 0
    ? [[]]
    : [
        [],
        ...stock.flatMap((k) =>
          k.count === 0
            ? []
            : allTakes(
                stock.map((o) => (o === k ? { ...k, count: k.count - 1 } : o)),
                most - 1,
              ).map((rest) => [k.massG, ...rest]),
        ),
      ];
const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);

test('trial masses are all that three pieces of the stock make up, each by the fewest', () => {
  fc.assert(
    fc.property(aStock, (stock) => {
      const takes = allTakes(stock).filter((t) => t.length > 0);
      const masses = [...new Set(takes.map(sum))].sort((a, b) => a - b);
      expect(trialMasses(stock)).toEqual(masses);
      for (const massG of masses) {
        const made = madeOf(massG, stock)!;
        expect(sum(made)).toBe(massG);
        expect(made).toHaveLength(
          Math.min(...takes.filter((t) => sum(t) === massG).map((t) => t.length)),
        );
        for (const { massG: each, count } of stock)
          expect(made.filter((m) => m === each).length).toBeLessThanOrEqual(count);
      }
      for (let massG = 1; massG <= 90; massG++)
        if (!masses.includes(massG)) expect(madeOf(massG, stock)).toBeNull();
    }),
    { numRuns: 60 },
  );
});

test('nothing in stock makes up nothing, and no pieces nought', () => {
  expect(trialMasses([{ massG: 10, count: 0 }])).toEqual([]);
  expect(madeOf(0, [])).toEqual([]);
});

describe('the nearest place that is free', () => {
  // Of 28 mm on a rim of 1440 mm half a piece takes 3.5°.
  const [LONG, RIM] = [28, 1440];
  const clear = KEEP_CLEAR_DEG + 3.5;
  const near = (deg: number, ...clearOf: number[]) => freeNear(deg, LONG, clearOf, RIM);
  test('is the place itself, where nothing lies near enough', () => {
    expect(near(100)).toBe(100);
    expect(near(100, 100 + clear)).toBe(100);
    expect(near(0, 180)).toBe(0);
  });
  test('else by whole degrees to the nearer side, round by the valve too', () => {
    expect(near(100, 100 + clear - 0.5)).toBe(99);
    expect(near(100, 100 - clear + 0.5)).toBe(101);
    expect(near(1, 355)).toBe(Math.ceil(355 + clear - 361) + 1);
    expect(near(2, 4)).toBe(Math.floor(4 - clear) + 360);
  });
  test('up to 30° away and no farther', () => {
    const wall = (from: number, to: number) =>
      Array.from({ length: to - from + 1 }, (_, i) => from + i);
    // Taken from 100 up to where 130 is just free.
    expect(near(100, ...wall(70, Math.floor(130 - clear)))).toBe(130);
    expect(near(100, ...wall(70, Math.floor(130 - clear) + 1))).toBeNull();
    expect(near(100, ...wall(Math.ceil(70 + clear), 130))).toBe(70);
  });
  test('a longer piece needs more', () => {
    expect(freeNear(100, 0, [100 + KEEP_CLEAR_DEG], RIM)).toBe(100);
    expect(freeNear(100, 8, [100 + KEEP_CLEAR_DEG], RIM)).toBe(99);
  });
});
