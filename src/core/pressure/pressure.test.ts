import fc from 'fast-check';
import { InputError } from '../errors';
import { PSI_IN_KPA } from '../units';
import { pressureCorrect, pressureStart, seatLimit, USES, type Use } from '.';

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
      fc.property(fc.option(kpa, { nil: undefined }), fc.option(kpa, { nil: undefined }), kpa, (sidewallKpa, rimKpa, shopCeilingKpa) => {
        const { limitKpa } = seatLimit.run({
          shopCeilingKpa,
          ...(sidewallKpa !== undefined ? { sidewallKpa } : {}),
          ...(rimKpa !== undefined ? { rimKpa } : {}),
        }).result;
        for (const limit of [sidewallKpa, rimKpa, shopCeilingKpa]) if (limit !== undefined) expect(limitKpa).toBeLessThanOrEqual(limit);
      }),
    );
  });

  test('a shop ceiling above 50 psi is refused', () => {
    expect(() => seatLimit.run({ shopCeilingKpa: psi(51) })).toThrow(InputError);
  });

  test('the cautions are always there, and an unread sidewall is to be read', () => {
    const working = seatLimit.run({ shopCeilingKpa: psi(40) });
    expect(working.verdict).toBe('check');
    expect(working.cautions.join(' ')).toMatch(/Read the sidewall.*nobody over the wheel.*flammable/);
    expect(seatLimit.run({ sidewallKpa: psi(40), shopCeilingKpa: psi(40) }).cautions.join(' ')).toMatch(/local codes/);
  });
});

describe('the pressure to start from', () => {
  const start = (use: Use, more = {}) => pressureStart.run({ use, tire: '110/90-19', tube: true, rimLocks: 1, ...more });

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
    expect(working.basis[0]).toEqual({ kind: 'manual', says: 'the machine\u2019s placard' });
    expect(() => start('road')).toThrow(InputError);
  });

  test('a tube below the limit wants a rim lock', () => {
    expect(start('dirt', { rimLocks: 0 }).result.wantsRimLock).toBe(true);
    expect(start('dirt', { rimLocks: 0 }).verdict).toBe('check');
    expect(start('dirt').result.wantsRimLock).toBe(false);
    expect(start('dirt', { rimLocks: 0, tube: false }).result.wantsRimLock).toBe(false);
    expect(start('storage', { rimLocks: 0 }).result.wantsRimLock).toBe(false);
  });

  test('the shop\u2019s own rule is used and named as such', () => {
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
      fc.property(fc.integer({ min: 60, max: 350 }), temp, temp, fc.integer({ min: 0, max: 3000 }), (gaugeKpa, a, b, altitudeM) => {
        const there = pressureCorrect.run({ gaugeKpa, tempC: a, toTempC: b, altitudeM: 0, toAltitudeM: altitudeM }).result.gaugeKpa;
        const back = pressureCorrect.run({ gaugeKpa: there, tempC: b, toTempC: a, altitudeM, toAltitudeM: 0 }).result.gaugeKpa;
        expect(back).toBeCloseTo(gaugeKpa, 6);
      }),
    );
  });

  test('warmer and higher read more', () => {
    const at = (toTempC: number, toAltitudeM: number) => pressureCorrect.run({ gaugeKpa: 90, tempC: 20, toTempC, altitudeM: 0, toAltitudeM }).result.gaugeKpa;
    expect(at(30, 0)).toBeGreaterThan(at(20, 0));
    expect(at(20, 2000) - at(20, 0)).toBeCloseTo(101.325 - 79.495, 2);
  });

  test('a tire that would read below zero is refused', () => {
    expect(() => pressureCorrect.run({ gaugeKpa: 0, tempC: 40, toTempC: -20 })).toThrow(/below zero/);
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
      expect((error as InputError).expected).toMatch(/from/);
    }
    expect.assertions(2);
  });
});
