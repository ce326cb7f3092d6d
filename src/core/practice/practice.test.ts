import { InputError } from '../base/errors';
import { angleBetween } from '../base/units';
import {
  advisedActs,
  BALANCE_LEVELS,
  FRICTIONS,
  hiddenHeavy,
  hiddenStand,
  PRACTICE_PLACES,
  practiceBalance,
  SHELVES,
  standAndShelf,
} from '.';

describe('a hidden stand', () => {
  test('shows the heavy spot within its band, and what a level place does', () => {
    const stand = hiddenStand({ massG: 40, deg: 200 }, 3);
    for (const from of ['left', 'right'] as const)
      expect(Math.abs(angleBetween(200, stand.settle([], from)))).toBeLessThan(4.4);
    expect([stand.level(200, []), stand.level(20, []), stand.level(110, [])]).toEqual([
      'sinks',
      'rises',
      'stays',
    ]);
    expect(stand.leftG([{ massG: 40, deg: 20 }])).toBeCloseTo(0, 9);
    // Common practice: four quarter ounces are an ounce, 28 g.
    const ounce = hiddenStand({ massG: 28, deg: 90 }, 1);
    expect(ounce.leftG(Array.from({ length: 4 }, () => ({ massG: 28 / 4, deg: 270 })))).toBeCloseTo(
      0,
      9,
    );
  });

  test('a number hides one wheel, and different numbers different ones', () => {
    const all = Array.from({ length: 200 }, (_, i) => hiddenHeavy(i));
    expect(hiddenHeavy(7)).toEqual(hiddenHeavy(7));
    expect(new Set(all.map((h) => h.massG.toFixed(6))).size).toBe(200);
    for (const h of all)
      expect(h.massG >= 8 && h.massG <= 70 && h.deg >= 0 && h.deg < 360).toBe(true);
    // Anywhere on the wheel: a quarter of them in each quarter, roughly.
    for (let q = 0; q < 4; q++)
      expect(Math.abs(all.filter((h) => Math.floor(h.deg / 90) === q).length - 50)).toBeLessThan(
        22,
      );
  });
});

describe('the advice on a simulated stand', () => {
  test.each(Object.keys(FRICTIONS))(
    '%s friction: balanced in three placements at most, on places and from a shelf that there are',
    (friction) => {
      for (const level of BALANCE_LEVELS.filter((l) => l.startsWith(friction))) {
        const { shelf } = standAndShelf(level);
        const { advised, bandG } = practiceBalance.run({ seed: 11, level, acts: [] }).result;
        expect(advised.placements).toBeLessThanOrEqual(3);
        expect(advised.leftG).toBeLessThanOrEqual(Math.max(5, bandG));
        const kinds: readonly { massG: number; count: number }[] = SHELVES[shelf];
        for (const pieces of advised.tries)
          for (const p of pieces)
            expect(pieces.filter((other) => other.massG === p.massG).length).toBeLessThanOrEqual(
              kinds.find((k) => k.massG === p.massG)!.count,
            );
        for (const p of advised.tries.at(-1)!)
          expect(PRACTICE_PLACES.some((deg) => Math.abs(angleBetween(deg, p.deg)) < 1e-9)).toBe(
            true,
          );
      }
    },
  );

  test('acts end with the word that it is done, and begin with rests from both sides', () => {
    const acts = [
      ...advisedActs(hiddenStand({ massG: 33, deg: 80 }, 2), {
        stock: [
          { massG: 10, count: 20 },
          { massG: 5, count: 20 },
        ],
        sides: 'one',
      }),
    ];
    expect(acts.slice(0, 2).map((a) => a.do === 'settle' && a.from)).toEqual(['left', 'right']);
    expect(acts.at(-1)!.do).toBe('done');
  });
});

describe('a round', () => {
  const tried = (acts: { massG: number; deg: number }[][]) =>
    practiceBalance.run({ seed: 3, level: 'usual stand, full shelf', acts });
  const against = () => ({
    massG: Math.round(hiddenHeavy(3).massG),
    deg: Math.round(hiddenHeavy(3).deg + 180) % 360,
  });

  test('is judged by what is left after the last try', () => {
    const good = tried([[{ massG: 20, deg: 0 }], [against()]]);
    expect(good.result).toMatchObject({ placements: 2, good: true, cost: 2 });
    expect(good.result.advisedCost).toBe(good.result.advised.placements);
    expect([good.verdict, good.result.leftG < 1.5]).toEqual(['good', true]);
    const bad = tried([[against()], []]);
    expect([bad.verdict, bad.result.good]).toEqual(['check', false]);
    expect(bad.result.leftG).toBeCloseTo(hiddenHeavy(3).massG, 9);
  });

  test('says which placement made it worse, and that it was balanced before', () => {
    const says = (acts: Parameters<typeof tried>[0]) =>
      tried(acts).result.debrief.map((r) => r.says);
    const with_ = [{ massG: 20, deg: Math.round(hiddenHeavy(3).deg) % 360 }];
    expect(says([with_, [against()]])).toEqual([
      '1 placement made it worse. Let the wheel settle from both sides first.',
    ]);
    expect(says([[against()], [against(), ...with_]])).toEqual([
      '1 placement made it worse. Let the wheel settle from both sides first.',
      'It was balanced after placement 1. Level test at 3 and 9 o’clock before you add more.',
    ]);
    expect(says([[against()]])).toEqual([]);
  });

  test('a level that there is not is refused', () => {
    const run = (more: object) =>
      practiceBalance.run({ seed: 3, level: 'usual stand, full shelf', acts: [], ...more });
    expect(() => run({ level: 'glue stand, full shelf' })).toThrow(InputError);
    expect(() => run({ seed: -1 })).toThrow(InputError);
    expect(() => tried(Array.from({ length: 41 }, () => []))).toThrow(InputError);
  });

  test('each level is a stand and a shelf', () => {
    expect(BALANCE_LEVELS).toHaveLength(9);
    expect(standAndShelf('heavy stand, few shelf')).toEqual({ friction: 'heavy', shelf: 'few' });
    for (const level of BALANCE_LEVELS) {
      const { friction, shelf } = standAndShelf(level);
      expect(`${friction} stand, ${shelf} shelf`).toBe(level);
    }
  });
});
