import { readTire, tireVolume } from '../../src/core/fit/tires';

/**
 * Source: volume of a torus, V = 2 π² R r², as in any table of solids; a round section is one whose
 * height is its width.
 */
test('a tire of round section holds what a torus holds', () => {
  const { sectionWidthMm, sectionHeightMm, rimDiameterMm } = readTire('3.00-21');
  expect(sectionHeightMm).toBeCloseTo(sectionWidthMm, 6);
  const r = sectionWidthMm / 2;
  expect(tireVolume.run({ tire: '3.00-21' }).result.volumeL).toBeCloseTo(
    (2 * Math.PI ** 2 * (rimDiameterMm / 2 + r) * r ** 2) / 1e6,
    6,
  );
});

/** Against a sum of thin cylinders, each as wide as the section is at its radius. */
test.each(['110/90-19', '180/55ZR17', '25x8-12', '3.50-10'])(
  '%s holds what its shells add up to',
  (tire) => {
    const { sectionWidthMm, sectionHeightMm, rimDiameterMm } = readTire(tire);
    const half = sectionHeightMm / 2;
    const shells = 20_000;
    let sum = 0;
    for (let i = 0; i < shells; i++) {
      const up = ((i + 0.5) / shells) * sectionHeightMm - half;
      sum +=
        2 *
        Math.PI *
        (rimDiameterMm / 2 + half + up) *
        sectionWidthMm *
        Math.sqrt(1 - (up / half) ** 2) *
        (sectionHeightMm / shells);
    }
    expect(tireVolume.run({ tire }).result.volumeL / (sum / 1e6)).toBeCloseTo(1, 5);
  },
);
