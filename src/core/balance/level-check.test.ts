import { isBracketed, isLevel, isTested, setsOf, triedNear } from './level-check';
import type { LevelTest, Observation } from './observation';

const level = (deg: number, moved: LevelTest['moved'] = 'stays', massG = 0): LevelTest => ({
  kind: 'level',
  deg,
  moved,
  weights: massG === 0 ? [] : [{ massG, deg: 0 }],
});
const settle = (massG: number, deg = 0): Observation => ({
  kind: 'settle',
  restDeg: 0,
  from: null,
  weights: [{ massG, deg }],
});

test.each([
  [0, 45, true],
  [0, 44, false],
  [0, 90, true],
  [0, 135, true],
  // Lines through the axle: half a turn away it is the same one.
  [0, 180, false],
  [0, 136, false],
  [350, 40, true],
  [0, 315, true],
  [0, 316, false],
])('places at %i and %i degrees tell of two directions: %s', (a, b, is) =>
  expect(isTested([level(a), level(b)])).toBe(is),
);

test('level is what stayed at both of the last two', () => {
  expect(isLevel([level(0, 'sinks'), level(0), level(90)])).toBe(true);
  expect(isLevel([level(0), level(90, 'sinks'), level(180)])).toBe(false);
  expect(isLevel([level(0), level(20)])).toBe(false);
});

describe('a known piece that turns a test round', () => {
  const on = [{ massG: 20, deg: 0 }];
  /** With 3 g less at 0° the place sinks; with the present weights it does something. */
  const before = level(180, 'sinks', 17);
  test.each([
    ['rises at the same place', level(180, 'rises', 20), true],
    ['stays at the same place', level(180, 'stays', 20), true],
    ['sinks at the same place', level(180, 'sinks', 20), false],
    ['sinks at the opposite place', level(0, 'sinks', 20), true],
    ['rises at the opposite place', level(0, 'rises', 20), false],
    ['at a place 45° off', level(225, 'rises', 20), true],
    ['at a place 46° off', level(226, 'rises', 20), false],
  ])('%s', (_, now, is) => expect(isBracketed([before, now], on, 5)).toBe(is));
  test('not one heavier than the limit, nor one that stayed before, nor with other weights now', () => {
    const now = level(180, 'rises', 20);
    expect([3, 2.9].map((withinG) => isBracketed([before, now], on, withinG))).toEqual([true, false]);
    expect(isBracketed([level(180, 'stays', 17), now], on, 5)).toBe(false);
    expect(isBracketed([before, level(180, 'rises', 21)], on, 5)).toBe(false);
    expect(isBracketed([now, level(180, 'sinks', 20)], on, 5)).toBe(false);
  });
});

test('weights near the present ones are counted once each, the present ones not', () => {
  const on = [{ massG: 20, deg: 0 }];
  expect(triedNear([settle(20), settle(23), settle(23), settle(25), settle(25.1), settle(15)], on, 5)).toBe(3);
  // By their sum, wherever the pieces lie.
  expect(triedNear([settle(20, 10)], on, 5)).toBe(1);
  expect(triedNear([settle(20, 180)], on, 5)).toBe(0);
});

test('sets of weights are told apart by what they come to', () => {
  expect(setsOf([settle(20), settle(20), settle(21), settle(20, 90)])).toBe(3);
  expect(setsOf([])).toBe(0);
});
