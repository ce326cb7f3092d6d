import fc from 'fast-check';
import { quantile, stationsTook, troublesMet, weightsLeft } from '.';

test('the middle and nine in ten, by interpolation (as R’s type 7)', () => {
  expect(quantile([4, 1, 3, 2], 0.5)).toBe(2.5);
  expect(quantile([10, 20, 30, 40, 50], 0.9)).toBe(46);
  expect(quantile([7], 0.9)).toBe(7);
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 0, max: 999 }), { minLength: 1, maxLength: 30 }),
      (values) => {
        const [low, middle, high] = [0, 0.5, 1].map((share) => quantile(values, share));
        expect([low, high]).toEqual([Math.min(...values), Math.max(...values)]);
        expect(values.filter((v) => v <= middle!).length * 2).toBeGreaterThanOrEqual(values.length);
        expect(values.filter((v) => v >= middle!).length * 2).toBeGreaterThanOrEqual(values.length);
      },
    ),
  );
});

test('stations in the order of the work, with their share of all time; none that nobody worked at', () => {
  const took = stationsTook([
    { station: 'balance', tookS: 300 },
    { station: 'balance', tookS: 500 },
    { station: 'intake', tookS: 200 },
  ]);
  expect(took).toEqual([
    { station: 'intake', jobs: 1, medianS: 200, ninetyS: 200, sharePct: 20 },
    { station: 'balance', jobs: 2, medianS: 400, ninetyS: 480, sharePct: 80 },
  ]);
  expect(stationsTook([{ station: 'seat', tookS: 0 }])[0]!.sharePct).toBe(0);
  expect(stationsTook([])).toEqual([]);
});

test('troubles, the most frequent first, and how many were cured', () => {
  const met = (symptom: 'bite-stuck' | 'not-seating', isCured: boolean) => ({ symptom, isCured });
  expect(
    troublesMet([met('not-seating', true), met('bite-stuck', true), met('bite-stuck', false)]),
  ).toEqual([
    { symptom: 'bite-stuck', says: 'The bite will not go', count: 2, cured: 1 },
    { symptom: 'not-seating', says: 'A bead will not seat', count: 1, cured: 1 },
  ]);
});

test('weights by the tire, the heaviest first', () => {
  const left = (marking: string, massG: number) => ({ marking, massG });
  expect(weightsLeft([left('a', 10), left('b', 40), left('a', 20), left('a', 60)])).toEqual([
    { marking: 'b', jobs: 1, medianG: 40, leastG: 40, mostG: 40 },
    { marking: 'a', jobs: 3, medianG: 20, leastG: 10, mostG: 60 },
  ]);
});
