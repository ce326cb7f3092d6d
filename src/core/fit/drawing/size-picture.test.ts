import fc from 'fast-check';
import { tireCompare } from '../tires';
import { sizePicture, spread, type PictureShape } from './size-picture';

const draw = (sizes: string[], clearancesMm = {}) =>
  sizePicture(tireCompare.run({ sizes, clearancesMm }).result, clearancesMm);
const only = <K extends PictureShape['kind']>(shapes: PictureShape[], kind: K) =>
  shapes.filter((s): s is Extract<PictureShape, { kind: K }> => s.kind === kind);

test('every size is drawn to one scale, side view and section', () => {
  const { shapes, sideScale } = draw(['130/90-16', '130/80-16', '150/80-16']);
  const treads = only(shapes, 'circle').filter((c) => c.part === 'tread');
  expect(treads.map((c) => c.r / sideScale).map(Math.round)).toEqual([320, 307, 323]);
  expect(
    only(shapes, 'circle')
      .filter((c) => c.part === 'rim')
      .map((c) => Math.round(c.r / sideScale)),
  ).toEqual([203, 203, 203]);
  expect(only(shapes, 'section')).toHaveLength(3);
});

test('the machine stands at the measured room from the present tire', () => {
  const { shapes, sideScale, sectionScale } = draw(['130/90-16', '130/80-16'], {
    above: 20,
    right: 12,
  });
  const bars = only(shapes, 'bar');
  expect((290 - bars[0]!.y1) / sideScale).toBeCloseTo(320 + 20, 0);
  const right = bars.find((b) => b.place === 'right')!;
  expect((right.x1 - 592) / sectionScale).toBeCloseTo(65 + 12, 0);
});

test('differences stand on the drawing in words; letters only where there is more than one', () => {
  const words = (sizes: string[], room = {}) =>
    only(draw(sizes, room).shapes, 'label').map((l) => l.pattern);
  expect(words(['130/90-16', '130/80-16'])).toEqual([
    '{0} tall',
    'axle {0} lower',
    'as wide',
    '{0} sidewall',
  ]);
  expect(words(['130/90-16', '130/80-16'], { above: 20, ahead: 30, left: 9 })).toEqual(
    expect.arrayContaining(['{0} clearance above', '{0} ahead', '{0} left']),
  );
  expect(words(['130/90-16', '130/80-16', '150/80-16'])).toEqual(
    expect.arrayContaining(['B {0} tall', 'C {0} tall']),
  );
});

test('whatever the sizes, nothing leaves the field', () => {
  const size = fc
    .tuple(
      fc.integer({ min: 60, max: 300 }),
      fc.integer({ min: 40, max: 100 }),
      fc.integer({ min: 8, max: 21 }),
    )
    .map(([w, r, d]) => `${w}/${r}-${d}`);
  const room = fc.record({
    above: fc.integer({ min: 0, max: 200 }),
    ahead: fc.integer({ min: 0, max: 200 }),
    left: fc.integer({ min: 0, max: 200 }),
  });
  fc.assert(
    fc.property(fc.array(size, { minLength: 2, maxLength: 4 }), room, (sizes, clearancesMm) => {
      for (const shape of draw(sizes, clearancesMm).shapes) {
        if (shape.kind === 'circle') {
          expect(shape.cx - shape.r).toBeGreaterThanOrEqual(0);
          expect(shape.cy + shape.r).toBeLessThanOrEqual(560);
        }
        if (shape.kind === 'bar')
          for (const v of [shape.x1, shape.x2, shape.y1, shape.y2])
            expect(v).toBeGreaterThanOrEqual(0);
        if (shape.kind === 'label')
          expect(shape.x >= 0 && shape.x <= 720 && shape.y >= 0 && shape.y <= 560).toBe(true);
      }
    }),
  );
});

test('lines of words are pushed apart and keep their order', () => {
  expect(spread([10, 12, 11], 5)).toEqual([10, 20, 15]);
  expect(spread([10, 100], 5)).toEqual([10, 100]);
  expect(spread([], 5)).toEqual([]);
});

test('a whole drawing, shape by shape: a change in any of them is meant, or it is a mistake', () => {
  const room = { above: 20, ahead: 30, left: 9, right: 12 };
  // The new tire as itself has tests of its own.
  const lines = (...input: Parameters<typeof draw>) => ({ ...draw(...input), newTire: null });
  expect(lines(['130/90-16', '130/80-16', '150/80-16'], room)).toMatchSnapshot();
  expect(lines(['130/90-16', '120/90-18'])).toMatchSnapshot();
});

test('strip and lock are in the section of a wheel that has them, and in no other', () => {
  const comparison = tireCompare.run({ sizes: ['110/90-19', '100/90-19'] }).result;
  const wheel = { build: 'spoked', spokes: 36 } as const;
  const roles = (more: object) =>
    new Set(
      sizePicture(comparison, {}, { wheel, hasTube: true, ...more }).newTire.section.map(
        (s) => s.role,
      ),
    );
  expect(roles({}).has('strip-cut') || roles({}).has('lock-cut')).toBe(false);
  expect(roles({ hasStrip: true }).has('strip-cut')).toBe(true);
  expect(roles({ hasLock: true }).has('lock-cut')).toBe(true);
});
