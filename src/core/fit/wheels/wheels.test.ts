import { check } from '../../base/fields';
import { angleBetween } from '../../base/units';
import { recordSchema } from '../../shop/records';
import { spokeDegs, weightPlaces } from '.';
import { sampleMachine, sampleWheel } from '../../../../tests/sample';

describe('where weights go', () => {
  test('at spokes clear of valve and locks', () => {
    const places = weightPlaces(sampleWheel());
    for (const taken of [0, 210])
      for (const p of places) expect(Math.abs(angleBetween(p, taken))).toBeGreaterThanOrEqual(6);
    expect(places.length).toBeLessThan(36);
    expect(spokeDegs({ spokes: 36 })).toHaveLength(36);
  });
});

describe('records from outside', () => {
  test('a machine and a wheel as the shop keeps them', () => {
    expect(check(recordSchema('machines'), sampleMachine())).toEqual(sampleMachine());
    expect(check(recordSchema('wheels'), sampleWheel())).toEqual(sampleWheel());
  });

  test.each([
    [recordSchema('wheels'), { ...sampleWheel(), position: 'middle' }, 'position'],
    [recordSchema('wheels'), { ...sampleWheel(), rimLockDegs: [400] }, 'rimLockDegs[0]'],
    [recordSchema('wheels'), { ...sampleWheel(), spokes: -1 }, 'spokes'],
    [recordSchema('machines'), { ...sampleMachine(), name: '' }, 'name'],
    [
      recordSchema('machines'),
      { ...sampleMachine(), fasteners: [{ name: 'nut', wheel: 'rear', torqueNm: 0 }] },
      'fasteners[0].torqueNm',
    ],
    [recordSchema('machines'), { ...sampleMachine(), placardRearKpa: 9000 }, 'placardRearKpa'],
  ])('%# is refused at its field', (schema, value, field) => {
    expect(() => check(schema, value)).toThrow(expect.objectContaining({ field }));
  });
});
