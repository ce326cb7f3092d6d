import { howMany } from '../../../tests/case-count';
import { problemOf } from '../../../tests/sample';
import { advisedTruing, hiddenSpokes, outOf, practiceTrue, SPOKE_LEVELS, type SpokeLevel } from '.';

const run = (
  seed: number,
  acts: { spoke: number; eighths: number }[],
  level: SpokeLevel = 'a wobble',
) => practiceTrue.run({ seed, level, acts });

test.each(SPOKE_LEVELS)('%s: every hidden wheel is out at first, and true as advised', (level) => {
  for (let seed = 0; seed < howMany(15, 500); seed++) {
    const hidden = hiddenSpokes(seed, level);
    const before = outOf(hidden);
    expect(Math.max(before.sideMm, before.upMm)).toBeGreaterThanOrEqual(1.75 - 1e-9);
    const acts = [...advisedTruing(hidden)].flat();
    const { result, verdict } = run(seed, acts, level);
    expect(`${seed}: ${verdict} ${result.good}`).toBe(`${seed}: good true`);
    expect(Math.max(result.left.sideMm, result.left.upMm)).toBeLessThanOrEqual(1.5 + 1e-9);
    expect(result.cost).toBe(acts.length);
    expect(result.advisedCost).toBe(acts.length);
  }
});

test('a number hides one wheel, and turning it leaves the hidden one as it was', () => {
  const [one, two] = [hiddenSpokes(12, 'battered'), hiddenSpokes(12, 'battered')];
  expect(one.read([0, 90])).toEqual(two.read([0, 90]));
  const turned = one.after([{ spoke: 3, eighths: 8 }]);
  expect(turned.sideMm(20)).not.toBeCloseTo(one.sideMm(20), 3);
  expect(one.read([0, 90])).toEqual(two.read([0, 90]));
  // A turn and the same back is nothing.
  expect(turned.after([{ spoke: 3, eighths: -8 }]).sideMm(20)).toBeCloseTo(one.sideMm(20), 9);
  expect(hiddenSpokes(13, 'battered').sideMm(20)).not.toBeCloseTo(one.sideMm(20), 3);
});

test('what worked against itself is said', () => {
  const hidden = hiddenSpokes(4, 'a wobble');
  const first = [...advisedTruing(hidden)]
    .flat()
    .reduce((a, b) => (Math.abs(b.eighths) > Math.abs(a.eighths) ? b : a));
  const says = (acts: { spoke: number; eighths: number }[]) =>
    run(4, acts)
      .result.debrief.map((r) => r.says)
      .join('|');
  expect(says([])).toMatch(
    new RegExp(`You left spoke ${first.spoke} alone\\. The advice turned it`),
  );
  expect(says([{ ...first, eighths: -4 * Math.sign(first.eighths) }])).toContain(
    `Spoke ${first.spoke} made it worse: wrong side`,
  );
  expect(says([first])).not.toContain('made it worse');
  expect(says([first, { ...first, eighths: -first.eighths }])).toContain(
    'You turned 1 nipple one way and back',
  );
  expect(says([{ spoke: 80, eighths: 2 }])).toContain('This wheel has no spoke 80.');
  expect(run(4, [{ spoke: 80, eighths: 2 }]).result.cost).toBe(0);
});

test('untouched it is not true, and a level that is none is refused', () => {
  expect(run(4, [])).toMatchObject({ verdict: 'check', result: { good: false, cost: 0 } });
  expect(problemOf(() => run(4, [], 'bent' as SpokeLevel)).field).toBe('level');
});
