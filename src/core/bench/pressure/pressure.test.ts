import fc from 'fast-check';
import { InputError } from '../../base/errors';
import { PSI_IN_KPA } from '../../base/units';
import {
  gaugeError,
  pressureCorrect,
  pressureStart,
  readsOf,
  seatLimit,
  trueOf,
  twoGauges,
  USES,
  valveSet,
  type Use,
} from '.';

const psi = (v: number) => v * PSI_IN_KPA;

describe('the seating limit', () => {
  test.each([
    [{ sidewallKpa: psi(38), rimKpa: psi(60), shopCeilingKpa: psi(40) }, 38, 'sidewall'],
    [{ sidewallKpa: psi(50), rimKpa: psi(35), shopCeilingKpa: psi(40) }, 35, 'rim'],
    [{ sidewallKpa: psi(50), shopCeilingKpa: psi(40) }, 40, 'shop ceiling'],
    [{ shopCeilingKpa: psi(50) }, 50, 'shop ceiling'],
  ])('%j: the lowest binds', (input, limitPsi, binds) => {
    const { result } = seatLimit.run(input);
    expect(result.limitKpa / PSI_IN_KPA).toBeCloseTo(limitPsi, 6);
    expect(result.binds).toBe(binds);
  });

  test('it is never above any limit that is known', () => {
    const kpa = fc.integer({ min: 20, max: 344 });
    fc.assert(
      fc.property(
        fc.option(kpa, { nil: undefined }),
        fc.option(kpa, { nil: undefined }),
        kpa,
        (sidewallKpa, rimKpa, shopCeilingKpa) => {
          const { limitKpa } = seatLimit.run({
            shopCeilingKpa,
            ...(sidewallKpa !== undefined ? { sidewallKpa } : {}),
            ...(rimKpa !== undefined ? { rimKpa } : {}),
          }).result;
          for (const limit of [sidewallKpa, rimKpa, shopCeilingKpa])
            if (limit !== undefined) expect(limitKpa).toBeLessThanOrEqual(limit);
        },
      ),
    );
  });

  /** Common practice: the other school, up to 50 psi by a named person with a reason. */
  test('a raised ceiling counts instead of the shop’s, and never against sidewall or rim', () => {
    const raised = { ceilingKpa: psi(50), by: 'Ada Marl', why: 'stiff bead' };
    expect(seatLimit.run({ shopCeilingKpa: psi(40), raised }).result).toEqual({
      limitKpa: psi(50),
      binds: 'raised ceiling',
    });
    expect(
      seatLimit.run({ shopCeilingKpa: psi(40), raised, sidewallKpa: psi(36) }).result.binds,
    ).toBe('sidewall');
    expect(
      seatLimit
        .run({ shopCeilingKpa: psi(40), raised })
        .lines.some((l) => l.formula === 'by Ada Marl: stiff bead'),
    ).toBe(true);
    for (const wrong of [
      { ...raised, ceilingKpa: psi(51) },
      { ...raised, why: ' ' },
      { ceilingKpa: psi(45), why: 'x' } as typeof raised,
    ])
      expect(() => seatLimit.run({ shopCeilingKpa: psi(40), raised: wrong })).toThrow(InputError);
  });

  /** Common practice: 12 psi lets a beadlock's bead center. */
  test('a beadlock and a low-pressure tire go by their own limit, which is never raised', () => {
    const raised = { ceilingKpa: psi(50), by: 'Ada Marl', why: 'stiff bead' };
    const own = (it: 'beadlock' | 'low-pressure tire', more = {}) =>
      seatLimit.run({ shopCeilingKpa: psi(40), own: it, raised, ...more }).result;
    expect(own('beadlock').limitKpa / PSI_IN_KPA).toBeCloseTo(12, 2);
    expect(own('low-pressure tire')).toMatchObject({ binds: 'low-pressure tire' });
    expect(own('low-pressure tire').limitKpa).toBeLessThan(psi(40));
    expect(own('beadlock', { sidewallKpa: psi(10) }).binds).toBe('sidewall');
  });

  test('a shop ceiling above 50 psi is refused', () => {
    expect(() => seatLimit.run({ shopCeilingKpa: psi(51) })).toThrow(InputError);
  });

  test('the cautions are always there, and an unread sidewall is to be read', () => {
    const working = seatLimit.run({ shopCeilingKpa: psi(40) });
    expect(working.verdict).toBe('check');
    expect(working.cautions.join(' ')).toMatch(
      /Read the sidewall.*nobody over the wheel.*flammable/,
    );
    expect(
      seatLimit.run({ sidewallKpa: psi(40), shopCeilingKpa: psi(40) }).cautions.join(' '),
    ).toMatch(/local codes/);
  });
});

describe('the pressure to start from', () => {
  const start = (use: Use, more = {}) =>
    pressureStart.run({ use, tire: '110/90-19', tube: true, rimLocks: 1, ...more });

  /** Common practice. */
  test.each([
    ['motocross', 12.5, 11.5, 15],
    ['dirt', 13, 13, 13],
    ['trail', 8.5, 8, 9],
    ['storage', 15.5, 15, 16],
    ['scooter-front', 27.5, 25, 30],
  ] as const)('%s starts at %d psi, %d to %d', (use, at, low, high) => {
    const { result } = start(use);
    expect(result.pressureKpa / PSI_IN_KPA).toBeCloseTo(at, 2);
    expect(result.lowKpa / PSI_IN_KPA).toBeCloseTo(low, 2);
    expect(result.highKpa / PSI_IN_KPA).toBeCloseTo(high, 2);
  });

  test('on the road the placard decides, and without one nothing is made up', () => {
    const working = start('road', { placardKpa: psi(36) });
    expect(working.result.pressureKpa).toBeCloseTo(psi(36), 9);
    expect(working.basis[0]).toEqual({ kind: 'manual', says: 'the machine’s placard' });
    expect(() => start('road')).toThrow(InputError);
  });

  test('a tube below the limit wants a rim lock', () => {
    expect(start('dirt', { rimLocks: 0 }).result.wantsRimLock).toBe(true);
    expect(start('dirt', { rimLocks: 0 }).verdict).toBe('check');
    expect(start('dirt').result.wantsRimLock).toBe(false);
    expect(start('dirt', { rimLocks: 0, tube: false }).result.wantsRimLock).toBe(false);
    expect(start('storage', { rimLocks: 0 }).result.wantsRimLock).toBe(false);
  });

  test('ground, rider, passenger and sleeve move it by the shop’s rules, within the range that practice knows', () => {
    const at = (more = {}, use: Use = 'dirt') => start(use, more).result.pressureKpa / PSI_IN_KPA;
    expect(at({ ground: 'soft' })).toBeCloseTo(12, 2);
    expect(at({ ground: 'rock', riderKg: 105 })).toBeCloseTo(13 + 1 + (20 * 0.35) / PSI_IN_KPA, 2);
    expect(at({ doubled: true, twoUp: true })).toBeCloseTo(14, 2);
    expect(at({ riderKg: 200 }, 'motocross')).toBeCloseTo(15, 2);
    expect(at({ riderKg: 40 }, 'trail')).toBeCloseTo(8, 2);
    expect(at({ riderKg: 200, ground: 'rock' }, 'storage')).toBeCloseTo(15.5, 2);
  });

  test('what tube and lock cannot stand is refused, and never started from', () => {
    const says = (more: object) => {
      const { result, verdict } = start('dirt', more);
      return [verdict, result.reasons[0]?.says ?? '', Math.round(result.pressureKpa / PSI_IN_KPA)];
    };
    expect(says({ rimLocks: 0, askedKpa: psi(10) })).toEqual([
      'stop',
      '10.0 psi is too low: there is no rim lock, the tire creeps and tears the valve. Use at least 15.0 psi.',
      15,
    ]);
    expect(says({ askedKpa: psi(6) })).toEqual([
      'stop',
      '6.0 psi is too low: the tube is pinched. Use at least 8.0 psi.',
      13,
    ]);
    expect(says({ askedKpa: psi(6.5), doubled: true })[0]).toBe('good');
    expect(says({ tube: false, rimLocks: 0, askedKpa: psi(6) })[0]).toBe('good');
    expect(says({ askedKpa: psi(13) })[0]).toBe('good');
    expect(start('trail', { softTread: false }).result.reasons[0]!.says).toMatch(/soft or trials/);
  });

  test('more than practice runs is looked at, more than beads are seated with is refused', () => {
    const said = (askedKpa: number, use: Use = 'dirt', more = {}) => {
      const { result, verdict } = start(use, { askedKpa, ...more });
      return [verdict, result.reasons.map((r) => r.says).join()];
    };
    expect(said(psi(20))).toEqual([
      'check',
      '20.0 psi is above common practice for this: 13.0 psi.',
    ]);
    expect(said(psi(14), 'motocross')[0]).toBe('good');
    expect(said(psi(15.2), 'motocross')[0]).toBe('check');
    expect(said(psi(51))[0]).toBe('stop');
    expect(said(900)[1]).toMatch(/^130.5 psi is too high: above 50.0 psi/);
    expect(said(900, 'road', { placardKpa: 250 })[0]).toBe('stop');
    expect(said(270, 'road', { placardKpa: 250 })).toEqual([
      'check',
      '39.2 psi is over the placard’s 36.3 psi: the manual decides.',
    ]);
    expect(said(252, 'road', { placardKpa: 250 })).toEqual(['good', '']);
    expect(said(240, 'road', { placardKpa: 250 })[1]).toBe(
      '34.8 psi is under the placard’s 36.3 psi: the manual decides.',
    );
    // A heavy machine's placard may be above the seating ceiling: then only what is over the
    // placard counts.
    expect(said(400, 'road', { placardKpa: 400 })[0]).toBe('good');
    expect(said(450, 'road', { placardKpa: 400 })[0]).toBe('stop');
  });

  test('a road radial is not run at a pressure for the trail', () => {
    const on = (tire: string, use: Use, softTread?: boolean) =>
      start(use, { tire, ...(softTread === undefined ? {} : { softTread }) }).verdict;
    for (const use of ['trail', 'dirt', 'motocross'] as const) {
      expect(on('180/55ZR17', use, false)).toBe('stop');
      expect(on('180/55ZR17', use)).toBe('check');
      expect(on('4.00R18', use, true)).toBe('good');
    }
    expect(on('180/55ZR17', 'storage', false)).toBe('good');
    expect(on('4.00-18', 'trail')).toBe('check');
    expect(on('4.00-18', 'trail', true)).toBe('good');
    expect(on('4.00-18', 'dirt', false)).toBe('good');
  });

  test('a doubled tube without a tube is refused', () => {
    expect(() => start('dirt', { tube: false, rimLocks: 0, doubled: true })).toThrow(
      'A doubled tube without a tube.',
    );
    expect(start('dirt', { tube: false, rimLocks: 0, doubled: false }).verdict).toBe('good');
  });

  test('on four wheels and two up on the road the manual decides', () => {
    expect(() => start('dirt', { kind: 'quad' })).toThrow(/four wheels/);
    expect(start('dirt', { kind: 'quad', placardKpa: psi(5) }).result.pressureKpa).toBe(psi(5));
    expect(start('road', { placardKpa: psi(36), twoUp: true }).result.reasons[0]!.says).toMatch(
      /second value/,
    );
    expect(start('road', { placardKpa: psi(36), askedKpa: psi(30) }).verdict).toBe('check');
  });

  test('the shop’s own rule is used and named as such', () => {
    const working = start('dirt', { rules: { 'pressure.dirtKpa': 100 } });
    expect(working.result.pressureKpa).toBe(100);
    expect(working.basis.some((b) => b.kind === 'shop rule')).toBe(true);
  });

  test('the start lies within its own range for every use', () => {
    for (const use of USES) {
      const { pressureKpa, lowKpa, highKpa } = start(use, { placardKpa: 250 }).result;
      expect(pressureKpa).toBeGreaterThanOrEqual(lowKpa);
      expect(pressureKpa).toBeLessThanOrEqual(highKpa);
    }
  });
});

describe('temperature and altitude', () => {
  const temp = fc.integer({ min: -30, max: 50 });

  test('there and back is where it was', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 60, max: 350 }),
        temp,
        temp,
        fc.integer({ min: 0, max: 3000 }),
        (gaugeKpa, a, b, altitudeM) => {
          const there = pressureCorrect.run({
            gaugeKpa,
            tempC: a,
            toTempC: b,
            altitudeM: 0,
            toAltitudeM: altitudeM,
          }).result.gaugeKpa;
          const back = pressureCorrect.run({
            gaugeKpa: there,
            tempC: b,
            toTempC: a,
            altitudeM,
            toAltitudeM: 0,
          }).result.gaugeKpa;
          expect(back).toBeCloseTo(gaugeKpa, 6);
        },
      ),
    );
  });

  test('warmer and higher read more', () => {
    const at = (toTempC: number, toAltitudeM: number) =>
      pressureCorrect.run({ gaugeKpa: 90, tempC: 20, toTempC, altitudeM: 0, toAltitudeM }).result
        .gaugeKpa;
    expect(at(30, 0)).toBeGreaterThan(at(20, 0));
    expect(at(20, 2000) - at(20, 0)).toBeCloseTo(101.325 - 79.495, 2);
  });

  test('a tire that would read below zero is refused', () => {
    expect(() => pressureCorrect.run({ gaugeKpa: 0, tempC: 40, toTempC: -20 })).toThrow(
      /below zero/,
    );
  });

  test.each([
    [{ gaugeKpa: -1, tempC: 20, toTempC: 20 }, 'gaugeKpa'],
    [{ gaugeKpa: 90, tempC: 20, toTempC: 400 }, 'toTempC'],
    [{ gaugeKpa: 90, tempC: 20 }, 'toTempC'],
    [{ gaugeKpa: 90, tempC: 20, toTempC: 20, altitudeM: 1e9 }, 'altitudeM'],
  ])('%j names %s', (input, field) => {
    try {
      pressureCorrect.run(input as never);
    } catch (error) {
      expect((error as InputError).field).toBe(field);
      expect((error as InputError).expected).toMatch(/^Enter .* to /);
    }
    expect.assertions(2);
  });
});

describe('the error of a gauge', () => {
  const checks = [
    { appliedKpa: 70, readsKpa: 72 },
    { appliedKpa: 280, readsKpa: 281 },
    { appliedKpa: 140, readsKpa: 143 },
  ];

  test.each([
    [72, 70],
    [107.5, 105],
    [143, 140],
    [300, 299],
    [50, 48],
    [0, 0],
  ])('reading %d it is %d', (reads, applied) => {
    expect(trueOf(checks, reads)).toBeCloseTo(applied, 9);
    if (applied > 0) expect(readsOf(checks, applied)).toBeCloseTo(reads, 9);
  });

  test('there and back is where it was, for every gauge that rises', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(fc.integer({ min: 10, max: 400 }), { minLength: 1, maxLength: 8 }),
        fc.integer({ min: -8, max: 8 }),
        fc.integer({ min: 20, max: 450 }),
        (applied, off, kpa) => {
          const table = applied.map((appliedKpa) => ({
            appliedKpa,
            readsKpa: appliedKpa * 1.01 + off,
          }));
          expect(trueOf(table, readsOf(table, kpa))).toBeCloseTo(kpa, 6);
        },
      ),
    ));

  test('outside its checks it is to be looked at; without one, or backwards, refused', () => {
    expect(gaugeError.run({ readsKpa: 400, checks }).verdict).toBe('check');
    expect(gaugeError.run({ readsKpa: 100, checks }).verdict).toBe('good');
    expect(() => gaugeError.run({ readsKpa: 100, checks: [] })).toThrow(/no calibration/);
    expect(() =>
      gaugeError.run({
        readsKpa: 100,
        checks: [
          { appliedKpa: 70, readsKpa: 72 },
          { appliedKpa: 140, readsKpa: 60 },
        ],
      }),
    ).toThrow(/cannot read/);
  });

  test('it is taken out of a reading here and put into the one there', () => {
    const same = pressureCorrect.run({
      gaugeKpa: 143,
      tempC: 20,
      toTempC: 20,
      gauge: checks,
      toGauge: checks,
    }).result;
    expect([same.trueKpa, same.gaugeKpa]).toEqual([expect.closeTo(140, 9), expect.closeTo(143, 9)]);
  });

  test('two gauges agree within their steps, once their errors are out', () => {
    const both = (readsKpa: number, own = checks) =>
      twoGauges.run({
        first: { readsKpa: 143, stepKpa: 1, checks: own },
        second: { readsKpa, stepKpa: 2, checks: [] },
      }).result;
    expect(both(141).agree).toBe(true);
    expect(both(144)).toMatchObject({ agree: false, differenceKpa: expect.closeTo(-4, 9) });
    expect(both(144, []).agree).toBe(true);
  });
});

describe('valve nut and rim lock', () => {
  const left = (more = {}, school = 'against the cap') =>
    valveSet.run({
      tube: true,
      sleeve: false,
      rimLocks: 1,
      creeps: true,
      rules: { 'valveNut.school': school },
      ...more,
    });

  /** Common practice. */
  test.each([
    ['finger-tight', {}, /finger-tight to the rim/, 'good'],
    ['against the cap', {}, /backed off against the cap/, 'good'],
    ['tightened', {}, /tightened/, 'check'],
    ['tightened', { creeps: false }, /tightened/, 'good'],
    ['tightened', { sleeve: true }, /takes none/, 'good'],
  ])('school %s, %j', (school, more, nut, verdict) => {
    const working = left(more, school);
    expect(working.result.nut).toMatch(nut);
    expect(working.verdict).toBe(verdict);
  });

  test('a lock is snug, without a figure; a tubeless wheel without one has nothing to tighten', () => {
    expect(left({ rimLocks: 2 }).result.lock).toBe('Rim locks snug, not tight.');
    expect(JSON.stringify(left())).not.toMatch(/N·m|"Nm"/);
    expect(left({ tube: false, rimLocks: 0 }).result).toEqual({ nut: null, lock: null });
  });
});

test('two unchecked gauges, or gauges whose steps are coarse, are not called good', () => {
  const checks = [{ appliedKpa: 100, readsKpa: 101 }];
  const run = (stepKpa: number, own: typeof checks = [], others: typeof checks = []) =>
    twoGauges.run({
      first: { readsKpa: 140, stepKpa, checks: own },
      second: { readsKpa: 140.5, stepKpa, checks: others },
    });
  expect(run(1)).toMatchObject({ verdict: 'check', result: { agree: true } });
  expect(run(1).result.reason.says).toMatch(/neither was checked/);
  expect(run(1, checks, checks).verdict).toBe('good');
  expect(run(20, checks, checks)).toMatchObject({ verdict: 'check' });
  expect(run(20, checks, checks).result.reason.says).toMatch(/too coarse to tell/);
});
