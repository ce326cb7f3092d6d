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

  test('a sensor ring is drawn only if its side is known, over the spokes on that side', () => {
    const order = (more: object, sideUp?: 'other') => {
      const list = roles({ ...SPOKED, discSide: 'right', ...more }, { ...(sideUp && { sideUp }) });
      return list.indexOf('plate') - list.lastIndexOf('spoke');
    };
    expect(roles({ ...SPOKED, discSide: 'right' })).not.toContain('plate');
    expect(order({ sensorSide: 'right' })).toBeGreaterThan(0);
    expect(order({ sensorSide: 'right' }, 'other')).toBeLessThan(0);
  });

  test('the valve by its kind: a nut in a small hole, a taper for rubber, plain if not known', () => {
    const valve = (more: object, marks: DialMark[] = []) => {
      const shapes = wheelDial({
        wheel: { ...SPOKED, ...more },
        marks,
        sideUp: 'disc',
        tireOn: true,
      });
      const cap = shapes.findIndex((s) => s.role === 'valve');
      // The stem, and its nut, come right before the cap.
      const before = shapes.slice(0, cap);
      return before.slice(before.findLastIndex((s) => s.role !== 'ink') + 1);
    };
    /** Widths at the rim and at the cap. */
    const widths = (more: object) => {
      const [x0, x1, x2, x3] = shapeNumbers(valve(more)[0]!).filter((_, i) => i % 2 === 0);
      return [x1! - x0!, x2! - x3!].map(Math.round);
    };
    expect(widths({})).toEqual([9, 9]);
    expect(widths({ tube: false })).toEqual([15, 8]);
    expect(widths({ tube: true, valveHoleMm: 8.5 })).toEqual([7, 7]);
    expect(valve({ tube: true, valveHoleMm: 8.5 })).toHaveLength(2);
    expect(widths({ tube: true, valveHoleMm: 11.5 })).toEqual([15, 8]);
    expect(widths({ tube: true, valveHoleMm: null })).toEqual([9, 9]);
    // Straight toward the axle, unless it was found at a slant: then 20°.
    const slant = (marks: DialMark[]) => {
      const [x0, y0, x1, y1] = shapeNumbers(valve({}, marks)[0]!);
      return (Math.atan2(y0! - y1!, x1! - x0!) * 180) / Math.PI;
    };
    expect(slant([])).toBe(0);
    expect(slant([{ is: 'lean' }])).toBeCloseTo(20, 0);
  });

  test.each(['disc', 'other'] as const)(
    'a finding stands at its place from the %s side',
    (sideUp) => {
      const shapes = draw([{ is: 'finding', deg: 100, label: 'dent' }], sideUp);
      const mark = shapes.find((s) => s.role === 'finding')!;
      const [xs, ys] = [0, 1].map((k) => shapeNumbers(mark).filter((_, i) => i % 2 === k));
      const mean = (list: number[]) => list.reduce((sum, x) => sum + x, 0) / list.length;
      const deg = (Math.atan2(mean(xs!) - 300, 300 - mean(ys!)) * 180) / Math.PI;
      const want = sideUp === 'disc' ? 100 : 260;
      expect(Math.abs(angleBetween(deg, want))).toBeLessThan(0.5);
      expect(text(shapes, 'dent')).toBeDefined();
    },
  );

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
