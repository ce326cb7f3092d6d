import { howMany } from '../../../tests/case-count';
import { problemOf } from '../../../tests/sample';
import {
  AIR_LEVELS,
  advisedAir,
  airAct,
  hiddenAir,
  isSeated,
  playAir,
  practiceAir,
  unfilled,
  type AirAct,
} from '.';

test.each(AIR_LEVELS)(
  '%s: as advised it ends well, never above the limit, in three tries at most',
  (level) => {
    const tries = new Set<number>();
    for (let seed = 0; seed < howMany(40, 500); seed++) {
      const hidden = hiddenAir(seed, level);
      expect(hidden.limitKpa).toBe(Math.min(hidden.sidewallKpa, hidden.rimKpa, hidden.shopKpa));
      const acts = [...advisedAir(hidden)];
      const { result } = practiceAir.run({ seed, level, acts });
      expect(`${seed}: ${result.good}`).toBe(`${seed}: true`);
      expect(result.debrief).toEqual([]);
      expect(result.advice.map((s) => s.says).slice(0, 2)).toEqual([
        'break and lubricate the beads',
        expect.stringMatching(/^inflate to [\d.]+ psi$/),
      ]);
      expect(result.highestKpa).toBeLessThanOrEqual(hidden.limitKpa + 1e-9);
      expect(result.cost).toBe(result.advisedCost);
      const { state } = playAir(hidden, acts);
      expect(isSeated(state)).toBe(level !== 'something is wrong');
      tries.add(result.cost);
    }
    expect([...tries].sort()).toEqual(
      level === 'a dry bead' ? [1] : level === 'one side hangs' ? [2] : [3],
    );
  },
);

describe('at the hose', () => {
  const hidden = hiddenAir(9, 'one side hangs');
  const full: AirAct = { do: 'air', toKpa: hidden.limitKpa };
  const judged = (acts: AirAct[], level: (typeof AIR_LEVELS)[number] = 'one side hangs') =>
    practiceAir.run({ seed: 9, level, acts });
  const says = (acts: AirAct[]) =>
    judged(acts)
      .result.debrief.map((r) => r.says)
      .join('|');

  test('air goes in as far as it is held, and a bead pops once', () => {
    const { state, seen } = airAct(hidden, unfilled(hidden), { do: 'air', toKpa: 60 });
    expect(seen.kpa).toBeCloseTo(60, 0);
    expect([state.tries, state.highestKpa]).toEqual([1, 60]);
    const again = airAct(hidden, state, { do: 'air', toKpa: 90 });
    expect(again.state.tries).toBe(1);
    expect(airAct(hidden, again.state, { do: 'air', toKpa: 40 }).seen.refused).toContain('already');
  });

  test('lubricated only with the air out; lubricated again it lets go earlier', () => {
    const { state, seen } = playAir(hidden, [full, { do: 'lubricate' }]);
    expect(seen[1]!.refused).toBe('There is air in it. Let all of it out first.');
    expect(state.lubrications).toBe(0);
    const pops = (before: AirAct[]) =>
      playAir(hidden, [...before, full]).seen.at(-1)!.popped.length;
    const once: AirAct[] = [{ do: 'lubricate' }];
    expect(pops(once)).toBe(1);
    expect(pops([...once, full, { do: 'all out' }, { do: 'lubricate' }])).toBe(2);
  });

  test('above the limit is the end of it, whatever else went well', () => {
    const over = judged([{ do: 'lubricate' }, { do: 'air', toKpa: hidden.limitKpa + 60 }]);
    expect([over.verdict, over.result.good]).toEqual(['stop', false]);
    expect(over.result.debrief[0]!.says).toMatch(/was above the limit of/);
  });

  test('what cost what: dry, called off too soon, tries too many', () => {
    expect(says([full])).toContain('never lubricated');
    expect(says([{ do: 'call it off' }])).toContain('called it off too soon');
    const lots: AirAct[] = [
      full,
      { do: 'all out' },
      full,
      { do: 'all out' },
      { do: 'lubricate' },
      full,
    ];
    expect(says([...lots, { do: 'all out' }, { do: 'lubricate' }, full])).toContain(
      '2 tries more than advised',
    );
    expect(says([full, { do: 'lubricate' }])).toContain(
      'You tried something not possible yet, 1 time',
    );
    const wrong = judged(
      [{ do: 'lubricate' }, { do: 'air', toKpa: hiddenAir(9, 'something is wrong').limitKpa }],
      'something is wrong',
    );
    expect(wrong.result.good).toBe(false);
    expect(wrong.result.debrief.map((r) => r.says).join()).toContain('After 3 tries, stop');
  });

  test('an act that is none is refused', () => {
    expect(problemOf(() => judged([{ do: 'air', toKpa: 5000 }])).field).toMatch(/^acts/);
  });
});
