import type { DrawnShape } from '../fit/drawing';
import { beadPathDrawing, type BeadPathView } from './beads';
import { CHAIN_FIELD, chainDrawing } from './drive';

const say = (mm: number) => `${mm.toFixed(0)} mm`;
const paths = (shapes: readonly DrawnShape[], role: DrawnShape['role']): string[] =>
  shapes.flatMap((s) => (s.kind === 'path' && s.role === role ? [s.d] : []));
const texts = (shapes: readonly DrawnShape[]): string[] =>
  shapes.flatMap((s) => (s.kind === 'text' ? [s.text] : []));
/** The numbers of a path, in pairs as they come. */
const numbers = (d: string): number[] => (d.match(/-?\d+(\.\d+)?/g) ?? []).map(Number);

describe('a bead on its way over the flange', () => {
  const rim = { beadMm: 434, wellMm: 404, flangeMm: 458, axialMm: 44, fillMm: 0 };
  const view: BeadPathView = { rim, leftDeg: 72, biteMm: 65, farUpDeg: 0, say };
  const scale = 262 / 229;
  /** From the center of the drawing. */
  const radius = (x: number, y: number) => Math.hypot(x - 300, y - 300);

  test('rises from the well by a tangent, and ends on the flange', () => {
    const [flangeX, flangeY, wellX, wellY] = numbers(paths(beadPathDrawing(view), 'bead')[1]!) as [
      number,
      number,
      number,
      number,
    ];
    expect(radius(flangeX, flangeY)).toBeCloseTo(262, 0);
    expect(radius(wellX, wellY)).toBeCloseTo(202 * scale, 0);
    // Square to the radius there, as a straight line leaves a circle.
    const along = (flangeX - wellX) * (wellX - 300) + (flangeY - wellY) * (wellY - 300);
    expect(Math.abs(along) / (262 * 262)).toBeLessThan(0.01);
  });

  test('is symmetric to the top but for the bite, whose length is the one that was asked for', () => {
    const [x1, y1] = numbers(paths(beadPathDrawing(view), 'bead-bite')[0]!) as [number, number];
    const [x2, y2] = numbers(paths(beadPathDrawing(view), 'bead-bite')[0]!).slice(-2) as [
      number,
      number,
    ];
    const chord = Math.hypot(x2 - x1, y2 - y1) / scale;
    expect((2 * 229 * Math.asin(chord / (2 * 229))).toFixed(0)).toBe('65');
    // The far end of what is left lies as far to the other side.
    const [firstX] = numbers(paths(beadPathDrawing(view), 'bead')[1]!) as [number];
    expect(firstX - 300).toBeCloseTo(x2 - 300, 0);
  });

  test('says how much is to go, and where the far side is', () => {
    const down = texts(beadPathDrawing(view));
    expect(down).toContain(`${((72 / 360) * Math.PI * 458).toFixed(0)} mm to go`);
    expect(down).toContain('far side down in the well');
    const up = beadPathDrawing({ ...view, farUpDeg: 90 });
    expect(texts(up)).toContain('far side up on its seat');
    const [x, y] = numbers(paths(up, 'seat')[0]!) as [number, number];
    expect(radius(x, y)).toBeCloseTo(217 * scale, 0);
  });

  test('what lies in the well lifts the loop', () => {
    const filled = beadPathDrawing({ ...view, rim: { ...rim, fillMm: 6 } });
    const [, , x, y] = numbers(paths(filled, 'bead')[1]!) as [number, number, number, number];
    expect(radius(x, y)).toBeCloseTo(208 * scale, 0);
  });
});

describe('the lower run of a chain', () => {
  const view = { slackMm: 50, slackAfterMm: 34, wantMinMm: 30, wantMaxMm: 38, runMm: 605, say };
  /** How deep a curve hangs at its lowest: half of what its control point lies below its ends. */
  const depth = (d: string): number => {
    const [, y0, , control] = numbers(d) as [number, number, number, number];
    return (control - y0) / 2;
  };

  test('hangs half of its slack deep, now and after', () => {
    const shapes = chainDrawing(view);
    const now = depth(paths(shapes, 'seat')[0]!);
    const after = depth(paths(shapes, 'chain')[1]!);
    expect(now / after).toBeCloseTo(50 / 34, 1);
    const [top, bottom] = /^M\S+ (\S+)h.*V([\d.]+)m/
      .exec(paths(shapes, 'heavy')[0]!)!
      .slice(1)
      .map(Number);
    expect(after).toBeGreaterThan(top! - 150);
    expect(after).toBeLessThan(bottom! - 150);
  });

  test('has one line where nothing moves, and stays on its field with the slackest chain', () => {
    expect(paths(chainDrawing({ ...view, slackMm: 34 }), 'seat')).toEqual([]);
    const wild = chainDrawing({ ...view, slackMm: 200, wantMaxMm: 200 });
    for (const s of wild)
      if (s.kind === 'text') expect(s.y).toBeLessThanOrEqual(CHAIN_FIELD.height);
  });
});
