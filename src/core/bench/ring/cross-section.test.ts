import fc from 'fast-check';
import { crossSection, SECTION_FIELD } from '.';

const RIM = {
  build: 'beadlock',
  rings: 2,
  overallWidthMm: 300,
  innerWidthMm: 268,
  backspaceMm: 120,
  stepMm: 380,
  flangeMm: null,
  wellMm: null,
  circleMm: null,
  ringGapMm: 17.2,
} as const;
const say = (mm: number) => `${mm.toFixed(0)} mm`;
const numbers = (d: string) => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

test('the numbers stand where they were measured: width, backspace, offset, gap', () => {
  const shapes = crossSection(RIM, say)!;
  const texts = shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
  expect(texts).toEqual(['300 mm over all', 'backspace 120 mm', 'offset -30 mm', 'gap 17 mm']);
  expect(
    crossSection({ ...RIM, backspaceMm: 150 }, say)!.some(
      (s) => s.kind === 'text' && /offset/.test(s.text),
    ),
  ).toBe(false);
});

test('it is to scale: the mounting face lies at the backspace’s share of the width', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 120, max: 400 }),
      fc.integer({ min: 5, max: 95 }),
      (wide, pct) => {
        const backspaceMm = (wide * pct) / 100;
        const shapes = crossSection(
          { ...RIM, overallWidthMm: wide, innerWidthMm: wide - 24, backspaceMm },
          say,
        )!;
        const face = shapes.find((s) => s.kind === 'path' && s.role === 'live');
        const over = shapes.find((s) => s.kind === 'path' && s.role === 'ink');
        if (face?.kind !== 'path' || over?.kind !== 'path') throw new Error('not drawn');
        const xs = numbers(over.d.split('M')[1]!);
        const toX = numbers(over.d.split('H')[1]!)[0]!;
        expect((numbers(face.d)[0]! - xs[0]!) / (toX - xs[0]!)).toBeCloseTo(pct / 100, 2);
      },
    ),
  );
});

test('whatever was measured, nothing leaves the field; without width or backspace there is no drawing', () => {
  const maybe = (min: number, max: number) => fc.option(fc.integer({ min, max }));
  fc.assert(
    fc.property(
      fc.record({
        overallWidthMm: fc.integer({ min: 30, max: 800 }),
        backspaceMm: fc.integer({ min: 0, max: 790 }),
        innerWidthMm: maybe(30, 700),
        stepMm: maybe(80, 700),
        flangeMm: maybe(80, 750),
        wellMm: maybe(60, 700),
      }),
      (measured) => {
        const shapes = crossSection({ ...RIM, ...measured }, say);
        if (measured.backspaceMm >= measured.overallWidthMm) return expect(shapes).toBeNull();
        for (const s of shapes!)
          for (const v of s.kind === 'path' ? numbers(s.d) : s.kind === 'text' ? [s.x, s.y] : []) {
            expect(v).toBeGreaterThanOrEqual(0);
            expect(v).toBeLessThanOrEqual(SECTION_FIELD.width);
          }
      },
    ),
  );
  expect(crossSection({ ...RIM, backspaceMm: null }, say)).toBeNull();
  expect(crossSection({ ...RIM, overallWidthMm: null }, say)).toBeNull();
});

test('two rings are drawn on a wheel of two, one on a wheel of one, none on a cast wheel', () => {
  const rings = (more: object) =>
    crossSection({ ...RIM, ...more }, say)!.filter((s) => s.role === 'lock').length;
  expect([rings({}), rings({ rings: 1 }), rings({ build: 'cast' })]).toEqual([2, 1, 0]);
});

test('what the caliper said stands at its bead, and the bundle is drawn as thick', () => {
  const beads = {
    outer: { bundleMm: [20, 22], gapMm: [18] },
    inner: { bundleMm: [30], gapMm: [] },
  };
  const texts = (more: object, b = {}) =>
    crossSection({ ...RIM, ...more }, say, b)!.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
  expect(texts({}, beads)).toEqual(
    expect.arrayContaining(['bundle 21 mm, gap 18 mm', 'bundle 30 mm']),
  );
  expect(texts({ ringGapMm: null })).not.toContainEqual(expect.stringMatching(/gap|bundle/));
  const [inner, outer] = crossSection(RIM, say, beads)!.flatMap((s) => {
    if (s.kind !== 'path' || s.role !== 'rubber') return [];
    const xs = numbers(s.d).filter((_, i) => i % 2 === 0);
    return [Math.max(...xs) - Math.min(...xs)];
  });
  expect(inner! / outer!).toBeCloseTo(30 / 21, 1);
});
