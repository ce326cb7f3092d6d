import { Matrix, solve } from 'ml-matrix';
import { firstHarmonic, spokeRing, stringTensionN } from '../../src/core/truing';

/** A general-purpose matrix package fits the same readings: columns 1, cos, sin. */
test('the once-a-turn part agrees with an independent least-squares fit, for scattered readings at odd places', () => {
  let seed = 7;
  const random = () => (seed = (seed * 16_807) % 2_147_483_647) / 2_147_483_647;
  for (let round = 0; round < 40; round++) {
    const readings = Array.from({ length: 6 + (round % 20) }, () => ({
      angleDeg: random() * 360,
      value: (random() - 0.5) * 4,
    }));
    const rad = readings.map((r) => (r.angleDeg * Math.PI) / 180);
    const columns = new Matrix(rad.map((t) => [1, Math.cos(t), Math.sin(t)]));
    const [mean, a, b] = solve(columns, Matrix.columnVector(readings.map((r) => r.value)), true).to1DArray() as [
      number,
      number,
      number,
    ];
    const fit = firstHarmonic(readings)!;
    expect(fit.mean).toBeCloseTo(mean, 8);
    expect(fit.size).toBeCloseTo(Math.hypot(a, b), 8);
    expect(Math.cos((fit.highDeg * Math.PI) / 180 - Math.atan2(b, a))).toBeCloseTo(1, 8);
  }
});

/**
 * Source: OpenStax, University Physics volume 1, chapter 16: the fundamental of a string is f = √(T/μ) / 2L.
 * By hand: L = 0.5 m, μ = 0.002 kg/m, T = 80 N gives √40 000 / 1 = 200 Hz.
 */
test('the tension of a string from its tone', () => {
  expect(stringTensionN(0.5, 200, 0.002)).toBeCloseTo(80, 9);
  const { medianTensionN } = spokeRing.run({
    total: 36,
    lengthMm: 250,
    gramsPerMetre: 5,
    spokes: [1, 5, 9].map((spoke) => ({ spoke, toneHz: 400 })),
  }).result;
  expect(medianTensionN).toBeCloseTo(200, 6);
});
