import fc from 'fast-check';
import { believe } from './belief';
import { isInside } from './region';
import { REGION_HOLDS, regionShare } from './region-share';

const SQUARE = [
  [0, 0],
  [4, 0],
  [4, 4],
  [0, 4],
] as const;
/** A roof cut out of it: (2, 3) is outside. */
const NOTCHED = [...SQUARE.slice(0, 3), [2, 2], SQUARE[3]] as const;

test.each([
  ['inside', 1, 1, true, true],
  ['in the notch', 2, 3, true, false],
  ['under the notch', 2, 1.9, true, true],
  ['beside it', 0.5, 3, true, true],
  ['left', -1, 2, false, false],
  ['right', 5, 2, false, false],
  ['above', 2, 5, false, false],
  ['below', 2, -1, false, false],
])('a point %s', (_, x, y, square, notched) => {
  expect([isInside(SQUARE, x, y), isInside(NOTCHED, x, y)]).toEqual([square, notched]);
});

test('inside a triangle is on the same side of all its edges, whichever way round it goes', () => {
  const at = fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 }));
  fc.assert(
    fc.property(at, at, at, at, (a, b, c, [x, y]) => {
      const side = ([px, py]: readonly [number, number], [qx, qy]: readonly [number, number]) =>
        (qx - px) * (y - py) - (qy - py) * (x - px);
      const sides = [side(a, b), side(b, c), side(c, a)];
      // On an edge either answer is right.
      fc.pre(!sides.includes(0));
      const expected = sides.every((s) => s > 0) || sides.every((s) => s < 0);
      expect(isInside([a, b, c], x, y)).toBe(expected);
      expect(isInside([c, b, a], x, y)).toBe(expected);
    }),
  );
});

test('a known stand needs nine tenths of the belief; an unknown one more or less, by how rough it seems', () => {
  const known = believe([], { bandG: 6 });
  expect(regionShare(known)).toBe(REGION_HOLDS);
  const unknown = believe([], {});
  const withBands = (f: number) => ({ ...unknown, bands: [{ f, p: 1, before: 1 }] });
  expect(regionShare(withBands(6))).toBeGreaterThan(REGION_HOLDS);
  expect(regionShare(withBands(Math.exp(1.14)))).toBeCloseTo(REGION_HOLDS, 6);
  expect(regionShare(withBands(500))).toBe(0.97);
  // Hardly told apart, and rather a fine one: the belief is too broad.
  const open = {
    ...unknown,
    bands: [1, 8].map((f, i) => ({ f, p: i === 0 ? 0.7 : 0.3, before: 0.5 })),
  };
  expect(regionShare(open)).toBeLessThan(REGION_HOLDS);
  expect(regionShare(open)).toBeGreaterThanOrEqual(0.3);
});
