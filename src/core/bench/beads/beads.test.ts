import fc from 'fast-check';
import { problemOf } from '../../../../tests/sample';
import { angleBetween, normalDeg } from '../../base/units';
import { biteLengths, bitePlan, BITE_SCHOOLS, mountOrientation, type BiteSchool } from '.';

const SETTINGS = fc.record({
  rimDiameterMm: fc.integer({ min: 200, max: 600 }),
  valveDeg: fc.constant(0),
  lockDegs: fc
    .uniqueArray(fc.integer({ min: 2, max: 34 }), { maxLength: 2 })
    .map((tens) => tens.map((t) => 10 * t)),
  biteMm: fc.integer({ min: 50, max: 110 }),
  school: fc.constantFrom(...BITE_SCHOOLS),
  direction: fc.constantFrom('off' as const, 'on' as const),
  handFittedDeg: fc.integer({ min: 0, max: 240 }),
});

describe('the bites', () => {
  const plan = (school: BiteSchool, direction: 'off' | 'on', lockDegs = [210]) =>
    bitePlan.run({
      rimDiameterMm: 483,
      valveDeg: 0,
      lockDegs,
      biteMm: 70,
      school,
      direction,
      handFittedDeg: 0,
    }).result;

  test.each<[BiteSchool, 'off' | 'on', number, number]>([
    ['lock nearest', 'off', 30, 210],
    ['lock nearest', 'on', 228, 210],
    ['opposite the valve', 'off', 180, 0],
    ['opposite the valve', 'on', 180, 0],
    ['valve last', 'on', 18, 0],
    ['clear of the valve', 'on', 90, 270],
    ['a quarter away', 'off', 315, 315],
    ['a quarter away', 'on', 228, 48],
  ])('%s, %s: from %d° to %d°', (school, direction, startDeg, finishDeg) => {
    const { startDeg: start, finishDeg: finish } = plan(school, direction);
    expect(Math.abs(angleBetween(start, startDeg))).toBeLessThan(0.6);
    expect(Math.abs(angleBetween(finish, finishDeg))).toBeLessThan(0.6);
  });

  test('without a lock there is none to be near: opposite the valve, off and on', () => {
    for (const direction of ['off', 'on'] as const)
      expect(plan('lock nearest', direction, [])).toMatchObject({
        startDeg: 180,
        finishDeg: 0,
        way: 'both',
      });
    expect(plan('lock nearest', 'on', []).reasons[0]!.says).toMatch(/No lock on this wheel/);
  });

  test('they cover what is not on by hand exactly once', () => {
    fc.assert(
      fc.property(SETTINGS, (settings) => {
        const { bites } = bitePlan.run(settings).result;
        const perDegMm = (Math.PI * settings.rimDiameterMm) / 360;
        const total = bites.reduce((t, b) => t + b.lengthMm, 0);
        expect(total).toBeCloseTo((360 - settings.handFittedDeg) * perDegMm, 6);
        // Sampled round the rim, no place lies in two bites.
        for (let deg = 0.5; deg < 360; deg += 7) {
          const over = bites.filter((b) => {
            const span = b.lengthMm / perDegMm;
            const [from] =
              Math.abs(angleBetween(normalDeg(b.fromDeg + span), b.toDeg)) < 1e-6
                ? [b.fromDeg]
                : [b.toDeg];
            const into = normalDeg(deg - from);
            return into > 1e-6 && into < span - 1e-6;
          });
          expect(over.length).toBeLessThanOrEqual(1);
        }
        expect(bites.map((b) => b.n)).toEqual(bites.map((_, i) => i + 1));
      }),
    );
  });

  test('no lever stands at the valve or on a lock, unless the bite is said to be for hand or heel', () => {
    fc.assert(
      fc.property(SETTINGS, (settings) => {
        const { bites, reasons } = bitePlan.run(settings).result;
        for (const b of bites) {
          const close = [settings.valveDeg, ...settings.lockDegs].some(
            (k) => Math.abs(angleBetween(k, b.leverDeg)) < 7 - 1e-6,
          );
          if (close)
            expect(reasons.map((r) => r.says).join()).toContain(
              `Bite ${b.n} lies at the valve or a lock`,
            );
        }
      }),
    );
  });

  test.each([
    [700, 70, Array(10).fill(70)],
    [720, 70, [...Array(9).fill(70), 45, 45]],
    [740, 70, [...Array(10).fill(70), 40]],
    [20, 70, [20]],
  ])('%d mm in bites of %d: an awkward last one is shared', (arcMm, biteMm, lengths) => {
    expect(biteLengths(arcMm, biteMm)).toEqual(lengths);
  });

  test('the keeper sits at the start while it goes on; off, one kneels opposite', () => {
    const on = plan('opposite the valve', 'on');
    expect(on.keeperDeg).toBe(180);
    const off = plan('opposite the valve', 'off');
    expect(off.keeperDeg).toBeNull();
    expect([off.kneelFromDeg, off.kneelToDeg]).toEqual([300, 60]);
  });

  test('changing the school changes the plan, and each has its reason', () => {
    const starts = BITE_SCHOOLS.map((s) => plan(s, 'on').startDeg);
    expect(new Set(starts.map(Math.round)).size).toBeGreaterThan(3);
    for (const s of BITE_SCHOOLS) expect(plan(s, 'on').reasons[0]!.says.length).toBeGreaterThan(30);
  });
});

describe('which way up', () => {
  const base = {
    arrowSeen: 'clockwise',
    discSide: 'right',
    sideUp: 'left',
    lightMark: true,
    heavySpotDeg: 204,
    school: 'valve',
  } as const;
  const run = (more: object = {}) => mountOrientation.run({ ...base, ...more });

  test.each([
    ['right', 'right', 'clockwise'],
    ['right', 'left', 'counterclockwise'],
    ['left', 'left', 'counterclockwise'],
    ['left', 'right', 'clockwise'],
    ['both', 'right', 'clockwise'],
    ['none', 'left', 'counterclockwise'],
  ])('disc %s, %s side up: the arrow points %s', (discSide, sideUp, needs) => {
    expect(run({ discSide, sideUp }).result.arrowNeeds).toBe(needs);
  });

  test('the wrong way is refused with the reason; turned over it is right', () => {
    const wrong = run();
    expect(wrong.verdict).toBe('stop');
    expect(wrong.result.reasons[0]!.says).toBe(
      'The arrow must point counterclockwise with the left side up, and points clockwise: turn the tire over.',
    );
    expect(run({ arrowSeen: 'counterclockwise' }).result.asItLies).toBe(true);
    expect(run({ arrowSeen: 'none' }).result).toMatchObject({
      arrowNeeds: 'either',
      asItLies: true,
    });
  });

  test('the mark by school, mirrored with the wheel; no mark is said and skipped', () => {
    const to = { arrowSeen: 'none', school: 'heavy spot' };
    expect(run({ ...to, sideUp: 'right' }).result).toMatchObject({
      markDeg: 204,
      markTurnedDeg: 156,
    });
    expect(run({ ...to, sideUp: 'left' }).result).toMatchObject({
      markDeg: 156,
      markTurnedDeg: 204,
    });
    expect(run({ arrowSeen: 'none' }).result.markDeg).toBe(0);
    expect(
      run({ ...to, heavySpotDeg: null })
        .result.reasons.map((r) => r.says)
        .join(),
    ).toMatch(/light mark to the valve/);
    expect(run({ lightMark: false, arrowSeen: 'none' }).result.markDeg).toBeNull();
  });

  test('a bite plan that leaves nothing to lever is refused', () => {
    expect(
      problemOf(() =>
        bitePlan.run({
          rimDiameterMm: 80,
          valveDeg: 0,
          lockDegs: [],
          biteMm: 20,
          school: 'valve last',
          direction: 'on',
          handFittedDeg: 359,
        }),
      ).field,
    ).toBe('handFittedDeg');
  });
});
