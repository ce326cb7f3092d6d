import { howMany } from '../../../tests/case-count';
import { problemOf } from '../../../tests/sample';
import { readTire, SPEED_SYMBOL_KMH } from '../fit/tires';
import {
  hiddenSidewall,
  judgeAnswer,
  practiceSidewall,
  SIDEWALL_LEVELS,
  TOPICS,
  type SidewallAct,
} from '.';

test.each(SIDEWALL_LEVELS)(
  '%s: one suits, one must be refused for one thing, the rest may go on',
  (level) => {
    const why = new Set<string>();
    const places = new Set<string>();
    for (let seed = 0; seed < howMany(150, 500); seed++) {
      const hidden = hiddenSidewall(seed, level);
      const verdicts = hidden.fits.map((f) => f.verdict);
      expect(verdicts.filter((v) => v === 'good')).toHaveLength(1);
      expect(verdicts.filter((v) => v === 'stop')).toHaveLength(1);
      expect([verdicts[hidden.suits], verdicts[hidden.refused]]).toEqual(['good', 'stop']);
      const stops = hidden.fits[hidden.refused]!.reasons.filter((r) => r.verdict === 'stop');
      expect(new Set(stops.map((r) => r.topic))).toEqual(new Set([hidden.why]));
      const acts: SidewallAct[] = [
        { do: 'fits', tire: hidden.suits + 1 },
        { do: 'refuse', tire: hidden.refused + 1, why: hidden.why },
      ];
      expect(practiceSidewall.run({ seed, level, acts }).result).toMatchObject({
        good: true,
        cost: 2,
        debrief: [],
      });
      why.add(hidden.why);
      places.add(`${hidden.suits}`);
    }
    expect(why.size).toBeGreaterThan(1);
    expect(places.size).toBe(level === 'plain' ? 3 : level === 'one step apart' ? 4 : 5);
  },
);

test('what suits carries the machine’s spec, told from the marking alone', () => {
  for (let seed = 0; seed < 60; seed++) {
    const { wheel, tires, suits, refused, why } = hiddenSidewall(seed, 'one step apart');
    const [good, bad] = [readTire(tires[suits]!.marking), readTire(tires[refused]!.marking)];
    expect(good.loadIndex!).toBeGreaterThanOrEqual(wheel.minLoadIndex!);
    expect(SPEED_SYMBOL_KMH[good.speedSymbol!]!).toBeGreaterThanOrEqual(
      SPEED_SYMBOL_KMH[wheel.minSpeedSymbol!]!,
    );
    if (why === 'load')
      expect(
        bad.loadIndex! < wheel.minLoadIndex! ||
          SPEED_SYMBOL_KMH[bad.speedSymbol!]! < SPEED_SYMBOL_KMH[wheel.minSpeedSymbol!]!,
      ).toBe(true);
    if (why === 'size') expect(bad.rimDiameterIn).not.toBe(readTire(wheel.from).rimDiameterIn);
  }
});

describe('answers', () => {
  const hidden = hiddenSidewall(3, 'one step apart');
  const right: SidewallAct = { do: 'fits', tire: hidden.suits + 1 };
  const refuse = (why = hidden.why, tire = hidden.refused + 1): SidewallAct => ({
    do: 'refuse',
    tire,
    why,
  });
  const run = (acts: SidewallAct[]) =>
    practiceSidewall.run({ seed: 3, level: 'one step apart', acts });

  test('a wrong one is said why, and another may follow', () => {
    const other = TOPICS.find((t) => t !== hidden.why)!;
    const { result, verdict } = run([
      { do: 'fits', tire: hidden.refused + 1 },
      right,
      refuse(other),
      refuse(),
    ]);
    expect([result.good, result.cost, verdict]).toEqual([true, 4, 'good']);
    expect(result.debrief.map((r) => r.says)).toEqual([
      expect.stringMatching(/^Tire \d, .* is not the one that fits\. /),
      expect.stringMatching(/^Tire \d is the one to refuse, but not for /),
    ]);
    expect(result.reason.says).toBe('Both right, after 2 wrong answers.');
  });

  test('half an answer is none, and then both are told', () => {
    expect(run([right])).toMatchObject({ verdict: 'check', result: { good: false } });
    expect(run([refuse()]).result.good).toBe(false);
    expect(run([]).result.debrief.at(-1)!.says).toMatch(
      /^Tire \d fits; tire \d must not go on because of /,
    );
    expect(run([refuse(hidden.why, hidden.suits + 1)]).result.debrief[0]!.says).toMatch(
      /can go on/,
    );
    expect(judgeAnswer(hidden, { do: 'fits', tire: 9 })).toEqual({ right: false, reasons: [] });
  });

  test('a reason that is none is refused', () => {
    expect(
      problemOf(() => run([{ do: 'refuse', tire: 1, why: 'its smell' as 'size' }])).field,
    ).toMatch(/^acts/);
  });
});
