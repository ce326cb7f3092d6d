import { Matrix, solve } from 'ml-matrix';
import { BOLTS, clampForce, GRADES, ringGap } from '../../src/core/bench/ring';
import { PSI_IN_KPA } from '../../src/core/base/units';

/**
 * Tensile stress area from the thread itself. Source: ASME B1.1 for inch threads, As = 0.7854 (D −
 * 0.9743 / n)², and ISO 898-1 for metric ones, As = 0.7854 (d − 0.9382 P)²; both formulas recalled.
 * The table keeps three figures.
 */
test('the stress areas are those of their threads', () => {
  for (const { diameterMm, pitchMm, stressMm2, thread } of Object.values(BOLTS)) {
    const areaMm2 =
      (Math.PI / 4) * (diameterMm - (thread === 'inch' ? 0.9743 : 0.9382) * pitchMm) ** 2;
    expect(Math.abs(areaMm2 / stressMm2 - 1)).toBeLessThan(0.005);
  }
});

/**
 * Source: SAE J429 and ISO 898-1, proof strength; recalled. 120 ksi is 827 MPa, 85 ksi is 586 MPa.
 */
test('proof strengths by grade and class', () => {
  expect(GRADES['8'].proofMpa).toBeCloseTo(120 * PSI_IN_KPA, 6);
  expect(Math.round(GRADES['5'].proofMpa)).toBe(586);
  expect([GRADES['8.8'].proofMpa, GRADES['10.9'].proofMpa]).toEqual([580, 830]);
});

/**
 * Source: Shigley’s Mechanical Engineering Design, bolted joints: T = K F d with K = 0.20 for a
 * plated dry bolt, and 75% of the proof load for bolts used again; recalled. By hand for an M10 of
 * class 8.8: proof 58.0 · 580 = 33.64 kN, three quarters 25.23 kN, T = 0.20 · 25 230 · 0.010 =
 * 50.46 N·m.
 */
test('a worked bolt: the torque for three quarters of proof', () => {
  const { result } = clampForce.run({
    torqueNm: 50.46,
    bolt: 'M10',
    grade: '8.8',
    lubricant: 'dry, plated',
    bolts: 12,
    ringDiameterMm: 300,
  });
  expect(result.forcePerBoltN).toBeCloseTo(25_230, 0);
  expect(result.mostNm).toBeCloseTo(50.46, 2);
});

/** A general-purpose matrix package fits the same readings. */
test('tilt and open side agree with an independent least-squares fit', () => {
  let seed = 11;
  const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  for (let round = 0; round < 40; round++) {
    const readings = Array.from({ length: 8 }, (_, i) => ({
      deg: (i * 45 + 20 * random()) % 360,
      gapMm: 1 + 3 * random(),
    }));
    const columns = new Matrix(
      readings.map(({ deg }) => [
        1,
        Math.cos((deg * Math.PI) / 180),
        Math.sin((deg * Math.PI) / 180),
      ]),
    );
    const [mean, a, b] = solve(
      columns,
      Matrix.columnVector(readings.map((r) => r.gapMm)),
      true,
    ).to1DArray() as [number, number, number];
    const { result } = ringGap.run({ readings, when: 'before the torque' });
    expect(result.meanMm).toBeCloseTo(mean, 8);
    expect(result.tiltMm).toBeCloseTo(2 * Math.hypot(a, b), 8);
    expect(Math.cos((result.openDeg * Math.PI) / 180 - Math.atan2(b, a))).toBeCloseTo(1, 8);
  }
});
