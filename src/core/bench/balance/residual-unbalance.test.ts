import { problemOf } from '../../../../tests/sample';
import { residualUnbalance } from '.';

const WHEEL = {
  grade: 16,
  wheelKg: 11,
  speedKmh: 120,
  tireDiameterMm: 600,
  radiusMm: 200,
  massG: 4,
};
const ask = (more: Partial<typeof WHEEL>) => residualUnbalance.run({ ...WHEEL, ...more });

test('weights lie inside the tire: less than half of its diameter from the axle', () => {
  expect(ask({ radiusMm: 299.9 }).result.within).toBe(true);
  for (const radiusMm of [300, 400])
    expect(problemOf(() => ask({ radiusMm })).field).toBe('radiusMm');
});

test('just what is permitted is within, a hair more is not', () => {
  const { permittedG } = ask({}).result;
  expect(ask({ massG: permittedG })).toMatchObject({ verdict: 'good', result: { within: true } });
  expect(ask({ massG: permittedG + 1e-6 })).toMatchObject({
    verdict: 'check',
    result: { within: false },
  });
});
