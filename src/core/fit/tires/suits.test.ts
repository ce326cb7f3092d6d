import { InputError } from '../../base/errors';
import { findRule, rimWidthRuleKeys, RIM_WIDTH_SECTIONS_MM } from '../../base/rules';
import { directionFit, loadSpeedFit, rimWidthFit, treadWear } from '.';

const EXACT = { riderKg: 0, passengerKg: 0, luggageKg: 0 };

describe('a rim’s width', () => {
  const fit = (marking: string, rimWidthIn: number, wheels: 'two' | 'four' = 'two', rules = {}) =>
    rimWidthFit.run({ marking, rimWidthIn, wheels, rules });

  test.each([
    ['110/90-19', 2.15, 'good'],
    ['110/90-19', 1.6, 'check'],
    ['110/90-19', 1.4, 'stop'],
    ['110/90-19', 3.25, 'check'],
    ['110/90-19', 3.5, 'stop'],
    ['180/55ZR17', 5.5, 'good'],
    ['180/55ZR17', 3.5, 'stop'],
    ['3.50-10', 2.1, 'good'],
  ] as const)('%s on %d is %s', (marking, rimWidthIn, verdict) => {
    expect(fit(marking, rimWidthIn).verdict).toBe(verdict);
  });

  test('a wider tire never goes on a narrower rim, nor is its widest one narrower', () => {
    const rows = RIM_WIDTH_SECTIONS_MM.map((mm) => {
      const keys = rimWidthRuleKeys(mm);
      return { mm, low: Number(findRule(keys.low).value), high: Number(findRule(keys.high).value) };
    });
    expect(rows.length).toBeGreaterThan(10);
    rows.slice(1).forEach((row, i) => {
      expect(row.mm).toBeGreaterThan(rows[i]!.mm);
      expect(row.low).toBeGreaterThanOrEqual(rows[i]!.low);
      expect(row.high).toBeGreaterThanOrEqual(rows[i]!.high);
    });
    for (const row of rows) expect(row.high).toBeGreaterThan(row.low);
  });

  test('the shop’s own table wins, and four wheels have their own', () => {
    expect(fit('110/90-19', 3.5, 'two', { 'rimWidth.s110HighIn': 3.5 }).verdict).toBe('good');
    expect(fit('205/80R12', 6, 'two').verdict).toBe('good');
    expect(fit('165/70-10', 5.5, 'two').verdict).toBe('stop');
    const four = fit('165/70-10', 5.5, 'four');
    expect(four.verdict).toBe('good');
    expect(four.result.highIn).toBeCloseTo((165 * 0.95) / 25.4, 6);
  });
});

describe('load and speed', () => {
  test('index and symbol against the machine’s minimum', () => {
    const run = (marking: string) =>
      loadSpeedFit.run({ marking, end: 'rear', minLoadIndex: 65, minSpeedSymbol: 'H' });
    expect(run('150/70R18 70H').verdict).toBe('good');
    expect(run('150/70R18 64H').result.reasons[0]).toMatchObject({
      verdict: 'stop',
      says: 'Load index 64 (280 kg) is below the required 65 (290 kg).',
    });
    expect(run('150/70R18 70S').result.reasons[1]).toMatchObject({ verdict: 'stop' });
    expect(run('150/70R18').verdict).toBe('check');
  });

  test('a load sheet by hand: 110 + 95 · 0.6 + 80 · 0.85 + 30 · 0.8 = 259 kg of 335', () => {
    const { result, verdict } = loadSpeedFit.run({
      marking: '150/70R18 70H',
      end: 'rear',
      sheet: { emptyFrontKg: 105, emptyRearKg: 110, riderKg: 95, passengerKg: 80, luggageKg: 30 },
    });
    expect(result.loadKg).toBeCloseTo(259, 9);
    expect(result.marginPct).toBeCloseTo((1 - 259 / 335) * 100, 9);
    expect(verdict).toBe('good');
  });

  test('what is on the front and on the rear is all there is', () => {
    const sheet = {
      emptyFrontKg: 100,
      emptyRearKg: 120,
      riderKg: 90,
      passengerKg: 70,
      luggageKg: 25,
    };
    const on = (end: 'front' | 'rear') =>
      loadSpeedFit.run({ marking: '150/70R18 70H', end, sheet }).result.loadKg!;
    expect(on('front') + on('rear')).toBeCloseTo(100 + 120 + 90 + 70 + 25, 9);
  });

  test.each([
    [280, 'check'],
    [320, 'check'],
    [336, 'stop'],
    [200, 'good'],
  ] as const)('%d kg on a tire for 300 is judged with its margin', (emptyRearKg, verdict) => {
    const marking = emptyRearKg === 320 || emptyRearKg === 336 ? '150/70R18 70H' : '150/70R18 66H';
    expect(
      loadSpeedFit.run({ marking, end: 'rear', sheet: { emptyFrontKg: 0, emptyRearKg, ...EXACT } })
        .verdict,
    ).toBe(verdict);
  });

  test('two tires share an end; nothing to judge by is refused', () => {
    expect(
      loadSpeedFit.run({
        marking: '205/80R12 49F',
        end: 'rear',
        tiresOnEnd: 2,
        sheet: { emptyFrontKg: 0, emptyRearKg: 300, ...EXACT },
      }).result.loadKg,
    ).toBe(150);
    expect(() => loadSpeedFit.run({ marking: '150/70R18 70H', end: 'rear' })).toThrow(InputError);
  });
});

describe('direction', () => {
  const run = (more: object) =>
    directionFit.run({
      arrows: 'one',
      markedFor: 'either',
      end: 'rear',
      ground: 'road',
      discSide: 'right',
      ...more,
    });

  test.each([
    [{}, 'the only one', 'clockwise', 'good'],
    [{ discSide: 'left' }, 'the only one', 'counterclockwise', 'good'],
    [{ arrows: 'two' }, 'the road one', 'clockwise', 'good'],
    [{ arrows: 'two', ground: 'dirt' }, 'the dirt one', 'clockwise', 'good'],
    [{ arrows: 'none' }, 'none', 'clockwise', 'good'],
    [{ markedFor: 'front' }, 'the only one', 'clockwise', 'check'],
    [{ markedFor: 'rear' }, 'the only one', 'clockwise', 'good'],
  ] as const)('%j: %s, %s', (more, arrow, turns, verdict) => {
    const working = run(more);
    expect(working.result).toMatchObject({ arrow, turns });
    expect(working.verdict).toBe(verdict);
  });
});

describe('wear of the tread', () => {
  const run = (readings: object[], rules = {}) =>
    treadWear.run({ readings: readings as never, rules });

  test('readings on a line give its slope, and the distance left by hand: (5 − 1.6) / 1 mm in 1000 km', () => {
    const { result } = run([
      { km: 0, depthMm: 8 },
      { km: 1000, depthMm: 7 },
      { km: 2000, depthMm: 6 },
      { km: 3000, depthMm: 5 },
    ]);
    expect(result.rateMmPer1000Km).toBeCloseTo(1, 9);
    expect(result.kmLeft).toBeCloseTo(3400, 6);
    expect(result.kmLeftLow).toBeCloseTo(3400, 6);
  });

  test('scatter gives an interval with the rate inside', () => {
    const { result } = run([
      { km: 0, depthMm: 8.1 },
      { km: 1000, depthMm: 6.9 },
      { km: 2000, depthMm: 6.2 },
      { km: 3000, depthMm: 4.9 },
    ]);
    expect(result.rateLowMmPer1000Km!).toBeLessThan(result.rateMmPer1000Km!);
    expect(result.rateHighMmPer1000Km!).toBeGreaterThan(result.rateMmPer1000Km!);
    expect(result.kmLeftLow!).toBeLessThan(result.kmLeft!);
    expect(result.kmLeftHigh!).toBeGreaterThan(result.kmLeft!);
  });

  test('one reading cannot tell, two have no interval', () => {
    expect(run([{ km: 0, depthMm: 8 }]).result).toMatchObject({
      rateMmPer1000Km: null,
      kmLeft: null,
      reason: { verdict: 'check' },
    });
    expect(
      run([
        { km: 0, depthMm: 8 },
        { km: 1000, depthMm: 7.5 },
      ]).result,
    ).toMatchObject({ rateLowMmPer1000Km: null, kmLeftLow: null });
  });

  test('good only where the data can know: two readings, no sure wear and little left are looked at', () => {
    const two = run([
      { km: 0, depthMm: 8 },
      { km: 1000, depthMm: 7 },
    ]);
    expect([two.verdict, two.result.reason.says]).toEqual([
      'check',
      'About 5400 km left, from only two readings. Measure again later.',
    ]);
    expect(two.result.kmLeft).toBeCloseTo(5400, 6);
    // It loses 0.1 mm in 1000 km, give or take more than that: perhaps nothing.
    const unsure = run([
      { km: 0, depthMm: 8 },
      { km: 1000, depthMm: 8.2 },
      { km: 2000, depthMm: 7.8 },
    ]);
    expect(unsure.verdict).toBe('check');
    expect(unsure.result).toMatchObject({ kmLeft: null, kmLeftHigh: null, doneOn: null });
    expect(unsure.result.rateLowMmPer1000Km!).toBeLessThan(0);
    expect(unsure.result.kmLeftLow).toBeCloseTo(
      ((7.8 - 1.6) / unsure.result.rateHighMmPer1000Km!) * 1000,
      6,
    );
    expect(unsure.result.reason.says).toMatch(
      /^At least \d+ km left. These depths show almost no wear/,
    );
    // A line so flat that it leads round the world.
    const flat = [0, 1000, 2000, 3000].map((km) => ({ km, depthMm: 8 - km * 4e-9 }));
    for (const readings of [flat, [flat[0]!, flat[3]!]]) {
      expect(run(readings).result.reason.says).toMatch(/hardly change/);
      expect(run(readings).verdict).toBe('check');
    }
  });

  test.each([
    [1.607, 'check', /^Only about 10 km left/],
    [1.89, 'check', /^Only about 290 km left/],
    [1.91, 'good', /^About 310 km left/],
  ])('%d mm at a millimetre in 1000 km is %s', (nowMm, verdict, says) => {
    const working = run(
      [3000, 2000, 1000, 0].map((before) => ({
        km: 3000 - before,
        depthMm: nowMm + before / 1000,
      })),
    );
    expect(working.verdict).toBe(verdict);
    expect(working.result.reason.says).toMatch(says);
  });

  test('the day follows from the pace', () => {
    const { result } = run(
      [
        { km: 0, depthMm: 8, onDate: '2026-01-01' },
        { km: 1000, depthMm: 7, onDate: '2026-01-11' },
      ],
      { 'tread.minimumMm': 2 },
    );
    expect(result.kmLeft).toBeCloseTo(5000, 6);
    expect(result.doneOn).toBe('2026-03-02');
  });

  test('at the minimum it is done; depths that do not fall are measured again', () => {
    expect(
      run([
        { km: 0, depthMm: 8 },
        { km: 9000, depthMm: 1.6 },
      ]),
    ).toMatchObject({ verdict: 'stop', result: { kmLeft: 0 } });
    expect(
      run([
        { km: 0, depthMm: 6 },
        { km: 900, depthMm: 6.2 },
      ]).verdict,
    ).toBe('check');
  });

  test.each([
    [[]],
    [
      [
        { km: 100, depthMm: 5 },
        { km: 100, depthMm: 4 },
      ],
    ],
    [
      [
        { km: 0, depthMm: 8, onDate: '2026-05-01' },
        { km: 500, depthMm: 7, onDate: '2026-04-01' },
      ],
    ],
  ])('%j is refused', (readings) => {
    expect(() => run(readings)).toThrow(InputError);
  });

  /**
   * Seeded scatter of a tenth of a millimetre: the true rate lies in a 90% interval about nine
   * times in ten.
   */
  test('the interval holds the true rate as often as it says', () => {
    let seed = 11;
    const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
    const normal = () => Math.sqrt(-2 * Math.log(random())) * Math.cos(2 * Math.PI * random());
    let held = 0;
    const TRIALS = 600;
    for (let t = 0; t < TRIALS; t++) {
      const readings = [0, 800, 1700, 2500, 3600].map((km) => ({
        km,
        depthMm: 8 - km * 0.0009 + normal() * 0.1,
      }));
      const { rateLowMmPer1000Km, rateHighMmPer1000Km } = run(readings).result;
      if (rateLowMmPer1000Km! <= 0.9 && rateHighMmPer1000Km! >= 0.9) held++;
    }
    expect(held / TRIALS).toBeGreaterThan(0.86);
    expect(held / TRIALS).toBeLessThan(0.94);
  });
});
