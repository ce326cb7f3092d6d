import { InputError } from '../errors';
import { angleBetween } from '../units';
import {
  advisedActs,
  FRICTIONS,
  hiddenHeavy,
  hiddenStand,
  PRACTICE_PLACES,
  practiceRound,
  SHELVES,
  standingOf,
  type PracticeScore,
} from '.';

describe('a hidden stand', () => {
  test('shows the heavy spot within its band, and what a level place does', () => {
    const stand = hiddenStand({ massG: 40, deg: 200 }, 3);
    for (const from of ['left', 'right'] as const)
      expect(Math.abs(angleBetween(200, stand.settle([], from)))).toBeLessThan(4.4);
    expect([stand.level(200, []), stand.level(20, []), stand.level(110, [])]).toEqual(['sinks', 'rises', 'stays']);
    expect(stand.leftG([{ massG: 40, deg: 20 }])).toBeCloseTo(0, 9);
    // Common practice: four quarter ounces are an ounce, 28 g.
    const ounce = hiddenStand({ massG: 28, deg: 90 }, 1);
    expect(ounce.leftG(Array.from({ length: 4 }, () => ({ massG: 28 / 4, deg: 270 })))).toBeCloseTo(0, 9);
  });

  test('a number hides one wheel, and different numbers different ones', () => {
    const all = Array.from({ length: 200 }, (_, i) => hiddenHeavy(i));
    expect(hiddenHeavy(7)).toEqual(hiddenHeavy(7));
    expect(new Set(all.map((h) => h.massG.toFixed(6))).size).toBe(200);
    for (const h of all) expect(h.massG >= 8 && h.massG <= 70 && h.deg >= 0 && h.deg < 360).toBe(true);
    // Anywhere on the wheel: a quarter of them in each quarter, roughly.
    for (let q = 0; q < 4; q++)
      expect(Math.abs(all.filter((h) => Math.floor(h.deg / 90) === q).length - 50)).toBeLessThan(22);
  });
});

describe('the advice on a simulated stand', () => {
  test.each(Object.keys(FRICTIONS))(
    '%s friction: balanced in three placements at most, on places and from a shelf that there are',
    (friction) => {
      for (const shelf of Object.keys(SHELVES)) {
        const { advised, bandG } = practiceRound.run({ seed: 11, friction, shelf, tries: [] } as Parameters<
          typeof practiceRound.run
        >[0]).result;
        expect(advised.placements).toBeLessThanOrEqual(3);
        expect(advised.leftG).toBeLessThanOrEqual(Math.max(5, bandG));
        const kinds: readonly { massG: number; count: number }[] = SHELVES[shelf as keyof typeof SHELVES];
        for (const pieces of advised.tries)
          for (const p of pieces)
            expect(pieces.filter((other) => other.massG === p.massG).length).toBeLessThanOrEqual(
              kinds.find((k) => k.massG === p.massG)!.count,
            );
        for (const p of advised.tries.at(-1)!)
          expect(PRACTICE_PLACES.some((deg) => Math.abs(angleBetween(deg, p.deg)) < 1e-9)).toBe(true);
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
  const tried = (tries: { massG: number; deg: number }[][]) =>
    practiceRound.run({ seed: 3, friction: 'usual', shelf: 'full', tries });
  const against = () => ({ massG: Math.round(hiddenHeavy(3).massG), deg: Math.round(hiddenHeavy(3).deg + 180) % 360 });

  test('is judged by what is left after the last try', () => {
    const good = tried([[{ massG: 20, deg: 0 }], [against()]]);
    expect(good.result).toMatchObject({ placements: 2, within: true });
    expect([good.verdict, good.result.leftG < 1.5]).toEqual(['good', true]);
    const bad = tried([[against()], []]);
    expect([bad.verdict, bad.result.within]).toEqual(['check', false]);
    expect(bad.result.leftG).toBeCloseTo(hiddenHeavy(3).massG, 9);
  });

  test('a shelf or a stand that there is not is refused', () => {
    expect(() => practiceRound.run({ seed: 3, friction: 'glue' as 'usual', shelf: 'full', tries: [] })).toThrow(
      InputError,
    );
    expect(() => practiceRound.run({ seed: -1, friction: 'usual', shelf: 'full', tries: [] })).toThrow(InputError);
    expect(() => tried(Array.from({ length: 41 }, () => []))).toThrow(InputError);
  });

  test('a standing counts only what ended balanced', () => {
    const round = (placements: number, within: boolean): PracticeScore => ({
      id: `${placements}`,
      who: 'Ada Marl',
      at: '2026-04-30T09:00:00Z',
      seed: 1,
      friction: 'usual',
      shelf: 'full',
      placements,
      leftG: 1,
      within,
      advisedPlacements: 2,
      advisedLeftG: 1,
      tookS: 60,
    });
    expect(standingOf([])).toEqual({ rounds: 0, balanced: 0, medianPlacements: null, medianAdvised: null });
    expect(standingOf([round(1, false), round(4, true), round(7, true)])).toEqual({
      rounds: 3,
      balanced: 2,
      medianPlacements: 5.5,
      medianAdvised: 2,
    });
  });
});
