import { eighthsText } from '.';
import { searchNipples, type NippleProblem } from './nipple-search';

/**
 * Two places, two spokes, each of which moves its own place by 2 mm a turn and pulls the other
 * spoke by as much.
 */
const PROBLEM: NippleProblem = {
  side: [1, -1],
  up: [],
  sideBy: [
    [-2, 0],
    [0, -2],
  ],
  upBy: [[], []],
  tensionBy: [
    [40, -10],
    [-10, 40],
  ],
  tensionOff: [0, 0],
  enoughMm: 0.1,
  mostTurns: 1,
  mostOffPct: 100,
};
const turns = (more: Partial<NippleProblem> = {}) => searchNipples({ ...PROBLEM, ...more });

describe('turns that take the readings away', () => {
  test('by hand: half a turn each, one tighter and one looser', () => {
    expect(turns()).toEqual([0.5, -0.5]);
    expect(turns({ side: [-1, 1] })).toEqual([-0.5, 0.5]);
  });

  test('within what is enough nothing is turned; a little more, and it is', () => {
    expect(turns({ enoughMm: 2 })).toEqual([0, 0]);
    expect(turns({ enoughMm: 1.99 }).filter((t) => t !== 0)).not.toEqual([]);
    // One of them is enough where half of it is: the fewest first.
    expect(turns({ enoughMm: 1 }).filter((t) => t !== 0)).toHaveLength(1);
  });

  test('no spoke goes past its turns, and none past its tension; in eighths', () => {
    expect(turns({ mostTurns: 0.25 })).toEqual([0.25, -0.25]);
    expect(turns({ mostTurns: 0.3 })).toEqual([0.25, -0.25]);
    // 50 percent a turn with the other one turned against it: 12.5 for a quarter.
    expect(turns({ mostOffPct: 12.5 })).toEqual([0.25, -0.25]);
    expect(turns({ mostOffPct: 4 })).toEqual([0, 0]);
  });

  test('a tension that is too far off comes nearer only', () => {
    expect(turns({ tensionOff: [120, 0] })[0]).toBeLessThanOrEqual(0);
    expect(turns({ tensionOff: [-120, 0] })[0]).toBe(0.5);
  });

  test('up and down counts as much as side to side', () => {
    const both = turns({
      side: [],
      sideBy: [[], []],
      up: [1, -1],
      upBy: [
        [-2, 0],
        [0, -2],
      ],
    });
    expect(both).toEqual([0.5, -0.5]);
  });

  test('a spoke that moves nothing is never turned, and what none moves is left', () => {
    const still = {
      sideBy: [
        [0, 0],
        [0, -2],
      ],
    };
    expect(turns(still)[0]).toBe(0);
    expect(
      turns({
        sideBy: [
          [0, 0],
          [0, 0],
        ],
      }),
    ).toEqual([0, 0]);
    // A gain that is next to nothing is not worth a turn.
    expect(
      turns({
        side: [1, 0.05],
        sideBy: [
          [0, 0],
          [0, -0.2],
        ],
        enoughMm: 0.01,
      }),
    ).toEqual([0, 0]);
  });
});

test('eighths in words', () => {
  expect([1, -2, 3, 4, 6, 8, 12, -17, 0].map(eighthsText)).toEqual([
    'an eighth',
    'a quarter',
    'three eighths',
    'half a turn',
    'three quarters',
    '1 turn',
    '1 turn and a half',
    '2 turns and an eighth',
    'not at all',
  ]);
});
