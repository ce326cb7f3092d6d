import { findRule } from '../../src/core/base/rules';
import { treadWear } from '../../src/core/fit/tires';
import { INCH_IN_MM } from '../../src/core/base/units';

/**
 * Source: 49 CFR 571.119 (FMVSS 119), S6.4: treadwear indicators of motorcycle tires show at 1/32
 * inch.
 */
const INDICATOR_IN = 1 / 32;

test('the wear indicator of a motorcycle tire is 0.8 mm, and a shop may not set its road minimum far below it', () => {
  expect(INDICATOR_IN * INCH_IN_MM).toBeCloseTo(0.79, 2);
  const rule = findRule('tread.minimumMm');
  expect(rule.value).toBe(1.6);
  expect(rule.basis).toBe('memory');
  expect(rule.min).toBeLessThanOrEqual(INDICATOR_IN * INCH_IN_MM);
});

test('down to the indicator itself, by hand: (5 − 0.79375) / 1 mm in 1000 km', () => {
  const { result } = treadWear.run({
    readings: [
      { km: 0, depthMm: 7 },
      { km: 2000, depthMm: 5 },
    ],
    rules: { 'tread.minimumMm': INDICATOR_IN * INCH_IN_MM },
  });
  expect(result.kmLeft).toBeCloseTo(4206.25, 4);
});

/**
 * Source: NIST/SEMATECH e-Handbook of Statistical Methods, section 1.3.6.7.2, critical values of
 * Student's t, column 0.95: 6.314 for 1 degree of freedom, 2.920 for 2, 2.132 for 4.
 */
test.each([
  [3, 6.314],
  [4, 2.92],
  [6, 2.132],
])('with %d readings the interval is %d standard errors either way', (n, t) => {
  const km = Array.from({ length: n }, (_, i) => i * 1000);
  const depthMm = km.map((x, i) => 8 - x * 0.001 + (i % 2 === 0 ? 0.05 : -0.05));
  const { result } = treadWear.run({
    readings: km.map((x, i) => ({ km: x, depthMm: depthMm[i]! })),
  });
  // The standard error of the slope, worked the long way.
  const mean = (v: number[]) => v.reduce((a, b) => a + b, 0) / v.length;
  const [mx, my] = [mean(km), mean(depthMm)];
  const sxx = km.reduce((s, x) => s + (x - mx) ** 2, 0);
  const slope = km.reduce((s, x, i) => s + (x - mx) * (depthMm[i]! - my), 0) / sxx;
  const rest = km.reduce((s, x, i) => s + (depthMm[i]! - (my + slope * (x - mx))) ** 2, 0);
  const error = Math.sqrt(rest / (n - 2) / sxx) * 1000;
  expect(result.rateHighMmPer1000Km! - result.rateMmPer1000Km!).toBeCloseTo(t * error, 9);
});
