import fc from 'fast-check';
import { problemOf } from '../../../../tests/sample';
import { angleBetween } from '../../base/units';
import { firstHarmonic, runout, spokeRing, type RunoutReading } from '.';

const ring = (places: number, of: (deg: number) => Partial<RunoutReading>): RunoutReading[] =>
  Array.from({ length: places }, (_, i) => ({
    angleDeg: (i * 360) / places,
    ...of((i * 360) / places),
  }));
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
    runout.run({ readings, build: 'spoked', ...more });

  test('a bend: its total and its high spot', () => {
    const { result, verdict } = run(ring(12, (deg) => ({ lateralMm: 0.9 * cos(deg - 90) })));
    expect(result.lateral!.totalMm).toBeCloseTo(1.8, 6);
    expect(result.lateral!.highDeg).toBeCloseTo(90, 6);
    expect(verdict).toBe('check');
  });

  test('what is said: true, or how far and where it is high', () => {
    const says = (mm: number, more = {}) =>
      run(
        ring(12, (deg) => ({ lateralMm: mm * cos(deg - 90) })),
        more,
      );
    expect(says(0.5).result.reasons.map((r) => r.says)).toEqual(['1.0 mm side to side: true.']);
    expect(says(1).result.reasons.map((r) => r.says)).toEqual([
      "2.0 mm side to side, high at 3 o'clock, 90°.",
    ]);
    // As much as the limit is within it.
    expect(says(0.75).verdict).toBe('good');
    expect(says(1.25).verdict).toBe('check');
    expect(says(0.5).cautions).toEqual([]);
    expect(says(1).cautions).toEqual([]);
    expect(says(2, { build: 'cast' }).cautions).toEqual([
      'A bent cast rim is not straightened at the bench: the maker decides.',
    ]);
    expect(says(0.4, { build: 'cast' }).cautions).toEqual([]);
    expect(says(2).cautions.join()).not.toMatch(/cast/);
  });

  test('both kinds are judged each by its own readings, at places of their own', () => {
    const { result } = run([
      ...ring(6, () => ({ lateralMm: 0.1 })),
      ...ring(8, (deg) => ({ radialMm: 1.6 * cos(deg - 45) })),
    ]);
    expect(result.lateral).toMatchObject({ totalMm: 0 });
    expect(result.radial!.highDeg).toBeCloseTo(45, 6);
    expect(result.radial!.harmonicMm).toBeCloseTo(1.6, 6);
    expect(result.reasons.map((r) => r.verdict)).toEqual(['good', 'stop']);
  });

  test('readings that leave a third of the wheel unread say so', () => {
    const at = (degs: readonly number[]) => degs.map((angleDeg) => ({ angleDeg, lateralMm: 0.3 }));
    expect(run(at([0, 40, 80, 120, 200, 240])).verdict).toBe('good');
    expect(run(at([360, 40, 80, 120, 160, 240])).verdict).toBe('good');
    const said = (degs: readonly number[]) => problemOf(() => run(at(degs))).message;
    expect(said([0, 1, 2, 3, 4, 5])).toBe('A stretch of 355° of the wheel was not read.');
    expect(said([10, 60, 110, 160, 210, 220])).toBe('A stretch of 150° of the wheel was not read.');
    expect(said([0, 130, 180, 230, 280, 330])).toBe('A stretch of 130° of the wheel was not read.');
  });

  test('a dent is not a bend', () => {
    const { result } = run(ring(12, (deg) => ({ radialMm: deg === 150 ? -1.4 : 0.1 * cos(deg) })));
    expect(result.radial!.restDeg).toBe(150);
    // By hand: a reading that stands out keeps 1 − 3/12 of itself: (−1.4 + 0.087) × 0.75 = −0.98.
    expect(result.reasons.map((r) => r.says)).toContain(
      "\u22121.0 mm up and down at 5 o'clock, 150° is not a bend but a dent or a kink: look at it.",
    );
    expect(
      run(ring(12, (deg) => ({ radialMm: deg === 150 ? -0.8 : 0 }))).result.reasons,
    ).toHaveLength(1);
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
      { build },
    );
    expect(working.verdict).toBe(verdict);
  });

  test.each([
    [[], /no readings/],
    [ring(5, () => ({ lateralMm: 1 })), /5 places: too few/],
    [
      Array.from({ length: 8 }, () => ({ angleDeg: 90, lateralMm: 1 })),
      /A stretch of 360° of the wheel was not read/,
    ],
  ])('%j is refused', (readings, says) => {
    expect(problemOf(() => run(readings as RunoutReading[])).message).toMatch(says);
  });
});

describe('the ring of the spokes', () => {
  const tones = (change: Record<number, number> = {}) =>
    Array.from({ length: 36 }, (_, i) => ({
      spoke: i + 1,
      toneHz: change[i + 1] ?? (i % 4 < 2 ? 400 : 430),
    }));
  const run = (spokes: object[], more: object = {}) =>
    spokeRing.run({ spokes: spokes as never, total: 36, ...more });

  test('all alike within their groups: none stands out, though the groups differ', () => {
    expect(run(tones())).toMatchObject({ verdict: 'good', result: { loose: [] } });
  });

  test('a lower tone is looser and a higher one tighter, and never by how much', () => {
    const { result, verdict } = run(tones({ 7: 344, 8: 560 }));
    expect(verdict).toBe('check');
    expect(result.loose).toMatchObject([
      { spoke: 7, group: 'disc side, inner', way: 'lower' },
      { spoke: 8, way: 'higher' },
    ]);
    const says = result.reasons.map((r) => r.says).join();
    expect(says).toMatch(/Spoke 7 rings lower than its group: looser.*Spoke 8 rings higher/);
    // The ring of a stiff string does not tell newtons, nor a percentage.
    const working = run(tones({ 7: 344 }));
    expect(JSON.stringify([working.result, working.lines])).not.toMatch(/%|newton|"N"|tension of/i);
  });

  /**
   * 3.5 mm, 200 mm free, clamped: 553 Hz at 1,500 N, 486 Hz at 800 N. A plain string would read 77
   * % and pass it.
   */
  test('a thick, short spoke at half the tension is found, though its tone is near', () => {
    const group = [553, 553, 486, 553].map((toneHz, i) => ({ spoke: 1 + 4 * i, toneHz }));
    expect(run(group).result.loose).toMatchObject([{ spoke: 9, way: 'lower' }]);
    // Five and a half in a hundred lower is where even the stiffest may be at seven tenths.
    const at = (toneHz: number) =>
      run(group.map((s) => (s.spoke === 9 ? { ...s, toneHz } : s))).result.loose.length;
    expect([at(522), at(523)]).toEqual([1, 0]);
  });

  test('the middle of a group is its median, of an even and an odd number, whatever the order', () => {
    // Spokes 1, 5, 9, 13 are one group: their middle is halfway between the two in the middle.
    const four = [300, 420, 400, 410].map((toneHz, i) => ({ spoke: 1 + 4 * i, toneHz }));
    expect(run(four).lines.map((l) => l.value)).toEqual([405]);
    expect(run(four).result.loose.map((l) => l.spoke)).toEqual([1]);
    expect(run(four.slice(0, 3)).lines.map((l) => l.value)).toEqual([400]);
    // Two of a group have no middle: nothing is made up, and nothing is called good.
    expect(run(four.slice(0, 2))).toMatchObject({
      verdict: 'check',
      result: { loose: [], unknown: 36 },
    });
    expect(run(four.slice(0, 2)).lines).toEqual([]);
  });

  test('good only once every spoke is rung', () => {
    expect(run(tones()).result.reasons.map((r) => r.says)).toEqual([
      'All 36 rung, none stands out.',
    ]);
    expect(run(tones().slice(0, 35))).toMatchObject({ verdict: 'check', result: { unknown: 1 } });
    expect(run([{ spoke: 1, sounds: 'clear' }])).toMatchObject({
      verdict: 'check',
      result: { unknown: 35 },
    });
    const byEar = Array.from({ length: 36 }, (_, i) => ({ spoke: i + 1, sounds: 'clear' }));
    expect(run(byEar).verdict).toBe('good');
  });

  test('the limits are those of the rules, and as much as the limit is within it', () => {
    const toneAt = (pct: number) => 430 * (1 + 0.184 * (pct / 100 - 1));
    const at = (pct: number, rules = {}) =>
      run(tones({ 7: toneAt(pct) }), { rules }).result.loose.length;
    expect([at(70.01), at(69.9), at(139.9), at(140.1)]).toEqual([0, 1, 0, 1]);
    expect(at(60, { 'spoke.lowPct': 50 })).toBe(0);
    expect(at(130, { 'spoke.highPct': 120 })).toBe(1);
  });

  test('a dull spoke is loose whatever its tone; one without a tone leaves the others their middle', () => {
    const rung = [
      { spoke: 1, toneHz: 400, sounds: 'dull' },
      { spoke: 5, toneHz: 400 },
      { spoke: 9, toneHz: 400 },
      { spoke: 13, sounds: 'clear' },
    ];
    const working = run(rung);
    expect(working.result.loose).toMatchObject([{ spoke: 1, way: 'dull' }]);
    expect(working.lines.map((l) => [l.label, l.value])).toEqual([['disc side, outer', 400]]);
    expect(working.basis.map((b) => b.kind)).toContain('published');
    expect(working.cautions.join()).toMatch(/skilled job/);
  });

  test('rung by ear alone it says how many', () => {
    const working = run([{ spoke: 1, sounds: 'clear' }]);
    expect(working.lines.map((l) => [l.label, l.value])).toEqual([['rung', 1]]);
    expect(working.result.reasons.map((r) => r.says)).toEqual([
      '35 spokes of 36 still unknown: ring them too.',
    ]);
    expect(working.basis.some((b) => b.kind === 'published')).toBe(false);
    expect(working.cautions).toEqual([]);
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
