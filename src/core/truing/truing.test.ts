import fc from 'fast-check';
import { problemOf } from '../../../tests/sample';
import { angleBetween } from '../units';
import { firstHarmonic, runout, spokeRing, type RunoutReading } from '.';

const ring = (places: number, of: (deg: number) => Partial<RunoutReading>): RunoutReading[] =>
  Array.from({ length: places }, (_, i) => ({ angleDeg: (i * 360) / places, ...of((i * 360) / places) }));
const cos = (deg: number) => Math.cos((deg * Math.PI) / 180);

describe('the once-a-turn part', () => {
  test('a pure one is found whole, wherever the readings stand', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.1, max: 5, noNaN: true }),
        fc.double({ min: 0, max: 359, noNaN: true }),
        fc.double({ min: -3, max: 3, noNaN: true }),
        (size, highDeg, mean) => {
          const fit = firstHarmonic(
            [0, 40, 95, 160, 200, 290, 333].map((angleDeg) => ({
              angleDeg,
              value: mean + size * cos(angleDeg - highDeg),
            })),
          )!;
          expect(fit.size).toBeCloseTo(size, 9);
          expect(fit.mean).toBeCloseTo(mean, 9);
          expect(Math.abs(angleBetween(fit.highDeg, highDeg))).toBeLessThan(1e-6);
          for (const r of fit.rest) expect(Math.abs(r)).toBeLessThan(1e-9);
        },
      ),
    );
  });

  test('fewer than three different places determine nothing', () => {
    expect(
      firstHarmonic([
        { angleDeg: 0, value: 1 },
        { angleDeg: 90, value: 2 },
        { angleDeg: 360, value: 1 },
      ]),
    ).toBeNull();
  });
});

describe('runout', () => {
  const run = (readings: RunoutReading[], more: object = {}) =>
    runout.run({ readings, build: 'spoked', spokes: 36, ...more });

  test('a bend: total, high spot and which spokes, the nearest first and never more than a quarter turn', () => {
    const { result, verdict } = run(ring(12, (deg) => ({ lateralMm: 0.9 * cos(deg - 90) })));
    expect(result.lateral!.totalMm).toBeCloseTo(1.8, 6);
    expect(result.lateral!.highDeg).toBeCloseTo(90, 6);
    expect(verdict).toBe('check');
    expect(result.spokes[0]!.turns).toBe(0.25);
    expect(Math.abs(angleBetween(90, result.spokes[0]!.deg))).toBeLessThanOrEqual(5);
    expect(new Set(result.spokes.map((s) => s.turn))).toEqual(new Set(['tighten', 'loosen']));
    const offs = result.spokes.map((s) => Math.abs(angleBetween(90, s.deg)));
    expect(offs).toEqual([...offs].sort((a, b) => a - b));
  });

  test('high outward: all spokes there pull it in', () => {
    const { result } = run(ring(12, (deg) => ({ radialMm: 1.5 * cos(deg - 200) })));
    expect(new Set(result.spokes.map((s) => s.turn))).toEqual(new Set(['tighten']));
  });

  test('a dent is not a bend', () => {
    const { result } = run(ring(12, (deg) => ({ radialMm: deg === 150 ? -1.4 : 0.1 * cos(deg) })));
    expect(result.radial!.restDeg).toBe(150);
    expect(result.reasons.map((r) => r.says).join()).toMatch(/not a bend but a dent or a kink/);
  });

  test.each([
    ['spoked', 1.4, 'good'],
    ['spoked', 2, 'check'],
    ['spoked', 2.6, 'stop'],
    ['cast', 0.4, 'good'],
    ['cast', 0.8, 'check'],
    ['cast', 1.2, 'stop'],
  ] as const)('%s with %d mm side to side is %s', (build, totalMm, verdict) => {
    const working = run(
      ring(12, (deg) => ({ lateralMm: (totalMm / 2) * cos(deg) })),
      { build, spokes: build === 'spoked' ? 36 : 0 },
    );
    expect(working.verdict).toBe(verdict);
    expect(working.result.spokes.length > 0).toBe(build === 'spoked' && verdict !== 'good');
    if (working.result.spokes.length > 0) expect(working.cautions.join()).toMatch(/skilled job/);
  });

  test.each([
    [[], /no readings/],
    [ring(5, () => ({ lateralMm: 1 })), /5 places are too few/],
    [Array.from({ length: 8 }, () => ({ angleDeg: 90, lateralMm: 1 })), /same places/],
  ])('%j is refused', (readings, says) => {
    expect(problemOf(() => run(readings as RunoutReading[])).message).toMatch(says);
  });
});

describe('the ring of the spokes', () => {
  const tones = (change: Record<number, number> = {}) =>
    Array.from({ length: 36 }, (_, i) => ({ spoke: i + 1, toneHz: change[i + 1] ?? (i % 4 < 2 ? 400 : 430) }));
  const run = (spokes: object[], more: object = {}) => spokeRing.run({ spokes: spokes as never, total: 36, ...more });

  test('all alike within their groups: none stands out, though the groups differ', () => {
    expect(run(tones())).toMatchObject({ verdict: 'good', result: { loose: [] } });
  });

  test('a tone a fifth lower is 64 % of the tension: loose', () => {
    const { result, verdict } = run(tones({ 7: 344 }));
    expect(verdict).toBe('check');
    expect(result.loose).toHaveLength(1);
    expect(result.loose[0]).toMatchObject({ spoke: 7, group: 'disc side, inner' });
    expect(result.loose[0]!.tensionPct).toBeCloseTo(64, 6);
    expect(run(tones({ 8: 560 })).result.loose[0]!.reason.says).toMatch(/carries for a loose one/);
  });

  test('by ear: the dull ones', () => {
    expect(
      run([
        { spoke: 3, sounds: 'dull' },
        { spoke: 4, sounds: 'clear' },
      ]).result.loose.map((l) => l.spoke),
    ).toEqual([3]);
  });

  test.each([
    [[], 'spokes'],
    [[{ spoke: 40, sounds: 'dull' }], 'spokes[0].spoke'],
    [
      [
        { spoke: 4, sounds: 'dull' },
        { spoke: 4, sounds: 'clear' },
      ],
      'spokes[1].spoke',
    ],
    [[{ spoke: 4 }], 'spokes[0].sounds'],
  ])('%j is refused at its field', (spokes, field) => {
    expect(problemOf(() => run(spokes)).field).toBe(field);
  });
});
