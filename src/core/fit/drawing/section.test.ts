import { readTire } from '../tires';
import { sectionOf, sectionOutline, sectionShapes } from '.';

const PLACE = { x: 300, y: 300, scale: 2 };
const numbers = (d: string): [number, number][] =>
  [...d.matchAll(/(-?[\d.]+) (-?[\d.]+)/g)].map((m) => [Number(m[1]), Number(m[2])]);

const section = (marking: string, rimCode: string, more: object = {}) =>
  sectionOf(readTire(marking), { rimCode, ...more }, { hasTube: false });

test('the outline is as wide and as high as the marking says', () => {
  // 180/55 R 17: 180 mm wide, 99 mm high (ETRTO notation: the aspect ratio in percent).
  const points = numbers(sectionOutline(section('180/55ZR17', 'MT5.50x17'), PLACE));
  const xs = points.map(([x]) => x);
  const ys = points.map(([, y]) => y);
  expect((Math.max(...xs) - Math.min(...xs)) / 2).toBeCloseTo(180, 0);
  expect((300 - Math.min(...ys)) / 2).toBeCloseTo(99, 0);
});

test('beads sit inside the flanges of the rim by its code', () => {
  const shapes = sectionShapes(section('180/55ZR17', 'MT5.50x17'), PLACE);
  const beads = shapes.flatMap((s) => (s.kind === 'circle' ? [s] : []));
  expect(beads).toHaveLength(2);
  // 5.50 in between the flanges.
  for (const bead of beads) {
    expect(Math.abs(bead.cx - 300) / 2 + bead.r / 2).toBeLessThan((5.5 * 25.4) / 2);
    expect(Math.abs(bead.cx - 300) / 2).toBeGreaterThan((5.5 * 25.4) / 2 - 10);
  }
});

test('tube, hump, well and blocks are drawn only if they are there', () => {
  const roles = (...args: Parameters<typeof sectionOf>) =>
    sectionShapes(sectionOf(...args), PLACE).map((s) => s.role);
  const size = readTire('110/90-19');
  expect(roles(size, {}, { hasTube: true })).toContain('tube');
  expect(roles(size, {}, { hasTube: false })).not.toContain('tube');
  const count = (tireTread: 'soft' | 'sport') =>
    roles(size, { tireTread }, { hasTube: false }).filter((r) => r === 'rubber-cut').length;
  expect(count('soft') - count('sport')).toBe(5);
  const rim = (code: string, wellMm: number | null = null) => {
    const line = sectionShapes(section('110/90-19', code, { wellMm }), PLACE).find(
      (s) => s.role === 'rim-cut',
    );
    return numbers(line?.kind === 'path' ? line.d : '');
  };
  // The well lies as deep as it was measured: (482.6 - 430) / 2 under the seat.
  const deepest = Math.max(...rim('2.15x19', 430).map(([, y]) => y));
  expect((deepest - 300) / 2).toBeCloseTo((482.6 - 430) / 2, 0);
  const humps = (code: string) => rim(code).filter(([, y]) => y > 285 && y < 299).length;
  expect(humps('MT2.15x19')).toBe(humps('WM3-19') + 2);
});

test('symmetric about the middle', () => {
  const points = numbers(sectionOutline(section('120/70ZR17', 'MT3.50x17'), PLACE));
  const mirror = points.map(([x, y]) => `${(600 - x).toFixed(1)} ${y.toFixed(1)}`).sort();
  expect(points.map(([x, y]) => `${x.toFixed(1)} ${y.toFixed(1)}`).sort()).toEqual(mirror);
});
