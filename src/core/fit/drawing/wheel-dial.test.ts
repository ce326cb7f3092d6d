import { angleBetween, mirrored } from '../../base/units';
import { TREADS } from '../tires';
import { wheelDial, type DialMark, type DrawnShape, type DrawnWheel } from '.';
import { wheelRadii } from './drawn-wheel';
import { shapeNumbers } from '../../../../tests/shape-numbers';

const SPOKED: DrawnWheel = { build: 'spoked', spokes: 36, lacing: '3x', tireMarking: '110/90-19' };

const draw = (marks: DialMark[], sideUp: 'disc' | 'other' = 'disc', tireOn = true) =>
  wheelDial({ wheel: SPOKED, marks, sideUp, tireOn });

type Placed = Extract<DrawnShape, { kind: 'text' | 'circle' }>;
const isPlaced = (shape: DrawnShape | undefined): shape is Placed =>
  shape?.kind === 'text' || shape?.kind === 'circle';

/** Where on the clock a shape's text or circle stands. */
const degOf = (shape: DrawnShape | undefined): number => {
  if (!isPlaced(shape)) throw new Error('no place');
  const [x, y] =
    shape.kind === 'circle' ? [shape.cx, shape.cy] : [shape.x, shape.y - shape.size * 0.35];
  return ((Math.atan2(x - 300, 300 - y) * 180) / Math.PI + 360) % 360;
};

const text = (shapes: DrawnShape[], said: string) =>
  shapes.find((s) => s.kind === 'text' && s.text === said);

describe('the dial', () => {
  test('a mark stands at its angle, clockwise from the valve at 12', () => {
    const light = draw([{ is: 'light-mark', deg: 210 }]).find((s) => s.role === 'mark');
    expect(degOf(light)).toBeCloseTo(210, 0);
    expect(degOf(text(draw([{ is: 'lock', deg: 210 }]), 'rim lock'))).toBeCloseTo(210, -1);
    expect(degOf(text(draw([]), 'valve'))).toBeCloseTo(0, 0);
    expect(degOf(text(draw([]), '3'))).toBeCloseTo(90, -1);
  });

  test.each([0, 30, 95, 180, 210, 300])('from the other side %d° is mirrored', (deg) => {
    const shape = draw([{ is: 'light-mark', deg }], 'other').find((s) => s.role === 'mark');
    expect(Math.abs(angleBetween(degOf(shape), mirrored(deg)))).toBeLessThan(0.5);
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
});

describe('the wheel as itself', () => {
  const roles = (wheel: DrawnWheel, more: { sideUp?: 'other'; drive?: boolean } = {}) =>
    wheelDial({
      wheel,
      marks: [],
      sideUp: more.sideUp ?? 'disc',
      tireOn: true,
      ...(more.drive && { drive: { drive: 'chain', sprocketRear: 48 } as const }),
    }).map((s) => s.role);
  const count = (list: readonly string[], role: string) => list.filter((r) => r === role).length;

  test('overall and rim diameter are in the proportion of the marking', () => {
    // 110/90-19: 482.6 mm at the bead, 99 mm of section height.
    const { tread, scale } = wheelRadii(SPOKED, true);
    expect(tread / scale).toBeCloseTo((482.6 + 2 * 99) / 2, 0);
    const scooter = wheelRadii({ ...SPOKED, tireMarking: '3.50-10' }, true);
    expect(scooter.tread).toBeLessThan(tread * 0.8);
    expect(scooter.rimOut / scooter.tread).toBeLessThan(0.7);
    // Measured values come before the usual ones.
    const measured = wheelRadii({ ...SPOKED, flangeMm: 520, wellMm: 440 }, true);
    expect(measured.rimOut / measured.scale).toBeCloseTo(260, 5);
    expect(measured.rimIn / measured.scale).toBeCloseTo(217, 5);
  });

  test('spokes by number, half of them on each flange, which change places from the other side', () => {
    const front = (sideUp?: 'other') =>
      wheelDial({ wheel: SPOKED, marks: [], sideUp: sideUp ?? 'disc', tireOn: true }).filter(
        (s) => s.role === 'spoke',
      );
    expect(front()).toHaveLength(18);
    expect(count(roles(SPOKED), 'spoke-far')).toBe(18);
    expect(JSON.stringify(front())).not.toBe(JSON.stringify(front('other')));
  });

  test.each([
    ['radial', 0],
    ['1x', 20],
    ['2x', 40],
    ['3x', 60],
    ['4x', 80],
  ] as const)('a %s spoke of 36 ends %d° away from its nipple at the hub', (lacing, awayDeg) => {
    const spokes = wheelDial({
      wheel: { ...SPOKED, lacing },
      marks: [],
      sideUp: 'disc',
      tireOn: true,
    }).filter((s) => s.role === 'spoke');
    for (const spoke of spokes) {
      const [x1, y1, x2, y2] = shapeNumbers(spoke) as [number, number, number, number];
      const deg = (x: number, y: number) => (Math.atan2(x - 300, 300 - y) * 180) / Math.PI;
      expect(Math.abs(angleBetween(deg(x1, y1), deg(x2, y2)))).toBeCloseTo(awayDeg, -0.5);
    }
  });

  test('what no one has recorded is not drawn', () => {
    const plain = roles({ build: 'cast', spokes: 0 }, { drive: true });
    for (const role of ['cast', 'disc', 'drive', 'molding', 'spoke'])
      expect(count(plain, role)).toBe(0);
    expect(count(plain, 'plate')).toBe(1);
    expect(count(roles({ build: 'beadlock', spokes: 0 }), 'ink')).toBe(
      count(roles({ build: 'cast', spokes: 0 }), 'ink'),
    );
  });

  test('cast spokes by number and shape, openings, bolts and lugs by number', () => {
    const cast = (castShape: DrawnWheel['castShape']) =>
      count(roles({ build: 'cast', spokes: 5, castShape: castShape ?? null }), 'cast');
    expect([cast('single'), cast('double'), cast('fork'), cast('plate')]).toEqual([5, 10, 10, 0]);
    const bolts = (wheel: DrawnWheel) => count(roles(wheel), 'ink');
    const bare = bolts({ build: 'beadlock', spokes: 0 });
    expect(bolts({ build: 'beadlock', spokes: 0, ringBolts: 16 }) - bare).toBe(16);
    expect(bolts({ build: 'split', spokes: 0, rimBolts: 5 }) - bare).toBe(5);
    expect(bolts({ build: 'cast', spokes: 0, holes: 4, circleMm: 110 }) - bare).toBe(4);
  });

  test('disc and sprocket lie on their sides: over the spokes on the near one, under on the far', () => {
    const wheel: DrawnWheel = { ...SPOKED, discSide: 'right', discMm: 240, drivenSide: 'left' };
    const order = (sideUp?: 'other') => {
      const list = roles(wheel, { drive: true, ...(sideUp && { sideUp }) });
      return {
        disc: list.indexOf('disc') > list.lastIndexOf('spoke'),
        drive: list.indexOf('drive') > list.lastIndexOf('spoke'),
      };
    };
    expect(order()).toEqual({ disc: true, drive: false });
    expect(order('other')).toEqual({ disc: false, drive: true });
    const both = roles({ ...wheel, discSide: 'both' }, { sideUp: 'other' });
    expect(both.indexOf('disc')).toBeGreaterThan(both.lastIndexOf('spoke'));
  });

  test('every tread looks like no other', () => {
    const looks = TREADS.filter((t) => t !== 'other').map((tireTread) =>
      JSON.stringify(
        wheelDial({ wheel: { ...SPOKED, tireTread }, marks: [], sideUp: 'disc', tireOn: true }),
      ),
    );
    expect(new Set(looks).size).toBe(looks.length);
  });

  test('the sidewall has its own marking, clear of the marks on it', () => {
    const molded = (marks: DialMark[]) =>
      wheelDial({ wheel: SPOKED, marks, sideUp: 'disc', tireOn: true }).flatMap((s) =>
        s.kind === 'arc-text' ? [s] : [],
      );
    expect(molded([]).map((s) => s.text)).toEqual(['110/90-19']);
    const [free] = molded([]);
    const [moved] = molded([{ is: 'bite', deg: free!.deg, n: 1, done: false, now: false }]);
    expect(Math.abs(angleBetween(free!.deg, moved!.deg))).toBeGreaterThan(10);
    const full = Array.from({ length: 24 }, (_, i): DialMark => ({
      is: 'bite',
      deg: i * 15,
      n: i + 1,
      done: false,
      now: false,
    }));
    expect(molded(full)).toEqual([]);
  });
});

test('numbers of bites close together stand apart, the others on one circle', () => {
  const bites = [0, 7, 14, 21, 60, 120].map((deg, i): DialMark => ({
    is: 'bite',
    deg,
    n: i + 1,
    done: false,
    now: false,
  }));
  const circles = draw(bites).flatMap((s) => (s.kind === 'circle' && s.role === 'bite' ? [s] : []));
  expect(circles).toHaveLength(6);
  const covered = circles.flatMap((a, i) =>
    circles.slice(i + 1).filter((b) => Math.hypot(a.cx - b.cx, a.cy - b.cy) < a.r + b.r - 1),
  );
  expect(covered).toEqual([]);
  const far = (c: (typeof circles)[number]) => Math.hypot(c.cx - 300, c.cy - 300);
  expect(far(circles[4]!)).toBeCloseTo(far(circles[5]!), 0);
});
