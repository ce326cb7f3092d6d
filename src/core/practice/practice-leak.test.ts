import { howMany } from '../../../tests/case-count';
import { problemOf } from '../../../tests/sample';
import { advisedLeak, hiddenLeak, LEAK_LEVELS, leakReadings, practiceLeak, type LeakAct } from '.';

test.each(LEAK_LEVELS)('%s: as advised it is told, and rightly', (level) => {
  const leaks = new Set<boolean>();
  const days: number[] = [];
  for (let seed = 0; seed < howMany(60, 500); seed++) {
    const hidden = hiddenLeak(seed, level);
    const acts = [...advisedLeak(hidden)];
    const { result } = practiceLeak.run({ seed, level, acts });
    expect(`${seed}: ${result.good}`).toBe(`${seed}: true`);
    expect(result.debrief).toEqual([]);
    expect(result.cost).toBe(result.advisedCost);
    leaks.add(hidden.leaks);
    days.push(result.cost);
  }
  expect(leaks.size).toBe(2);
  expect(Math.max(...days)).toBeLessThanOrEqual(60);
});

describe('a standing tire', () => {
  test('by hand: at another temperature the gauge shows another pressure, with nothing lost', () => {
    // Absolute pressure goes with absolute temperature: corrected back, what is left of the change
    // is the loss.
    for (let seed = 0; seed < 30; seed++) {
      const hidden = hiddenLeak(seed, 'against the weather');
      const [first, last] = [hidden.read(0), hidden.read(10)];
      const back =
        ((last.gaugeKpa + 101.325) * (first.tempC + 273.15)) / (last.tempC + 273.15) - 101.325;
      expect(Math.abs(first.gaugeKpa - back - 10 * hidden.lossKpaPerDay)).toBeLessThan(1.2);
      // The weather works against what there is to see.
      expect(last.tempC > first.tempC).toBe(hidden.leaks);
    }
  });

  test('it is read on the days of one’s choice, the first reading is there', () => {
    const hidden = hiddenLeak(4, 'steady weather');
    const acts: LeakAct[] = [
      { do: 'read', days: 3 },
      { do: 'read', days: 1 },
    ];
    expect(leakReadings(hidden, acts).map((r) => r.day)).toEqual([0, 3, 4]);
    expect(
      leakReadings(
        hidden,
        Array.from({ length: 9 }, () => ({ do: 'read', days: 30 }) as const),
      ).at(-1)!.day,
    ).toBe(90);
  });
});

describe('what is said of it', () => {
  const seed = Array.from({ length: 40 }, (_, i) => i).find(
    (s) => hiddenLeak(s, 'against the weather').leaks,
  )!;
  const run = (acts: LeakAct[]) => practiceLeak.run({ seed, level: 'against the weather', acts });
  const reads = (count: number) =>
    Array.from({ length: count }, (): LeakAct => ({ do: 'read', days: 2 }));

  test('wrong, too soon, too late, or nothing', () => {
    const wrong = run([...reads(9), { do: 'ordinary' }]);
    expect([wrong.verdict, wrong.result.good]).toEqual(['stop', false]);
    expect(wrong.result.debrief[0]!.says).toMatch(/It leaks; warmer days hid it/);
    const lucky = run([{ do: 'leaks' }]);
    expect([lucky.verdict, lucky.result.good, lucky.result.cost]).toEqual(['check', false, 0]);
    expect(lucky.result.debrief.map((r) => r.says)).toEqual([
      'You called it before the readings could tell. That was luck.',
    ]);
    const late = run([...reads(30), { do: 'leaks' }]);
    expect(late.result.good).toBe(true);
    expect(late.result.debrief[0]!.says).toMatch(/^The readings could tell \d+ days sooner\.$/);
    expect(run(reads(3)).result).toMatchObject({ good: false });
    // What is read after it was said counts no more.
    expect(run([{ do: 'leaks' }, ...reads(20)]).result.cost).toBe(0);
  });

  test('an act that is none is refused', () => {
    expect(problemOf(() => run([{ do: 'read', days: 0 }])).field).toMatch(/^acts/);
  });
});
