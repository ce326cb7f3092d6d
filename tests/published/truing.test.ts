import { Matrix, solve } from 'ml-matrix';
import { firstHarmonic, spokeRing } from '../../src/core/bench/truing';

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
    const [mean, a, b] = solve(
      columns,
      Matrix.columnVector(readings.map((r) => r.value)),
      true,
    ).to1DArray() as [number, number, number];
    const fit = firstHarmonic(readings)!;
    expect(fit.mean).toBeCloseTo(mean, 8);
    expect(fit.size).toBeCloseTo(Math.hypot(a, b), 8);
    expect(Math.cos((fit.highDeg * Math.PI) / 180 - Math.atan2(b, a))).toBeCloseTo(1, 8);
  }
});

/**
 * The lowest tone of a steel beam under tension, by its characteristic equation, solved by
 * bisection. Source: vibration textbooks (a beam under axial tension, clamped at both ends); E 200
 * GPa and 7,850 kg/m³ from memory.
 */
const clampedToneHz = (tensionN: number, lengthM: number, diameterM: number): number => {
  const stiffness = (200e9 * Math.PI * diameterM ** 4) / 64;
  const kgPerM = (7850 * Math.PI * diameterM ** 2) / 4;
  const off = (hz: number): number => {
    const half = tensionN / (2 * stiffness);
    const root = Math.sqrt(half ** 2 + (kgPerM * (2 * Math.PI * hz) ** 2) / stiffness);
    const [a, b] = [Math.sqrt(root + half), Math.sqrt(root - half)];
    const [al, bl] = [a * lengthM, b * lengthM];
    return (
      2 * a * b * (1 - Math.cosh(al) * Math.cos(bl)) +
      (a ** 2 - b ** 2) * Math.sinh(al) * Math.sin(bl)
    );
  };
  let hz = 20;
  while (Math.sign(off(hz)) === Math.sign(off(hz + 1))) hz++;
  let [low, high] = [hz, hz + 1];
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    if (Math.sign(off(middle)) === Math.sign(off(low))) low = middle;
    else high = middle;
  }
  return low;
};

test('a thick, short spoke at seven tenths of the tension or less is found by its tone, whatever its size', () => {
  expect(clampedToneHz(1500, 0.2, 0.0035)).toBeCloseTo(553, 0);
  expect(clampedToneHz(800, 0.2, 0.0035)).toBeCloseTo(486, 0);
  for (const [lengthM, diameterM, tensionN] of [
    [0.2, 0.0035, 1500],
    [0.28, 0.002, 1000],
    [0.15, 0.004, 2500],
  ] as const) {
    const tone = clampedToneHz(tensionN, lengthM, diameterM);
    const isFound = (share: number) =>
      spokeRing
        .run({
          total: 36,
          spokes: [1, 5, 9, 13].map((spoke) => ({
            spoke,
            toneHz: spoke === 9 ? clampedToneHz(share * tensionN, lengthM, diameterM) : tone,
          })),
        })
        .result.loose.some((l) => l.spoke === 9);
    expect([isFound(0.5), isFound(0.65)]).toEqual([true, true]);
    expect(isFound(1)).toBe(false);
  }
});
