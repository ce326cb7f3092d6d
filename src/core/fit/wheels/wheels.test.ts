import { check } from '../../base/fields';
import { angleBetween, mirrored } from '../../base/units';
import { recordSchema } from '../../shop/records';
import { spokeDegs, weightPlaces, wheelDial, type DialMark, type DialShape } from '.';
import { sampleMachine, sampleWheel } from '../../../../tests/sample';

const draw = (marks: DialMark[], sideUp: 'disc' | 'other' = 'disc', tireOn = true) =>
  wheelDial({ wheel: { build: 'spoked', spokes: 36 }, marks, sideUp, tireOn });

/** Where on the clock a shape's text or circle stands. */
const degOf = (shape: DialShape | undefined): number => {
  if (!shape || shape.kind === 'path') throw new Error('no place');
  const [x, y] =
    shape.kind === 'circle' ? [shape.cx, shape.cy] : [shape.x, shape.y - shape.size * 0.35];
  return ((Math.atan2(x - 300, 300 - y) * 180) / Math.PI + 360) % 360;
};

const text = (shapes: DialShape[], said: string) =>
  shapes.find((s) => s.kind === 'text' && s.text === said);

describe('the dial', () => {
  test('a mark stands at its angle, clockwise from the valve at 12', () => {
    expect(degOf(text(draw([{ is: 'lock', deg: 210 }]), 'rim lock'))).toBeCloseTo(210, 0);
    expect(degOf(text(draw([]), 'valve'))).toBeCloseTo(0, 0);
    expect(degOf(text(draw([]), '3'))).toBeCloseTo(90, -1);
  });

  test.each([0, 30, 95, 180, 210, 300])('from the other side %d° is mirrored', (deg) => {
    const shape = draw([{ is: 'light-mark', deg }], 'other').find((s) => s.role === 'mark');
    expect(Math.abs(angleBetween(degOf(shape), mirrored(deg)))).toBeLessThan(0.5);
  });

  test('a bare wheel has no rubber, and 36 spokes are drawn', () => {
    expect(draw([], 'disc', false).some((s) => s.role === 'rubber')).toBe(false);
    expect(draw([]).filter((s) => s.role === 'spoke')).toHaveLength(36);
  });

  test('words of weights close together stand in rows of their own', () => {
    const weights = draw([
      { is: 'weight', deg: 40, label: '10 g' },
      { is: 'weight', deg: 50, label: '20 g' },
      { is: 'weight', deg: 5, label: '40 g' },
      { is: 'weight', deg: 90, label: '30 g' },
    ]);
    const from = (said: string) => {
      const t = text(weights, said) as Extract<DialShape, { kind: 'text' }>;
      return Math.hypot(t.x - 300, t.y - t.size * 0.35 - 300);
    };
    expect(from('10 g') - from('20 g')).toBeGreaterThan(20);
    expect(Math.hypot(from('10 g') - from('30 g'))).toBeLessThan(20);
    // Below the valve's own word.
    expect(from('valve') - from('40 g')).toBeGreaterThan(30);
  });

  test('the arrow turns round with the wheel', () => {
    const sweep = (sideUp: 'disc' | 'other') => {
      const arc = draw([{ is: 'arrow', clockwise: true }], sideUp).find(
        (s) => s.role === 'arrow' && s.kind === 'path' && !s.filled,
      );
      return arc?.kind === 'path' ? / 0 0 ([01]) /.exec(arc.d)?.[1] : undefined;
    };
    expect(sweep('disc')).toBe('1');
    expect(sweep('other')).toBe('0');
  });

  test('every mark is drawn with finite numbers and inside the field', () => {
    const marks: DialMark[] = [0, 45, 90, 135, 180, 225, 270, 315].flatMap((deg): DialMark[] => [
      { is: 'lock', deg },
      { is: 'start', deg },
      { is: 'finish', deg },
      { is: 'keeper', deg },
      { is: 'heavy', deg, label: '41 g' },
      { is: 'rest', deg, label: 'then' },
      { is: 'trial', deg, label: '20 g' },
      { is: 'weight', deg, label: '2 × 20 g' },
      { is: 'light-mark', deg },
      { is: 'push', fromDeg: deg, toDeg: (deg + 120) % 360 },
    ]);
    for (const shape of [...draw(marks), ...draw(marks, 'other')]) {
      const numbers =
        shape.kind === 'path'
          ? (shape.d.match(/-?[\d.]+/g) ?? []).map(Number)
          : shape.kind === 'circle'
            ? [shape.cx, shape.cy, shape.r]
            : [shape.x, shape.y];
      const outside = numbers.filter((n) => !(n >= -5 && n <= 605));
      expect([shape, outside]).toEqual([shape, []]);
    }
  });
});

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
