import { problemOf } from '../../../../tests/sample';
import { beadPath, rimProfile } from '.';

type Input = Parameters<typeof rimProfile.run>[0];
const run = (more: Partial<Input> = {}) => rimProfile.run({ rimCode: '2.15x19', ...more }).result;
const MEASURED = { wellMm: 455, flangeMm: 511, axialMm: 40 };

describe('the shape of a rim', () => {
  test('what is measured stands; it says what the bead’s path says of the same rim', () => {
    const found = run(MEASURED);
    expect(found.parts.well).toEqual({ mm: 455, plusMinusMm: 0, from: 'measured' });
    const path = beadPath.run({ beadMm: 483, ...MEASURED, biteMm: 70 }).result;
    expect(found.spareMm).toBeCloseTo(path.tightest.loopSlackMm, 6);
    expect([found.leastMm, found.mostMm]).toEqual([found.spareMm, found.spareMm]);
    expect([found.tellsMost, found.reason.verdict]).toEqual([null, 'good']);
  });

  test('the well tells most, then the flange or the way across; each measurement narrows what may be', () => {
    const steps = [{}, { wellMm: 455 }, { wellMm: 455, axialMm: 40 }, MEASURED].map((more) =>
      run(more),
    );
    expect(steps[0]!.tellsMost).toBe('well');
    expect(steps[0]!.reason).toMatchObject({ verdict: 'check' });
    expect(steps[0]!.reason.says).toMatch(
      /^By the code alone, between .?\d+ mm and \d+ mm to spare\. Measure the diameter in the well first\.$/,
    );
    // What was measured is not the code's.
    expect(steps[1]!.reason.says).toMatch(/^With what is measured, between .* first\.$/);
    expect(steps[2]!.reason.says).toMatch(/^With what is measured, between .* too\.$/);
    const widths = steps.map((s) => s.mostMm - s.leastMm);
    expect(widths).toEqual([...widths].sort((a, b) => b - a));
    for (const s of steps) expect(s.leastMm <= s.spareMm && s.spareMm <= s.mostMm).toBe(true);
    // Whichever is named: measured as recalled, no other would have narrowed it more.
    for (const code of ['MT3.50x17', 'WM3-18', '2.15x19', '12x6.0 AT', '3.50x12']) {
      const { parts, tellsMost } = run({ rimCode: code });
      const width = (more: Partial<Input>) => {
        const { leastMm, mostMm } = run({ rimCode: code, ...more });
        return mostMm - leastMm;
      };
      const by = {
        well: width({ wellMm: parts.well.mm }),
        flange: width({ flangeMm: parts.flange.mm }),
        across: width({ axialMm: parts.across.mm }),
      };
      expect(by[tellsMost!]).toBeLessThanOrEqual(Math.min(...Object.values(by)) + 2);
    }
  });

  test('by the contour: a wider rim is farther across, another contour stands otherwise', () => {
    expect(run({ rimCode: '3.50x19' }).parts.across.mm - run().parts.across.mm).toBeCloseTo(
      (1.35 * 25.4) / 2,
      6,
    );
    const { parts } = run({ rimCode: 'MT3.50x17' });
    // By hand: 14 mm above and below a bead of 432 mm, at the radius.
    expect([parts.flange.mm, parts.well.mm]).toEqual([460, 404]);
  });

  test('a code without a diameter, and measurements that no bead fits, are refused', () => {
    expect(problemOf(() => run({ rimCode: 'MT3.50' }))).toMatchObject({ field: 'rimCode' });
    expect(problemOf(() => run({ wellMm: 490 })).field).toBe('wellMm');
    expect(problemOf(() => run({ flangeMm: 470 })).field).toBe('flangeMm');
  });
});
