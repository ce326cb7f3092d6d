import { InputError } from '../../base/errors';
import {
  ellipseGirthMm,
  parseTubeLabel,
  tubeDouble,
  tubeNeed,
  tubePick,
  tubeReuse,
  tubeStretch,
  type TubeNeedInput,
  type TubeStock,
} from '.';

describe('reading a label', () => {
  test.each([
    ['2.75/3.00-21', 21, 69.85, 76.2],
    ['3.00-10', 10, 76.2, 76.2],
    ['100/100-18, 110/90-18', 18, 100, 110],
    ['80/100-21, 90/90-21, 2.75-21', 21, 69.85, 90],
    ['2.75/3.00-21 80/100-21 90/90-21', 21, 69.85, 90],
    ['100/100-18 with 110/90-18', 18, 100, 110],
    ['3.25/3.50/4.00-19', 19, 82.55, 101.6],
    ['4.00 x 18; 110/90 – 18', 18, 101.6, 110],
    ['100/90-19 / 110/90-19', 19, 100, 110],
  ])('%s', (label, rim, min, max) => {
    const range = parseTubeLabel(label);
    expect(range.rimDiameterIn).toBe(rim);
    expect(range.minWidthMm).toBeCloseTo(min, 6);
    expect(range.maxWidthMm).toBeCloseTo(max, 6);
  });

  test.each([
    '',
    'big',
    '2.75/3.00',
    '100/100-18, 110/90-19',
    '100/100-18x',
    '110/90-18,',
    '110/90-18 butyl',
  ])('"%s" is refused', (label) => {
    expect(() => parseTubeLabel(label)).toThrow(InputError);
  });
});

describe('tube or no tube: the matrix', () => {
  const rim = {
    build: 'cast',
    tubelessMarked: true,
    sealed: false,
    safetyHump: true,
    tire: 'TL',
    tube: false,
  } satisfies TubeNeedInput;
  const run = (more: Partial<TubeNeedInput>) => {
    const { result, verdict } = tubeNeed.run({ ...rim, ...more });
    return [result.need, verdict];
  };

  test.each<[Partial<TubeNeedInput>, string, string]>([
    // Cast or sealed spoked, hump, marked tubeless.
    [{}, 'tubeless', 'good'],
    [{ tube: true }, 'tubeless', 'check'],
    [{ tire: 'TT', tube: true }, 'tube', 'good'],
    [{ tire: 'TT' }, 'tube', 'stop'],
    [{ build: 'spoked', sealed: true }, 'tubeless', 'good'],
    [{ safetyHump: null }, 'tubeless', 'check'],
    // Cast, not marked.
    [{ tubelessMarked: false }, 'tube', 'stop'],
    [{ tubelessMarked: false, tube: true }, 'tube', 'good'],
    [{ tubelessMarked: false, tire: 'TT', tube: true }, 'tube', 'good'],
    [{ safetyHump: false }, 'tube', 'stop'],
    // Spoked, unsealed.
    [{ build: 'spoked', tube: true }, 'tube', 'check'],
    [{ build: 'spoked' }, 'tube', 'stop'],
    [{ build: 'spoked', tire: 'TT', tube: true }, 'tube', 'good'],
    // Split.
    [{ build: 'split', tube: true }, 'tube', 'good'],
    [{ build: 'split' }, 'tube', 'stop'],
    [{ build: 'split', sealed: true }, 'tubeless', 'good'],
    [{ build: 'split', sealed: true, tire: 'TT', tube: true }, 'tube', 'good'],
    // Beadlock.
    [{ build: 'beadlock' }, 'by design', 'good'],
    [{ build: 'beadlock', tire: 'TT', tube: true }, 'refuse', 'stop'],
    [{ build: 'beadlock', tire: 'TT', tube: true, makerAllows: true }, 'by design', 'check'],
    [{ tire: 'not marked' }, 'tubeless', 'check'],
  ])('%j: %s, %s', (more, need, verdict) => {
    expect(run(more)).toEqual([need, verdict]);
  });

  test('a tubeless choice wants a new stem; split rims and beadlocks carry their caution', () => {
    expect(tubeNeed.run(rim).result.also).toEqual(['a new valve stem']);
    expect(tubeNeed.run({ ...rim, build: 'split', tube: true }).cautions.join()).toMatch(
      /let all air out before/,
    );
    expect(tubeNeed.run({ ...rim, build: 'beadlock' }).cautions.join()).toMatch(/maker.s manual/);
  });
});

describe('stretch', () => {
  test('the girth of an ellipse, against a numeric integration', () => {
    for (const [a, b] of [
      [40, 40],
      [50, 30],
      [60, 12],
    ] as const) {
      let sum = 0;
      const n = 200_000;
      for (let i = 0; i < n; i++) {
        const t = ((i + 0.5) / n) * 2 * Math.PI;
        sum += Math.hypot(a * Math.sin(t), b * Math.cos(t)) * ((2 * Math.PI) / n);
      }
      expect(Math.abs(ellipseGirthMm(a, b) / sum - 1)).toBeLessThan(1e-4);
    }
  });

  test('worked by hand: a space 98 by 89 mm is 294 mm round; a tube 105 mm flat stretches 40%', () => {
    const { result, verdict } = tubeStretch.run({ tire: '110/90-19', flatWidthMm: 105 });
    expect(result.tubeGirthMm).toBe(210);
    expect(result.spaceGirthMm).toBeCloseTo(
      Math.PI * 93.5 * (1 + (3 * (4.5 / 93.5) ** 2) / (10 + Math.sqrt(4 - 3 * (4.5 / 93.5) ** 2))),
      6,
    );
    expect(result.stretchPct).toBeCloseTo(40, 0);
    expect(verdict).toBe('good');
  });

  test.each([
    [160, 'stop', /folds/],
    [80, 'check', /more than usual/],
    [60, 'stop', /thin/],
  ] as const)('%d mm flat is a %s', (flatWidthMm, verdict, says) => {
    const working = tubeStretch.run({ tire: '110/90-19', flatWidthMm });
    expect(working.verdict).toBe(verdict);
    expect(working.result.reason.says).toMatch(says);
  });
});

describe('picking a tube', () => {
  const tubes: TubeStock[] = [
    { id: 'covers', label: '100/90-19, 110/90-19, 120/80-19', count: 3 },
    { id: 'narrow', label: '90/90-19', count: 9 },
    { id: 'near', label: '100/90-19, 105/90-19', count: 1 },
    { id: 'other rim', label: '110/90-18', count: 9 },
  ];
  const pick = (tire: string, stock: TubeStock[] = tubes, more: object = {}) =>
    tubePick.run({ tire, tubes: stock, ...more });
  const one = (more: Partial<TubeStock>, input: object = {}) =>
    pick('110/90-19', [{ id: 'a', label: '110/90-19', count: 1, ...more }], input).result.fits[0]!;

  test('the label that covers the tire wins; every other says why not', () => {
    const { result, verdict } = pick('110/90-19');
    expect(verdict).toBe('good');
    expect(result.bestId).toBe('covers');
    expect(result.fits.map((f) => [f.id, f.fit])).toEqual([
      ['covers', 'covers'],
      ['near', 'near'],
      ['other rim', 'no'],
      ['narrow', 'no'],
    ]);
    expect(result.fits.find((f) => f.id === 'other rim')?.reasons[0]?.says).toBe(
      'For an 18 inch rim.',
    );
    expect(result.fits.find((f) => f.id === 'narrow')?.reasons[0]?.says).toMatch(/stretched/);
  });

  test('out of stock a near one is a check, and none at all a stop', () => {
    const empty = tubes.map((t) => (t.id === 'covers' ? { ...t, count: 0 } : t));
    expect(pick('110/90-19', empty)).toMatchObject({
      verdict: 'check',
      result: { bestId: 'near' },
    });
    expect(pick('150/70-17')).toMatchObject({ verdict: 'stop', result: { bestId: null } });
    expect(pick('110/90-19', [])).toMatchObject({
      verdict: 'stop',
      result: { bestId: null, fits: [], doubled: null },
    });
  });

  test('a tube for a wider tire folds; 3.00 in and 76 mm are the same tire', () => {
    expect(pick('95/90-19').result.fits.find((f) => f.id === 'covers')).toMatchObject({
      fit: 'near',
      reasons: [{ says: expect.stringMatching(/fold/) }],
    });
    expect(pick('3.00-21', [{ id: 'a', label: '2.75/3.00-21', count: 1 }]).result.bestId).toBe('a');
  });

  test('a measured tube that would stretch thin is refused, whatever its label says', () => {
    expect(one({ flatWidthMm: 60 })).toMatchObject({ fit: 'no', verdict: 'stop' });
    expect(one({ flatWidthMm: 104 })).toMatchObject({ fit: 'covers', verdict: 'good' });
  });

  test('valve against hole and wheel', () => {
    expect(one({ valve: 'rubber' }, { valveHoleMm: 8.5 })).toMatchObject({
      fit: 'no',
      verdict: 'stop',
    });
    expect(
      one({ valve: 'TR-4' }, { valveHoleMm: 11.5 })
        .reasons.map((r) => r.says)
        .join(),
    ).toMatch(/a bushing/);
    expect(
      one({ valve: 'angled' })
        .reasons.map((r) => r.says)
        .join(),
    ).toMatch(/small wheels/);
    expect(
      pick('3.50-10', [{ id: 'a', label: '3.50-10', count: 1, valve: 'TR-4' }])
        .result.fits[0]!.reasons.map((r) => r.says)
        .join(),
    ).toMatch(/room for the chuck/);
  });

  test('the wall by use: heavy in the dirt, standard on the road', () => {
    const both: TubeStock[] = [
      { id: 'standard', label: '110/90-19', count: 5, wall: 'standard' },
      { id: 'heavy', label: '110/90-19', count: 1, wall: 'heavy' },
    ];
    expect(pick('110/90-19', both, { use: 'dirt' }).result.bestId).toBe('heavy');
    expect(pick('110/90-19', both, { use: 'road' }).result.bestId).toBe('standard');
    expect(
      one({ wall: 'ultra' }, { use: 'road' })
        .reasons.map((r) => r.says)
        .join(),
    ).toMatch(/runs hot on the road/);
  });

  test('a sleeve is an option where tubes are pinched, and the old tube where it was looked at', () => {
    const { doubled, old } = pick('110/90-19', tubes, {
      use: 'trail',
      old: { holdsAir: true, chafed: false, valveSound: true, ageYears: 1, patches: 0 },
      rules: { 'tube.school': 'reuse' },
    }).result;
    expect(doubled!.addedMassG).toBeGreaterThan(300);
    expect(doubled!.limits.join()).toMatch(/nails/);
    expect(old).toMatchObject({ again: true });
    expect(pick('110/90-19', tubes, { use: 'road' }).result).toMatchObject({
      doubled: null,
      old: null,
    });
  });

  test('a bad label is named by its place', () => {
    expect(() => pick('110/90-19', [...tubes, { id: 'bad', label: 'torn off', count: 1 }])).toThrow(
      expect.objectContaining({ field: 'tubes[4].label' }),
    );
  });
});

describe('the old tube', () => {
  const sound = { holdsAir: true, chafed: false, valveSound: true, ageYears: 1, patches: 0 };

  test('two schools: a new one always, or the old one after a look', () => {
    expect(tubeReuse.run(sound)).toMatchObject({ verdict: 'check', result: { again: false } });
    expect(tubeReuse.run({ ...sound, rules: { 'tube.school': 'reuse' } })).toMatchObject({
      verdict: 'good',
      result: { again: true },
    });
  });

  test.each([
    { holdsAir: false },
    { chafed: true },
    { valveSound: false },
    { ageYears: 9 },
    { patches: 4 },
  ])('%j ends it, whatever the school', (more) => {
    const working = tubeReuse.run({ ...sound, ...more, rules: { 'tube.school': 'reuse' } });
    expect(working.verdict).toBe('stop');
    expect(working.result.again).toBe(false);
  });

  test('worn as a sleeve: its mass as weighed, or from its wall', () => {
    expect(
      tubeDouble.run({ tire: '110/100-18', wall: 'standard', massG: 830 }).result.addedMassG,
    ).toBe(830);
    const estimated = (wall: 'standard' | 'heavy') =>
      tubeDouble.run({ tire: '110/100-18', wall, flatWidthMm: 100 }).result.addedMassG;
    // 2 × 100 mm × π (457 + 55) mm × 1.5 mm × 0.00115 g/mm³
    expect(estimated('standard')).toBeCloseTo(2 * 100 * Math.PI * 512 * 1.5 * 0.00115, 6);
    expect(estimated('heavy') / estimated('standard')).toBeCloseTo(2, 9);
    expect(tubeDouble.run({ tire: '110/100-18', wall: 'heavy' }).result.limits.join()).toMatch(
      /nails/,
    );
  });
});
