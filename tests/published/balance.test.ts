import {
  balanceIndex,
  balanceParts,
  middleSpread,
  residualUnbalance,
  sumVectors,
} from '../../src/core/bench/balance';
import { seeded } from '../../src/core/base/statistics';

const wheel = { grade: 6.3, wheelKg: 1, tireDiameterMm: 600, radiusMm: 200, massG: 10 };
/** Speed at which a tire of 600 mm turns so many times a minute. */
const speedAt = (rpm: number) => ((rpm * 2 * Math.PI) / 60) * 0.3 * 3.6;

/**
 * Source: ISO 21940-11, e_per · Ω = G: at 3000 turns a minute G 6.3 permits 20 g·mm for a kilogram,
 * as its diagram shows.
 */
test('the permissible unbalance of a grade is the standard’s', () => {
  expect(
    residualUnbalance.run({ ...wheel, speedKmh: speedAt(3000) }).result.permittedGmm,
  ).toBeCloseTo(20.05, 1);
  const { permittedGmm, rpm } = residualUnbalance.run({
    ...wheel,
    grade: 16,
    wheelKg: 12,
    speedKmh: 150,
  }).result;
  expect(permittedGmm).toBeCloseTo((1000 * 12 * 16) / ((rpm * 2 * Math.PI) / 60), 0);
});

/**
 * Source: centripetal force of any textbook of mechanics, F = m r ω²: 10 g at 0.2 m and 100 rad/s
 * pull with 20 N.
 */
test('the force at the rim is mass, radius and the square of the turning', () => {
  const { forceN, liftsKg } = residualUnbalance.run({ ...wheel, speedKmh: 100 * 0.3 * 3.6 }).result;
  expect(forceN).toBeCloseTo(20, 9);
  expect(liftsKg).toBeCloseTo(2.04, 2);
});

/**
 * Source: order statistics of the uniform distribution: the midrange of n readings in -1 … 1 has
 * the variance 2 / ((n + 1)(n + 2)).
 */
test.each([1, 2, 3, 4])('the middle of %d readings scatters as order statistics say', (n) => {
  const chance = seeded(n);
  const runs = 40_000;
  let sum = 0;
  for (let i = 0; i < runs; i++) {
    const readings = Array.from({ length: n }, () => 2 * chance() - 1);
    sum += ((Math.max(...readings) + Math.min(...readings)) / 2) ** 2;
  }
  expect(Math.sqrt(sum / runs)).toBeCloseTo(middleSpread(n), 2);
});

/** Common practice: four quarter ounces are an ounce, 28 g; opposite pieces cancel. */
test('quarter ounces add up, and a second lock opposite takes the first one away', () => {
  expect(
    sumVectors(Array.from({ length: 4 }, () => ({ massG: 28.34952 / 4, deg: 30 }))).massG,
  ).toBeCloseTo(28.35, 2);
  const { result } = balanceParts.run({
    parts: [
      { what: 'rim lock', massG: 120, deg: 210, radiusMm: 225 },
      { what: 'tube valve', massG: 18, deg: 0, radiusMm: 200 },
    ],
    weightRadiusMm: 225,
    secondLockG: 120,
  });
  expect(result.withSecondLockG).toBeCloseTo(16, 6);
  // By the cosine rule, the angle between them 150°.
  expect(result.heavyMassG).toBeCloseTo(
    Math.sqrt(120 ** 2 + 16 ** 2 + 2 * 120 * 16 * Math.cos((150 * Math.PI) / 180)),
    6,
  );
  expect(result.counterDeg).toBeCloseTo((result.heavyDeg + 180) % 360, 6);
});

/** By the parallelogram of forces. */
test('turning the tire on the rim: its own heavy spot opposite the rim’s leaves the difference', () => {
  const { result } = balanceIndex.run({
    bare: { massG: 40, deg: 0 },
    assembly: { massG: 70, deg: 0 },
    markDeg: 180,
  });
  expect(result.tire).toEqual({ massG: expect.closeTo(30, 9), deg: expect.closeTo(0, 6) });
  expect([Math.abs(result.turnDeg), result.leastG, result.savesG, result.worthIt]).toEqual([
    expect.closeTo(180, 6),
    expect.closeTo(10, 9),
    expect.closeTo(60, 9),
    true,
  ]);
  // The mark, at the lightest place, to the valve turns the tire right round.
  expect(result.markAtValveG).toBeCloseTo(10, 9);
  expect(
    balanceIndex.run({ bare: { massG: 10, deg: 0 }, assembly: { massG: 30, deg: 90 }, markDeg: 0 })
      .verdict,
  ).toBe('good');
});
