import { seeded } from '../src/core/base/statistics';
import { TREADS } from '../src/core/fit/tires';
import { drawDial, wheelDial, type DialMark, type DrawnWheel } from '../src/core/fit/drawing';
import { overlap } from '../src/core/fit/drawing/labels';
import { BUILDS, CAST_SHAPES, LACINGS, type Build } from '../src/core/fit/wheels';
import { DEMO_MACHINES, DEMO_PAIRS, DEMO_WHEELS } from '../src/demo/demo-shop';
import { shapeNumbers } from './shape-numbers';

describe('words on any wheel', () => {
  const allMarks = (next: () => number): DialMark[] => {
    const deg = () => Math.round(next() * 360) % 360;
    const weights = Array.from({ length: 1 + Math.floor(next() * 4) }, (): DialMark => ({
      is: next() < 0.7 ? 'weight' : 'trial',
      deg: deg(),
      label: next() < 0.5 ? '2 × 10 g' : '7 g',
    }));
    const scenes: DialMark[][] = [
      [{ is: 'heavy', deg: deg(), label: '41 g' }, ...weights, { is: 'light-mark', deg: deg() }],
      [
        { is: 'start', deg: deg() },
        { is: 'finish', deg: deg() },
        { is: 'push', fromDeg: deg(), toDeg: deg() },
      ],
      Array.from({ length: 4 }, (_, i): DialMark => ({
        is: 'gap',
        deg: i * 90,
        share: next(),
        label: '0.35 mm',
      })),
      [{ is: 'rest', deg: deg(), label: 'bottom with it' }, ...weights],
    ];
    const locks = Array.from({ length: Math.floor(next() * 3) }, (): DialMark => ({
      is: 'lock',
      deg: deg(),
    }));
    return [...locks, ...scenes[Math.floor(next() * scenes.length)]!];
  };
  const pick = <T>(list: readonly T[], next: () => number): T =>
    list[Math.floor(next() * list.length)]!;
  const MARKINGS = ['80/100-21', '3.50-10', '180/55ZR17', '31.0/11.5-15', '25x8-12', '120/90-18'];
  const randomWheel = (next: () => number): DrawnWheel => {
    const build: Build = pick(BUILDS, next);
    return {
      build,
      spokes: build === 'spoked' ? pick([28, 32, 36], next) : pick([0, 3, 5, 9], next),
      lacing: pick([null, ...LACINGS], next),
      castShape: pick([null, ...CAST_SHAPES], next),
      tireMarking: pick(MARKINGS, next),
      tireTread: pick(TREADS, next),
      discSide: pick(['left', 'right', 'both', 'none'] as const, next),
      discMm: pick([null, 180, 240, 320], next),
      ringBolts: pick([null, 12, 16, 20], next),
      rimBolts: pick([null, 4, 5], next),
      holes: pick([null, 4, 5], next),
      circleMm: pick([null, 110, 137], next),
    };
  };
  const crossings = (boxes: readonly Parameters<typeof overlap>[0][]): number =>
    boxes.flatMap((a, i) => boxes.slice(i + 1).filter((b) => overlap(a, b) > 0)).length;

  const next = seeded(2036);
  const random = Array.from({ length: 100 }, () => ({
    wheel: randomWheel(next),
    marks: allMarks(next),
    sideUp: pick(['disc', 'other'] as const, next),
    tireOn: next() < 0.85,
  }));
  const demo = [...DEMO_WHEELS, ...DEMO_PAIRS].flatMap((wheel) =>
    (['disc', 'other'] as const).map((sideUp) => ({
      wheel,
      drive: DEMO_MACHINES.find((m) => m.id === wheel.machineId),
      marks: [
        ...wheel.rimLockDegs.map((deg): DialMark => ({ is: 'lock', deg })),
        ...allMarks(next),
      ],
      sideUp,
      tireOn: true,
    })),
  );

  test.each([
    ['a hundred random wheels', random],
    ['every demo wheel, from both sides', demo],
  ])('no label covers another: %s', (_, views) => {
    const covered = views.filter((view) => crossings(drawDial(view).labelBoxes) > 0);
    expect(covered).toEqual([]);
  });

  test('all is drawn with finite numbers inside the field, and no letter is smaller than 18', () => {
    const shapes = [...random, ...demo].flatMap((view) => wheelDial(view));
    const isOutside = (n: number) => !(n >= -10 && n <= 610);
    // An opening is part of an ellipse, written with its turn, which may be negative.
    const wrong = shapes.filter(
      (shape) =>
        !shapeNumbers(shape).every(Number.isFinite) ||
        (shape.role !== 'open' && shapeNumbers(shape).some(isOutside)) ||
        (shape.kind === 'text' && shape.size < 18),
    );
    expect(wrong).toEqual([]);
  });
});
