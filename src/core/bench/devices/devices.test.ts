import fc from 'fast-check';
import { InputError } from '../../base/errors';
import { problemOf } from '../../../../tests/sample';
import { firstHarmonic } from '../truing';
import { followMm, isSteady, readLine, rimAtMm, type RimShape } from '.';

const line = (more: object = {}) =>
  JSON.stringify({
    device: 'indicator',
    kind: 'dial-indicator',
    value: 0.42,
    unit: 'mm',
    at: '2026-04-30T09:00:00.000Z',
    ...more,
  });

describe('a line of an instrument', () => {
  test('is read whole', () =>
    expect(readLine(line())).toEqual({
      device: 'indicator',
      kind: 'dial-indicator',
      value: 0.42,
      unit: 'mm',
      at: '2026-04-30T09:00:00.000Z',
    }));

  test.each<[string, string, string]>([
    ['half a line', '{"device":"indi', 'line'],
    ['no reading', line({ value: 'ERR' }), 'value'],
    ['not a number', line({ value: null }), 'value'],
    ['another unit', line({ unit: 'psi' }), 'unit'],
    ['a reading it cannot have', line({ value: 9999 }), 'value'],
    ['an unknown kind', line({ kind: 'oracle' }), 'kind'],
    ['no time', line({ at: 'now' }), 'at'],
  ])('%s is refused by its field', (_what, text, field) =>
    expect(problemOf(() => readLine(text)).field).toBe(field),
  );

  test('whatever it says, it is a reading in range or a sentence', () =>
    fc.assert(
      fc.property(
        fc.oneof(
          fc.string(),
          fc.json(),
          fc.double().map((value) => line({ value })),
        ),
        (text) => {
          try {
            expect(Math.abs(readLine(text).value)).toBeLessThanOrEqual(25);
          } catch (error) {
            expect(error).toBeInstanceOf(InputError);
          }
        },
      ),
    ));
});

describe('the rim on the stand', () => {
  const rim: RimShape = {
    lateral: { swingMm: 1.8, highDeg: 70 },
    radial: { swingMm: 0.7, highDeg: 200 },
    dent: { deg: 135, depthMm: 0.5, halfWidthDeg: 28 },
  };

  test('gives back its swing and its high spot to an independent fit', () => {
    const readings = Array.from({ length: 12 }, (_, i) => ({
      angleDeg: i * 30,
      value: rimAtMm(rim, 'lateral', i * 30),
    }));
    const found = firstHarmonic(readings)!;
    expect([found.size * 2, found.highDeg]).toEqual([
      expect.closeTo(1.8, 9),
      expect.closeTo(70, 9),
    ]);
  });

  test('has its dent up and down, and only there', () => {
    const without = { ...rim, dent: { ...rim.dent, depthMm: 0 } };
    expect(rimAtMm(rim, 'radial', 135) - rimAtMm(without, 'radial', 135)).toBeCloseTo(-0.5, 9);
    for (const deg of [0, 106, 164, 300])
      expect(rimAtMm(rim, 'radial', deg)).toBeCloseTo(rimAtMm(without, 'radial', deg), 9);
    expect(rimAtMm(rim, 'lateral', 135)).toBe(rimAtMm(without, 'lateral', 135));
  });

  test('the plunger follows with a lag and shows hundredths; it is steady once it has caught up', () => {
    const shown: number[] = [0];
    for (let i = 0; i < 40; i++) shown.push(followMm(shown.at(-1)!, 0.9, 0.05, Math.sin(i)));
    expect(isSteady(shown.slice(0, 6), 'dial-indicator')).toBe(false);
    expect(isSteady(shown, 'dial-indicator')).toBe(true);
    expect(shown.at(-1)).toBeCloseTo(0.9, 1);
    expect(shown.every((v) => Math.abs(v * 100 - Math.round(v * 100)) < 1e-6)).toBe(true);
    expect(isSteady([1, 1, 1], 'dial-indicator')).toBe(false);
  });
});
