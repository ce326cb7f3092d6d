import { angleBetween } from '../../base/units';
import {
  hasMoved,
  isAnswered,
  isLevel,
  isLopsided,
  movesEvenly,
  nextLevelTest,
  seenNear,
  setsOf,
  triedNear,
} from './level-check';
import type { LevelTest, Observation } from './observation';

const level = (
  deg: number,
  at: LevelTest['at'],
  moved: LevelTest['moved'] = 'stays',
): LevelTest => ({ kind: 'level', deg, at, moved, weights: [] });
const settle = (massG: number, deg = 0): Observation => ({
  kind: 'settle',
  restDeg: 0,
  from: null,
  weights: [{ massG, deg }],
});

describe('the test that ends the work', () => {
  test.each<[string, LevelTest[], boolean]>([
    [
      'one place at 3 and at 9, and one across from it',
      [level(30, 'right'), level(30, 'left'), level(120, 'right')],
      true,
    ],
    [
      'the opposite place at 3 is the same as this one at 9',
      [level(30, 'right'), level(210, 'right'), level(120, 'left')],
      true,
    ],
    [
      'three places a third of a turn apart',
      [level(0, 'right'), level(120, 'right'), level(240, 'right')],
      true,
    ],
    ['one place alone', [level(30, 'right'), level(30, 'left')], false],
    [
      'two places a quarter turn apart, on one side',
      [level(30, 'right'), level(120, 'right')],
      false,
    ],
    [
      'three places on one half of the wheel',
      [level(0, 'right'), level(45, 'right'), level(90, 'right')],
      false,
    ],
    [
      'places too close to tell of two directions',
      [level(0, 'right'), level(0, 'left'), level(59, 'right')],
      false,
    ],
    [
      'places just far enough apart',
      [level(0, 'right'), level(0, 'left'), level(60, 'right')],
      true,
    ],
    [
      'sides that are not recorded count as 3 o’clock',
      [level(0, null), level(90, undefined), level(180, null)],
      true,
    ],
    ['none', [], false],
  ])('%s: %s', (_name, tests, is) => {
    expect(isLevel(tests)).toBe(is);
    expect(isAnswered(tests)).toBe(is);
  });

  test('a place that moved breaks it: all of it is made again', () => {
    const all = [level(30, 'right'), level(30, 'left'), level(120, 'right')];
    expect(isLevel([...all, level(120, 'left', 'sinks')])).toBe(false);
    expect(isLevel([level(30, 'right', 'sinks'), ...all.slice(1)])).toBe(false);
    expect(isLevel([level(30, 'right', 'sinks'), ...all])).toBe(true);
  });

  test('a place that moved is answered once it was held on the other side too', () => {
    expect(isAnswered([level(30, 'right', 'sinks')])).toBe(false);
    expect(isAnswered([level(30, 'right', 'sinks'), level(30, 'left', 'stays')])).toBe(true);
    expect([hasMoved([level(30, 'right')]), hasMoved([level(30, 'right', 'rises')])]).toEqual([
      false,
      true,
    ]);
  });

  test('it asks for one place at 3, the same at 9, then a quarter turn on, and never twice for one', () => {
    const tests: LevelTest[] = [];
    const asked = Array.from({ length: 4 }, () => {
      const next = nextLevelTest(tests, 200);
      tests.push(level(next.deg, next.at));
      return [next.deg, next.at];
    });
    expect(asked).toEqual([
      [200, 'right'],
      [200, 'left'],
      [290, 'right'],
      [290, 'left'],
    ]);
    // A test by hand at 9 asks for 3 next; the opposite place was as good as the other side.
    expect(nextLevelTest([level(50, 'left')], 200)).toEqual({ deg: 50, at: 'right' });
    expect(nextLevelTest([level(50, 'right'), level(230, 'right')], 200)).toEqual({
      deg: 140,
      at: 'right',
    });
  });

  // By geometry: what stays within the dead band everywhere leaves so little, whatever the stand’s
  // tilt.
  test('whatever stays in all of it has no more left than two dead bands', () => {
    const bandG = 3;
    for (let leftG = 0; leftG <= 12; leftG += 0.5)
      for (let deg = 0; deg < 360; deg += 10)
        for (let tiltG = -12; tiltG <= 12; tiltG += 1.5) {
          const pull = (at: number, side: 'left' | 'right') =>
            leftG * Math.cos((angleBetween(at, deg) * Math.PI) / 180) +
            (side === 'left' ? -tiltG : tiltG);
          const tests: LevelTest[] = [];
          while (!isAnswered(tests)) {
            const next = nextLevelTest(tests, 200);
            const turn = pull(next.deg, next.at);
            tests.push(
              level(next.deg, next.at, turn > bandG ? 'sinks' : turn < -bandG ? 'rises' : 'stays'),
            );
          }
          if (!isLevel(tests)) continue;
          expect(leftG).toBeLessThanOrEqual(2 * bandG);
          expect(Math.abs(tiltG)).toBeLessThanOrEqual(bandG);
        }
  });
});

test('a place that sinks at 3 and rises at 9 is turned by the stand; one that sinks at both is heavy', () => {
  const lopsided = [level(30, 'right', 'sinks'), level(30, 'left', 'rises')];
  const heavy = [level(30, 'right', 'sinks'), level(30, 'left', 'sinks')];
  expect([isLopsided(lopsided), movesEvenly(lopsided)]).toEqual([true, false]);
  expect([isLopsided(heavy), movesEvenly(heavy)]).toEqual([false, true]);
  // Opposite places at one side tell the same.
  expect(isLopsided([level(30, 'right', 'sinks'), level(210, 'right', 'sinks')])).toBe(true);
  expect(movesEvenly([level(30, 'right', 'sinks'), level(210, 'right', 'rises')])).toBe(true);
  // Nothing is told by places a quarter turn apart, by one that stays, or by a side that is not
  // recorded.
  for (const tests of [
    [level(30, 'right', 'sinks'), level(120, 'right', 'sinks')],
    [level(30, 'right', 'sinks'), level(30, 'left', 'stays')],
    [level(30, null, 'sinks'), level(210, null, 'sinks')],
  ])
    expect([isLopsided(tests), movesEvenly(tests)]).toEqual([false, false]);
});

test('weights near the present ones are counted once each, the present ones not', () => {
  const on = [{ massG: 20, deg: 0 }];
  const seen = [settle(20), settle(23), settle(23), settle(25), settle(25.1), settle(15)];
  expect(triedNear(seen, on, 5)).toBe(3);
  expect(seenNear(seen, on, 5)).toEqual(seen.filter((_, i) => i !== 4));
  // By their sum, wherever the pieces lie.
  expect(triedNear([settle(20, 10)], on, 5)).toBe(1);
  expect(triedNear([settle(20, 180)], on, 5)).toBe(0);
});

test('sets of weights are told apart by what they come to', () => {
  expect(setsOf([settle(20), settle(20), settle(21), settle(20, 90)])).toBe(3);
  expect(setsOf([])).toBe(0);
});
