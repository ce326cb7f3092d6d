import { howMany } from '../../../tests/case-count';
import { problemOf } from '../../../tests/sample';
import {
  advisedRing,
  boltDeg,
  gapAt,
  hiddenRing,
  playRing,
  practiceRing,
  ringAct,
  RING_LEVELS,
  startedRing,
  type RingAct,
} from '.';

test.each(RING_LEVELS)(
  '%s: as advised it is closed evenly and torqued, or called off by its crush',
  (level) => {
    const costs: number[] = [];
    for (let seed = 0; seed < howMany(40, 500); seed++) {
      const acts = [...advisedRing(hiddenRing(seed, level))];
      const { result, verdict } = practiceRing.run({ seed, level, acts });
      expect(`${seed}: ${result.good} ${verdict}`).toBe(`${seed}: true good`);
      expect(result.debrief).toEqual([]);
      expect(result.advice.at(-1)!.says).toBe(
        level === 'too thin' ? 'call it off: too little crush' : 'torque all bolts',
      );
      expect(acts.at(-1)!.do).toBe(level === 'too thin' ? 'call it off' : 'torque');
      costs.push(acts.length);
    }
    expect(Math.max(...costs)).toBeLessThan(120);
  },
);

describe('a ring under its bolts', () => {
  const hidden = hiddenRing(3, 'a ring that tilts');
  const start = startedRing(hidden);
  const all = Array.from({ length: 12 }, (_, i) => i + 1);

  test('each bolt by half a turn brings it down by half a pitch, and leaves its tilt', () => {
    const { state } = ringAct(hidden, start, { do: 'half a turn each' });
    // 18 threads to the inch.
    for (const bolt of all)
      expect(gapAt(start, bolt) - gapAt(state, bolt)).toBeCloseTo(25.4 / 18 / 2, 6);
  });

  test('one bolt brings its own side down most, and lifts nothing but the other side', () => {
    const { state } = ringAct(hidden, start, { do: 'turn', bolt: 4, quarters: 2 });
    const down = all.map((bolt) => gapAt(start, bolt) - gapAt(state, bolt));
    expect(down.indexOf(Math.max(...down))).toBe(3);
    expect(down.indexOf(Math.min(...down))).toBe(9);
    expect(down.reduce((sum, d) => sum + d, 0)).toBeCloseTo(25.4 / 18 / 2, 6);
    expect([boltDeg(1), boltDeg(4)]).toEqual([0, 90]);
  });

  test('where it touches it goes no further: no gap is below nothing', () => {
    const acts = Array.from({ length: 30 }, (): RingAct => ({ do: 'turn', bolt: 2, quarters: 4 }));
    const { state } = playRing(hidden, acts);
    for (const bolt of all) expect(gapAt(state, bolt)).toBeGreaterThanOrEqual(0);
    expect(gapAt(state, 8)).toBeGreaterThan(0.5);
  });

  test('the caliper goes from place to place, the feeler reads where it is put', () => {
    const { seen } = playRing(hidden, [
      { do: 'bundle' },
      { do: 'bundle' },
      { do: 'gap' },
      { do: 'feel', bolt: 5 },
    ]);
    expect(seen.map((s) => s!.mm).slice(0, 3)).toEqual([
      hidden.bundleMm[0],
      hidden.bundleMm[1],
      hidden.gapMm[0],
    ]);
    expect(Math.abs(seen[3]!.mm - gapAt(start, 5))).toBeLessThanOrEqual(0.025 + 1e-9);
  });
});

describe('what cost what', () => {
  const says = (level: (typeof RING_LEVELS)[number], acts: RingAct[]) => {
    const { result } = practiceRing.run({ seed: 3, level, acts });
    return [result.good, result.debrief.map((r) => r.says).join('|')] as const;
  };
  const measured = [...advisedRing(hiddenRing(3, 'a ring that tilts'))].filter(
    (a) => a.do === 'bundle' || a.do === 'gap',
  );

  test('torqued tilted, torqued open, unmeasured, without a feeler', () => {
    const [good, said] = says('a ring that tilts', [{ do: 'half a turn each' }, { do: 'torque' }]);
    expect(good).toBe(false);
    for (const part of [
      '0 bundle readings and 0 gap readings',
      'It stays tilted',
      'still open',
      'without checking the gap all around',
    ])
      expect(said).toContain(part);
  });

  test('too thin is called off, and what can be clamped is not', () => {
    expect(says('too thin', [...measured, { do: 'torque' }])[1]).toContain(
      'too thin for this ring',
    );
    expect(says('too thin', [...measured, { do: 'call it off' }])).toEqual([true, '']);
    expect(says('too thin', [{ do: 'call it off' }])[0]).toBe(false);
    expect(says('a ring that tilts', [...measured, { do: 'call it off' }])).toEqual([
      false,
      'There was enough crush. You could clamp it.',
    ]);
    expect(says('a ring that tilts', measured)[0]).toBe(false);
  });

  test('an act that is none is refused', () => {
    expect(problemOf(() => says('too thin', [{ do: 'feel', bolt: 13 }])).field).toMatch(/^acts/);
  });
});
