import fc from 'fast-check';
import { readyToLeave, recalibration, SAFETY_POINTS, sensorGap, type LeaveFacts } from '.';
import { howMany } from '../../../../tests/case-count';
import { problemOf } from '../../../../tests/sample';

const PROVED: LeaveFacts = {
  seatedDisc: true,
  seatedOther: true,
  seatPeakKpa: 200,
  seatLimitKpa: 270,
  setKpa: 90,
  ringBolts: { done: 32, all: 32 },
  fasteners: [{ name: 'rear axle nut', torqueNm: 100, how: 'torqued', reachedNm: 101 }],
  pinDone: true,
  axleSeen: true,
  brake: { firm: true, spin: 'free' },
  arrowSeen: true,
  capOn: true,
  ride: 'ridden',
};
const of = (facts: Partial<LeaveFacts>) => readyToLeave.run({ ...PROVED, ...facts });
const missing = (facts: Partial<LeaveFacts>) =>
  of(facts).result.missing.map((p) => [p.point, p.stands]);

describe('ready-to-leave', () => {
  test('everything proved is good and names every point', () => {
    const { result, verdict } = of({});
    expect(verdict).toBe('good');
    expect(result.points.map((p) => p.point)).toEqual([...SAFETY_POINTS]);
  });

  test.each<[Partial<LeaveFacts>, string, string]>([
    [{ seatedDisc: null }, 'seated', 'open'],
    [{ seatedOther: null }, 'seated', 'open'],
    [{ seatedOther: false }, 'seated', 'failed'],
    [{ seatedDisc: false }, 'seated', 'failed'],
    [{ seatPeakKpa: null }, 'limit', 'open'],
    [{ seatPeakKpa: 270.1 }, 'limit', 'failed'],
    [{ setKpa: null }, 'pressure', 'open'],
    [{ setKpa: 0 }, 'pressure', 'open'],
    [{ ringBolts: { done: 31, all: 32 } }, 'clamped', 'open'],
    [{ ringBolts: { done: 0, all: 0 } }, 'clamped', 'open'],
    [{ fasteners: [] }, 'torque', 'open'],
    [
      { fasteners: [{ name: 'rear axle nut', torqueNm: 100, how: 'snug', reachedNm: null }] },
      'torque',
      'open',
    ],
    [
      { fasteners: [{ name: 'rear axle nut', torqueNm: 100, how: 'guess', reachedNm: null }] },
      'torque',
      'open',
    ],
    [
      { fasteners: [{ name: 'rear axle nut', torqueNm: 100, how: null, reachedNm: null }] },
      'torque',
      'open',
    ],
    [
      { fasteners: [{ name: 'rear axle nut', torqueNm: null, how: 'snug', reachedNm: null }] },
      'torque',
      'open',
    ],
    [
      { fasteners: [{ name: 'rear axle nut', torqueNm: 100, how: 'torqued', reachedNm: 95.9 }] },
      'torque',
      'failed',
    ],
    [
      { fasteners: [{ name: 'rim lock nut', torqueNm: null, how: 'snug', reachedNm: null }] },
      'torque',
      'open',
    ],
    [{ pinDone: false }, 'pin', 'open'],
    [{ axleSeen: false }, 'axle', 'open'],
    [{ brake: { firm: null, spin: 'free' } }, 'brake', 'open'],
    [{ brake: { firm: false, spin: 'free' } }, 'brake', 'failed'],
    [{ brake: { firm: true, spin: 'stuck' } }, 'brake', 'failed'],
    [{ arrowSeen: false }, 'arrow', 'open'],
    [{ capOn: false }, 'cap', 'open'],
    [{ ride: 'none' }, 'ride', 'open'],
    [{ ride: 'not good' }, 'ride', 'failed'],
  ])('%j is missing at %s: %s', (facts, point, stands) => {
    expect(missing(facts)).toEqual([[point, stands]]);
    expect(of(facts).verdict).toBe('stop');
  });

  test('the limit itself is not above it; what has no figure may be snug beside what is torqued; a refusal counts', () => {
    expect(missing({ seatPeakKpa: 270 })).toEqual([]);
    const lock = { name: 'rim lock nut', torqueNm: null, how: 'snug' as const, reachedNm: null };
    expect(missing({ fasteners: [...PROVED.fasteners!, lock] })).toEqual([]);
    const small = {
      name: 'chain adjuster locknuts',
      torqueNm: 19,
      how: 'guess' as const,
      reachedNm: null,
    };
    expect(missing({ fasteners: [...PROVED.fasteners!, small] })).toEqual([]);
    // One that no name tells is not known to be small.
    expect(missing({ fasteners: [...PROVED.fasteners!, { ...small, name: 'big bolt' }] })).toEqual([
      ['torque', 'open'],
    ]);
    expect(missing({ ride: 'refused' })).toEqual([]);
    const declined = of({ ride: 'refused' });
    const ridden = of({ ride: 'ridden' }).result;
    const n = ridden.points.length;
    expect(ridden.onRecord).toBe(`${n} of ${n} on record`);
    expect(declined.result.onRecord).toBe(`${n - 1} of ${n - 1} on record, test ride declined`);
    expect(declined.verdict).toBe('check');
  });

  test('what a wheel does not have is not asked for', () => {
    const none = {
      ringBolts: null,
      fasteners: null,
      pinDone: null,
      axleSeen: null,
      brake: null,
      arrowSeen: null,
      ride: null,
    };
    expect(of(none).result.points.map((p) => p.point)).toEqual([
      'seated',
      'limit',
      'pressure',
      'cap',
    ]);
  });

  const maybe = fc.constantFrom(true, false, null);
  const facts: fc.Arbitrary<LeaveFacts> = fc.record({
    seatedDisc: maybe,
    seatedOther: maybe,
    seatPeakKpa: fc.constantFrom(null, 0, 200, 269, 271),
    seatLimitKpa: fc.constant(270),
    setKpa: fc.constantFrom(null, 0, 90),
    ringBolts: fc.constantFrom(null, { done: 3, all: 4 }, { done: 4, all: 4 }),
    fasteners: fc.array(
      fc.record({
        name: fc.constantFrom('rear axle nut', 'pinch bolts', 'caliper bolts', 'rim lock nut'),
        torqueNm: fc.constantFrom(null, 30),
        how: fc.constantFrom(null, 'torqued' as const, 'snug' as const, 'guess' as const),
        reachedNm: fc.constantFrom(null, 30, 20),
      }),
      { maxLength: 4 },
    ),
    pinDone: maybe,
    axleSeen: maybe,
    brake: fc.record({
      firm: maybe,
      spin: fc.constantFrom(null, 'free' as const, 'stuck' as const),
    }),
    arrowSeen: maybe,
    capOn: fc.boolean(),
    ride: fc.constantFrom(
      'ridden' as const,
      'refused' as const,
      'none' as const,
      'not good' as const,
      null,
    ),
  });
  test('no log without a proved brake, pressure and torque ever yields “nothing missing”', () => {
    fc.assert(
      fc.property(facts, (it) => {
        const { result, verdict } = readyToLeave.run(it);
        const isNothingMissing = result.missing.length === 0;
        expect(verdict === 'good').toBe(isNothingMissing && it.ride !== 'refused');
        if (!isNothingMissing) return;
        expect(it.brake!.firm).toBe(true);
        expect(it.setKpa).toBeGreaterThan(0);
        expect(it.seatPeakKpa).toBeLessThanOrEqual(270);
        expect(it.seatedDisc && it.seatedOther && it.capOn).toBe(true);
        const held = it.fasteners!.filter((f) => f.torqueNm !== null || f.name !== 'rim lock nut');
        expect(held.length).toBeGreaterThan(0);
        for (const f of held) expect(f.how).toBe('torqued');
      }),
      { numRuns: howMany(3_000, 50_000) },
    );
  });
});

describe('recalibration', () => {
  const asks = {
    teachKmh: 20,
    teachM: 120,
    teachLamp: 'goes out',
    wheelSensors: true,
    newTire: true,
  };
  const run = (more: object) =>
    recalibration.run({ ...asks, frontKpa: 180, rearKpa: 200, ...more });
  test('asks for both pressures first, then what the record says, and makes nothing up', () => {
    expect(run({}).result).toMatchObject({ needed: true, ready: true });
    expect(run({}).result.steps.map((s) => s.says)).toEqual([
      'Both pressures set, cold.',
      'Straight and steady at 20 km/h for 120 m, where that is safe to ride.',
      'Warning light: goes out.',
    ]);
    const open = run({ rearKpa: null });
    expect([open.verdict, open.result.ready, open.result.reasons[0]!.says]).toEqual([
      'check',
      false,
      'Set the pressure first: rear not set yet.',
    ]);
    expect(
      run({ teachKmh: null, teachLamp: '' })
        .result.steps.map((s) => s.says)
        .slice(1),
    ).toEqual([
      'Straight and steady for 120 m, where that is safe to ride.',
      'Check the warning light as its manual says.',
    ]);
    expect(run({ teachM: null }).result.steps[1]!.says).toMatch(/at 20 km\/h, where/);
  });

  test('with nothing on record: sensors and a new tire are sent to the manual, the rest is left alone', () => {
    const none = { teachKmh: null, teachM: null, teachLamp: ' ' };
    expect(run(none).result).toMatchObject({ needed: false, ready: false, steps: [] });
    expect([
      run(none).verdict,
      run({ ...none, newTire: false }).verdict,
      run({ ...none, wheelSensors: false }).verdict,
    ]).toEqual(['check', 'good', 'good']);
  });
});

describe('sensor-gap', () => {
  const at = (...gaps: number[]) => gaps.map((gapMm, i) => ({ deg: i * 120, gapMm }));
  const run = (gaps: number[], wantMinMm?: number, wantMaxMm?: number) =>
    sensorGap.run({
      readings: at(...gaps),
      ...(wantMinMm === undefined ? {} : { wantMinMm }),
      ...(wantMaxMm === undefined ? {} : { wantMaxMm }),
    });
  test('good only within the manual’s range all round; a ring that rubs is a stop', () => {
    expect(run([0.5, 0.8, 1], 0.5, 1).verdict).toBe('good');
    expect(run([0.5, 0.8, 1], 0.5, 1).result.runoutMm).toBeCloseTo(0.5, 9);
    expect(run([0.49, 0.8, 1], 0.5, 1).result.reasons.map((r) => r.says)).toEqual([
      'Gap too small at 12 o’clock (0°): 0.49 mm, spec 0.50 mm min.',
    ]);
    expect(run([0.5, 0.8, 1.01], 0.5, 1).result.reasons[0]!.says).toMatch(
      /^Gap too large at 8 o’clock/,
    );
    expect([run([0, 0.8, 1], 0, 1).verdict, run([0, 0.8, 1]).verdict]).toEqual(['stop', 'stop']);
  });
  test('without the manual’s range nothing is good; too few places and a range that is none are refused', () => {
    expect(run([0.5, 0.8, 1]).verdict).toBe('check');
    expect(run([0.5, 0.8, 1], 0.5).verdict).toBe('check');
    expect(problemOf(() => run([0.5, 0.8])).field).toBe('readings');
    // Half a ring says nothing of the other half.
    const half = [0, 60, 120].map((deg) => ({ deg, gapMm: 0.8 }));
    expect(
      problemOf(() => sensorGap.run({ readings: half, wantMinMm: 0.5, wantMaxMm: 1 })).message,
    ).toBe('A stretch of 240° of the wheel was not read.');
    expect(problemOf(() => run([0.5, 0.8, 1], 1.1, 1)).field).toBe('wantMinMm');
  });
});
