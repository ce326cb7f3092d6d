import { howMany } from '../../../tests/case-count';
import { problemOf } from '../../../tests/sample';
import {
  advisedPair,
  hiddenPair,
  PAIR_LEVELS,
  playPair,
  practicePair,
  tapeOf,
  type PairAct,
  type PairLevel,
} from '.';

/** Common practice: within a quarter of an inch is a pair. */
const GOOD_MM = 6.35;

const run = (seed: number, level: PairLevel, acts: readonly PairAct[]) =>
  practicePair.run({ seed, level, acts });

test.each(PAIR_LEVELS)(
  '%s: as advised two are a pair, or none can be, never past a limit',
  (level) => {
    const ends = new Set<string>();
    for (let seed = 0; seed < howMany(60, 500); seed++) {
      const hidden = hiddenPair(seed, level);
      const acts = [...advisedPair(hidden)];
      const { result, verdict } = run(seed, level, acts);
      expect(`${seed}: ${result.good} ${verdict}`).toBe(`${seed}: true good`);
      expect(result.debrief).toEqual([]);
      expect(result.cost).toBe(result.advisedCost);
      const last = acts.at(-1)!;
      ends.add(last.do);
      expect(last.do === 'no pair').toBe(hidden.isHopeless);
      for (const act of acts)
        if (act.do === 'air')
          expect(act.kpa).toBeLessThanOrEqual(hidden.tires[act.tire - 1]!.limitKpa + 1e-9);
      if (last.do === 'pair' && hidden.matches)
        expect([last.tire, last.with].sort()).toEqual([...hidden.matches]);
    }
    expect([...ends].sort()).toEqual(level === 'two that differ' ? ['no pair', 'pair'] : ['pair']);
  },
);

describe('tires that a number hides', () => {
  test('on a rack two match at the measuring pressure, by hand, and no other two do', () => {
    for (const level of ['on the rack', 'aired by others'] as const)
      for (let seed = 0; seed < 60; seed++) {
        const { tires, matches } = hiddenPair(seed, level);
        const pairs = tires.flatMap((a, i) =>
          tires.flatMap((b, j) =>
            i < j && Math.abs(a.circumferenceMm - b.circumferenceMm) <= GOOD_MM
              ? [[i + 1, j + 1]]
              : [],
          ),
        );
        expect(pairs).toEqual([matches]);
      }
  });

  test('aired by others, those two seem to be none until they stand at the measuring pressure', () => {
    for (let seed = 0; seed < 60; seed++) {
      const hidden = hiddenPair(seed, 'aired by others');
      const [a, b] = hidden.matches!.map((n) => tapeOf(hidden, n, hidden.tires[n - 1]!.cameKpa));
      expect(Math.abs(a! - b!)).toBeGreaterThan(GOOD_MM);
    }
  });

  test('two that differ: what it takes lies within the limit, or well past it', () => {
    for (let seed = 0; seed < 60; seed++) {
      const { tires, measureKpa, isHopeless } = hiddenPair(seed, 'two that differ');
      const [small, large] = [...tires].sort((a, b) => a.circumferenceMm - b.circumferenceMm);
      const needKpa =
        measureKpa + (large!.circumferenceMm - small!.circumferenceMm) / small!.stretchMmPerKpa;
      expect(needKpa > small!.limitKpa).toBe(isHopeless);
    }
  });
});

describe('a tape', () => {
  const hidden = hiddenPair(4, 'aired by others');
  test('reads more with more air, to the millimeter; new air wants a new tape', () => {
    const { stretchMmPerKpa } = hidden.tires[1]!;
    const taped = (kpa: number) =>
      playPair(hidden, [
        { do: 'air', tire: 2, kpa },
        { do: 'tape', tire: 2 },
      ]).tires[1]!.tapedMm!;
    expect(Math.abs(taped(71.37) - taped(41.37) - 30 * stretchMmPerKpa)).toBeLessThanOrEqual(1);
    expect(Number.isInteger(taped(50))).toBe(true);
    const again = playPair(hidden, [
      { do: 'tape', tire: 2 },
      { do: 'air', tire: 2, kpa: 50 },
    ]);
    expect(again.tires[1]).toEqual({ gaugeKpa: 50, tapedMm: null });
  });
  test('what names no tire, pairs one with itself, or follows the end changes nothing', () => {
    const same = playPair(hidden, [
      { do: 'tape', tire: 9 },
      { do: 'pair', tire: 1, with: 9 },
      { do: 'pair', tire: 2, with: 2 },
    ]);
    expect(same).toEqual(playPair(hidden, []));
    const over = playPair(hidden, [{ do: 'no pair' }, { do: 'tape', tire: 1 }]);
    expect([over.end, over.tires[0]!.tapedMm]).toEqual(['no pair', null]);
  });
});

describe('what cost what', () => {
  const debrief = (seed: number, level: PairLevel, acts: readonly PairAct[]) => {
    const { result, verdict } = run(seed, level, acts);
    return { good: result.good, verdict, said: result.debrief.map((r) => r.says) };
  };
  const taped = (...tires: number[]): PairAct[] => tires.map((tire) => ({ do: 'tape', tire }));

  test('unmatched, untaped, at their own pressures, or nothing said', () => {
    const [a, b] = hiddenPair(3, 'on the rack').matches!;
    const other = [1, 2, 3, 4].find((n) => n !== a && n !== b)!;
    const wrong = debrief(3, 'on the rack', [
      ...taped(a, other),
      { do: 'pair', tire: a, with: other },
    ]);
    expect([wrong.good, wrong.verdict]).toEqual([false, 'stop']);
    expect(wrong.said).toEqual([
      expect.stringMatching(/apart\. An unmatched pair steers the machine\.$/),
    ]);
    const lucky = debrief(3, 'on the rack', [...taped(a), { do: 'pair', tire: a, with: b }]);
    expect(lucky).toMatchObject({
      good: false,
      verdict: 'check',
      said: [`You didn’t tape tire ${b} at its present pressure.`],
    });
    expect(debrief(3, 'on the rack', taped(1, 2)).said).toEqual([
      'You gave no answer. Say which two are a pair.',
    ]);
    const [c, d] = hiddenPair(3, 'aired by others').matches!;
    const asTheyCame = debrief(3, 'aired by others', [
      ...taped(c, d),
      { do: 'pair', tire: c, with: d },
    ]);
    expect(asTheyCame.said[0]).toMatch(/Compare rollout at the measuring pressure/);
    expect(asTheyCame.said[1]).toMatch(/apart/);
  });

  test('on a rack a pair is not made by air', () => {
    const hidden = hiddenPair(3, 'on the rack');
    const [small, next] = [...hidden.tires.entries()]
      .sort(([, x], [, y]) => x.circumferenceMm - y.circumferenceMm)
      .filter(([i]) => !hidden.matches!.includes(i + 1));
    const need = (next![1].circumferenceMm - small![1].circumferenceMm) / small![1].stretchMmPerKpa;
    const [tire, other] = [small![0] + 1, next![0] + 1];
    const made = debrief(3, 'on the rack', [
      { do: 'air', tire, kpa: hidden.measureKpa + need },
      ...taped(tire, other),
      { do: 'pair', tire, with: other },
    ]);
    expect(made.good).toBe(false);
    expect(made.said).toContainEqual(
      expect.stringMatching(/Compare rollout at the measuring pressure/),
    );
  });

  test('what the advice would have done is said tire by tire', () => {
    const advice = (level: PairLevel) => run(3, level, []).result.advice.map((a) => a.says);
    const [a, b] = hiddenPair(3, 'on the rack').matches!;
    expect(advice('on the rack').slice(0, 4)).toEqual([1, 2, 3, 4].map((n) => `tape tire ${n}`));
    expect([`call tires ${a} and ${b} a pair`, `call tires ${b} and ${a} a pair`]).toContain(
      advice('on the rack')[4],
    );
    expect(advice('aired by others')[0]).toBe('air tire 1 to 6.0 psi and tape it');
    expect(advice('aired by others')).toHaveLength(5);
  });

  test('called off where it need not be, or before anybody knew', () => {
    const [a, b] = hiddenPair(3, 'on the rack').matches!;
    expect(debrief(3, 'on the rack', [{ do: 'no pair' }]).said).toEqual([
      `Tires ${a} and ${b} match at the measuring pressure with no more air.`,
    ]);
    const seeds = Array.from({ length: 60 }, (_, i) => i);
    const of = (hopeless: boolean) =>
      seeds.find((s) => hiddenPair(s, 'two that differ').isHopeless === hopeless)!;
    expect(debrief(of(false), 'two that differ', [{ do: 'no pair' }]).said[0]).toMatch(
      /within its limit/,
    );
    const early = debrief(of(true), 'two that differ', [...taped(1, 2), { do: 'no pair' }]);
    expect([early.good, early.said[0]]).toEqual([
      false,
      expect.stringMatching(/Tape it at a second pressure/),
    ]);
  });

  test('the larger one let down below the measuring pressure, or the smaller one filled past its limit', () => {
    const seed = 2;
    const hidden = hiddenPair(seed, 'two that differ');
    const large = hidden.tires[0]!.circumferenceMm > hidden.tires[1]!.circumferenceMm ? 1 : 2;
    const small = 3 - large;
    const apart = Math.abs(hidden.tires[0]!.circumferenceMm - hidden.tires[1]!.circumferenceMm);
    const letDown = debrief(seed, 'two that differ', [
      {
        do: 'air',
        tire: large,
        kpa: hidden.measureKpa - apart / hidden.tires[large - 1]!.stretchMmPerKpa,
      },
      ...taped(1, 2),
      { do: 'pair', tire: 1, with: 2 },
    ]);
    expect([letDown.good, letDown.said[0]]).toEqual([
      false,
      expect.stringMatching(/Compare rollout at the measuring/),
    ]);
    const { limitKpa } = hidden.tires[small - 1]!;
    const burst = debrief(seed, 'two that differ', [
      { do: 'air', tire: small, kpa: limitKpa + 1 },
      { do: 'air', tire: small, kpa: hidden.measureKpa },
    ]);
    expect([burst.verdict, burst.said[0]]).toEqual([
      'stop',
      expect.stringMatching(/^Tire \d was inflated above its limit/),
    ]);
  });

  test('an act that is none is refused', () => {
    expect(problemOf(() => run(1, 'on the rack', [{ do: 'tape', tire: 0 }])).field).toMatch(
      /^acts/,
    );
    expect(problemOf(() => run(1, 'on the rack', [{ do: 'air', tire: 1, kpa: 4 }])).field).toMatch(
      /^acts/,
    );
  });
});
