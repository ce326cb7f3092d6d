import { seeded } from '../../base/statistics';
import { TREADS } from '../tires';
import { shapeNumbers } from '../../../../tests/shape-numbers';
import { beadCloseUp, CUT_FIELD, wheelCut, type BeadPlace, type DrawnShape, type Section } from '.';
import { beadPoints } from './wheel-cut';

const SECTION: Section = {
  sectionMm: 180,
  heightMm: 99,
  rimWidthMm: 140,
  wellMm: 24,
  hasHump: true,
  tread: 'sport',
  hasTube: false,
};
const OVER = (overShare: number): BeadPlace => ({ overShare });
const both = (lower: BeadPlace, upper: BeadPlace) => ({
  near: { lower, upper },
  far: { lower, upper },
});
const beadsOf = (shapes: readonly DrawnShape[]) =>
  shapes.flatMap((s) => (s.kind === 'circle' && s.role === 'ink' ? [s] : []));

/** A section that a tire could have. */
const randomSection = (next: () => number): Section => {
  const sectionMm = 60 + next() * 260;
  return {
    sectionMm,
    heightMm: 40 + next() * 160,
    rimWidthMm: next() < 0.2 ? null : sectionMm * (0.5 + next() * 0.45),
    wellMm: next() < 0.3 ? null : 8 + next() * 30,
    hasHump: next() < 0.5,
    tread: TREADS[Math.floor(next() * TREADS.length)]!,
    hasTube: next() < 0.5,
    hasStrip: next() < 0.5,
  };
};

test('every cut of 200 random wheels stays in its field, wherever the beads are', () => {
  const next = seeded(411);
  const places: BeadPlace[] = ['seat', 'well', OVER(0), OVER(0.5), OVER(1)];
  for (let i = 0; i < 200; i += 1) {
    const section = randomSection(next);
    const upper = places[i % places.length]!;
    // The lower bead goes over after the upper one.
    const lower = upper !== 'seat' && typeof upper === 'object' ? places[(i * 3) % 5]! : 'well';
    const cut = { ...both(lower, upper), hasLever: i % 2 === 0, isBare: i % 7 === 0 };
    const shapes = wheelCut(section, cut, next() * 8);
    expect(shapes.flatMap(shapeNumbers).every(Number.isFinite)).toBe(true);
    for (const bead of beadsOf(shapes)) {
      expect(bead.cx).toBeGreaterThan(0);
      expect(bead.cx).toBeLessThan(CUT_FIELD.width);
      expect(bead.cy - bead.r).toBeGreaterThan(0);
      expect(bead.cy + bead.r).toBeLessThan(CUT_FIELD.height);
    }
  }
});

test('the far half mirrors the near one if the beads lie alike', () => {
  const [nearLow, nearUp, farLow, farUp] = beadsOf(wheelCut(SECTION, both('seat', 'seat')));
  expect(nearLow!.cx + farLow!.cx).toBeCloseTo(CUT_FIELD.width, 0);
  expect(nearLow!.cy).toBe(farLow!.cy);
  // The wheel lies flat: the upper bead is above the lower one.
  expect(nearUp!.cy).toBeLessThan(nearLow!.cy);
  expect(farUp!.cy).toBeLessThan(farLow!.cy);
});

test('a bead goes up, over the flange and down outside it', () => {
  const flangeX = SECTION.rimWidthMm! / 2;
  const at = (upper: BeadPlace) => beadPoints(SECTION, { lower: 'well', upper }).right;
  expect(at(OVER(0))).toEqual(at('seat'));
  expect(at('seat')[0]).toBeLessThan(flangeX);
  // Over the lip: outside the bead seat by more than a flange, 14 mm.
  expect(at(OVER(0.5))[1]).toBeGreaterThan(14);
  expect(at(OVER(1))[0]).toBeGreaterThan(flangeX);
  expect(at(OVER(1))[1]).toBeLessThan(at(OVER(0.5))[1]);
});

test('in the well a bead lies lower than its seat by the depth, less what lies there', () => {
  const seat = beadPoints(SECTION, { lower: 'seat', upper: 'seat' }).right[1];
  const well = (fillMm: number) =>
    beadPoints(SECTION, { lower: 'well', upper: 'well' }, fillMm).right[1];
  expect(seat - well(0)).toBeCloseTo(24, -1);
  expect(well(6) - well(0)).toBeCloseTo(6, 5);
  const climb = (seatShare: number) =>
    beadPoints(SECTION, { lower: 'well', upper: { seatShare } }).right[1];
  expect(climb(0)).toBe(well(0));
  expect(climb(1)).toBe(seat);
  expect(climb(0.5)).toBeCloseTo((seat + well(0)) / 2, 5);
});

test('lever, strip, tube, words and tire are drawn only if they are there', () => {
  const roles = (section: Section, more: object = {}) =>
    new Set(wheelCut(section, { ...both('well', OVER(0.5)), ...more }).map((s) => s.role));
  const plain = roles(SECTION);
  for (const role of ['lever', 'strip-cut', 'tube', 'label'] as const)
    expect(plain.has(role)).toBe(false);
  expect(roles(SECTION, { hasLever: true }).has('lever')).toBe(true);
  expect(roles({ ...SECTION, hasStrip: true }).has('strip-cut')).toBe(true);
  expect(roles({ ...SECTION, hasTube: true }).has('tube')).toBe(true);
  expect(roles(SECTION, { words: ['near', ''] }).has('label')).toBe(true);
  const bare = roles({ ...SECTION, hasTube: true }, { isBare: true });
  expect(bare.has('rim-cut')).toBe(true);
  expect(bare.has('rubber-cut') || bare.has('tube')).toBe(false);
});

test('the molded line shows on a bead that is on its seat, and on no other', () => {
  const hasLine = (share: number) =>
    beadCloseUp(SECTION, 'left', share).some((s) => s.role === 'live');
  expect(hasLine(1)).toBe(true);
  expect(hasLine(0.99)).toBe(false);
});

/** The points of the lines of a drawing. */
const pointsOf = (shapes: readonly DrawnShape[]) =>
  shapes.flatMap((s) =>
    s.kind === 'path' && s.role !== 'leader'
      ? [...s.d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map(
          (m) => [Number(m[1]), Number(m[2])] as const,
        )
      : [],
  );

test('a tire with both beads over the flange fills the field, and no line leaves it', () => {
  const next = seeded(97);
  for (let i = 0; i < 100; i += 1) {
    const section = randomSection(next);
    const points = pointsOf(wheelCut(section, both(OVER(1), OVER(1))));
    const xs = points.map(([x]) => x);
    const ys = points.map(([, y]) => y);
    expect(Math.min(...xs)).toBeGreaterThan(-1);
    expect(Math.max(...xs)).toBeLessThan(CUT_FIELD.width + 1);
    expect(Math.min(...ys)).toBeGreaterThan(-1);
    expect(Math.max(...ys)).toBeLessThan(CUT_FIELD.height + 1);
    const high = (Math.max(...ys) - Math.min(...ys)) / CUT_FIELD.height;
    const wide = (Math.max(...xs) - Math.min(...xs)) / CUT_FIELD.width;
    expect(Math.max(high, wide)).toBeGreaterThan(0.7);
  }
});

test('beads in the well lie side by side between its walls', () => {
  // Seats of 17 mm and slopes of 14 mm on each side leave a bottom of 78 mm of 140.
  const { left, right } = beadPoints(SECTION, { lower: 'well', upper: 'well' });
  expect(right[0]).toBe(-left[0]);
  expect(right[0]).toBeGreaterThan(5);
  expect(right[0] + 5).toBeLessThanOrEqual(39);
  // A narrow rim has no room beside: they touch in the middle, and do not cross.
  const narrow = beadPoints({ ...SECTION, rimWidthMm: 40 }, { lower: 'well', upper: 'well' });
  expect(narrow.right[0]).toBeGreaterThanOrEqual(5);
});

test('a lower bead outside lies under the upper one, and both outside the flange', () => {
  const { left, right } = beadPoints(SECTION, { lower: OVER(1), upper: OVER(1) });
  expect(left[0]).toBeGreaterThan(SECTION.rimWidthMm! / 2);
  expect(left[0]).toBeLessThan(right[0]);
});

test('the lever comes from under the bead, over the flange, and back toward the axle', () => {
  const cut = { ...both('well', OVER(0.5)), hasLever: true };
  const shapes = wheelCut(SECTION, cut);
  const [hook, lip, , handle] = pointsOf(shapes.filter((s) => s.role === 'lever'));
  const [, bead] = beadsOf(shapes);
  // On the left half the tread is to the left, the axle to the right, the upper side on top.
  expect(hook![1]).toBeGreaterThan(bead!.cy);
  expect(lip![1]).toBeLessThan(hook![1]);
  expect(handle![1]).toBeLessThan(lip![1]);
  expect(handle![0]).toBeGreaterThan(lip![0]);
  expect(handle![0]).toBeLessThan(CUT_FIELD.width / 2);
});
