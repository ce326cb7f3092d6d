import { normalDeg } from '../../base/units';
import type { WheelRadii } from './drawn-wheel';
import type { Box, Label } from './labels';
import { ARROW_DEG, type DialMark } from './marks';
import { at, band, coordinate, dot, path, ray, spot, type DrawnShape } from './shapes';

/** Letters of the words on a dial, in units of the field: 13 px and more at a station, 12 on a phone. */
export const LETTERS = { plain: 21, strong: 25, low: 27 } as const;

/** What a mark draws: its shapes, its words without a place yet, and what words must not cover. */
export interface DrawnMark {
  shapes: DrawnShape[];
  labels?: Label[];
  taken?: Box[];
}

/** The frame in which marks are drawn. */
export interface MarkFrame {
  radii: WheelRadii;
  /** An angle from the valve as it is seen. */
  seen: (deg: number) => number;
  isOver: boolean;
  isSpoked: boolean;
  /** How many times larger than at a station letters are. */
  letters: number;
  /** Bites that stand farther out, since their neighbor is too near. */
  farther: ReadonlySet<DialMark>;
}

const middleOf = (fromDeg: number, toDeg: number): number =>
  normalDeg(fromDeg + normalDeg(toDeg - fromDeg) / 2);

const boxAt = (deg: number, r: number, half: number): Box => {
  const [x, y] = at(deg, r);
  return { x, y, halfW: half, halfH: half };
};

/** A number in a circle on the sidewall. */
const numbered = (
  deg: number,
  r: number,
  {
    n,
    role,
    isNow,
    letters,
  }: { n: number; role: 'bite' | 'bite-done' | 'bite-now'; isNow: boolean; letters: number },
): DrawnShape[] => {
  const [x, cy] = at(deg, r);
  const size = (isNow ? 25 : 21) * letters;
  return [
    dot(role, deg, r, (isNow ? 19 : NUMBER_R) * letters),
    {
      kind: 'text',
      role: isNow ? 'bite-now' : 'bite',
      x,
      y: coordinate(cy + size * 0.35),
      text: String(n),
      size,
      anchor: 'middle',
    },
  ];
};

const arrow = (clockwise: boolean, { rimOut, shoulder }: WheelRadii): DrawnShape[] => {
  const way = clockwise ? 1 : -1;
  const r = (shoulder + rimOut) / 2;
  const [from, to] = [ARROW_DEG - 12 * way, ARROW_DEG + 12 * way];
  const head = `M${spot(to, r - 9)}L${spot(to + 5 * way, r)}L${spot(to, r + 9)}Z`;
  const its = coordinate(r);
  return [
    path('arrow', `M${spot(from, r)}A${its} ${its} 0 0 ${clockwise ? 1 : 0} ${spot(to, r)}`, false),
    path('arrow', head),
  ];
};

const WORDS = { start: 'start here', finish: 'finish here', keeper: 'bead keeper' } as const;

/** Half the width of a weight along the rim, and how far it reaches inward. */
const CLIP = { halfDeg: 3.4, deep: 17 };
const STRIP = { halfDeg: 5, deep: 10 };
const TAPED = { halfDeg: 4.5, deep: 17 };

/** Radius of a number's circle, and how far one is moved outward beside a near neighbor. */
const NUMBER_R = 15;
const FARTHER = 26;

/** The bites whose numbers would cover their neighbor's: every other one of a close row. */
export const fartherBites = (
  marks: readonly DialMark[],
  { rimOut, shoulder }: WheelRadii,
): ReadonlySet<DialMark> => {
  const bites = marks.flatMap((m) => (m.is === 'bite' ? [m] : [])).sort((a, b) => a.deg - b.deg);
  const nearDeg = ((2 * NUMBER_R + 1) / ((rimOut + shoulder) / 2)) * (180 / Math.PI);
  const farther = new Set<DialMark>();
  let last: number | null = null;
  for (const bite of bites)
    if (last !== null && bite.deg - last < nearDeg) {
      farther.add(bite);
      last = null;
    } else last = bite.deg;
  return farther;
};

/** A mark as shapes; every kind of mark has its case. */
export const markShapes = (mark: DialMark, frame: MarkFrame): DrawnMark => {
  const { radii, seen, isOver } = frame;
  const { tread, shoulder, rimOut, rimIn, hub } = radii;
  const onSidewall = (rimOut + shoulder) / 2;
  const arc = (from: number, to: number): [number, number] =>
    isOver ? [seen(to), seen(from)] : [seen(from), seen(to)];
  switch (mark.is) {
    case 'lock': {
      const deg = seen(mark.deg);
      return {
        shapes: [path('lock', band(deg - 10, deg + 10, rimOut - 2, rimIn - 8))],
        labels: [{ role: 'label', text: 'rim lock', size: LETTERS.plain, deg, zone: 'out' }],
        taken: [boxAt(deg, rimIn - 2, 10)],
      };
    }
    case 'light-mark': {
      const deg = seen(mark.deg);
      const r = rimOut + (shoulder - rimOut) * 0.8;
      return {
        shapes: [dot('mark', deg, r, 9)],
        labels: [
          {
            role: 'label',
            text: 'light mark',
            size: LETTERS.plain,
            deg,
            zone: 'out',
            from: r + 10,
          },
        ],
      };
    }
    case 'start':
    case 'finish':
    case 'keeper': {
      const deg = seen(mark.deg);
      const isStart = mark.is === 'start';
      const [cx, cy] = at(deg, onSidewall);
      const isKeeper = mark.is === 'keeper';
      return {
        shapes: [
          isStart
            ? path('live', band(deg - 6, deg + 6, rimOut + 4, rimIn - 2))
            : { kind: 'circle', role: isKeeper ? 'ink' : 'live', cx, cy, r: 9, filled: isKeeper },
        ],
        labels: [
          {
            role: isStart ? 'live' : 'label',
            text: WORDS[mark.is],
            size: LETTERS.plain,
            deg,
            zone: 'in',
          },
        ],
      };
    }
    case 'bite':
      return {
        shapes: numbered(seen(mark.deg), onSidewall + (frame.farther.has(mark) ? FARTHER : 0), {
          n: mark.n,
          role: mark.now ? 'bite-now' : mark.done ? 'bite-done' : 'bite',
          isNow: mark.now,
          letters: frame.letters,
        }),
      };
    case 'bolt': {
      const deg = seen(mark.deg);
      const isNow = mark.state === 'now';
      return {
        shapes: [
          dot('ink', deg, (rimIn + rimOut) / 2, 4),
          ...numbered(deg, Math.max(rimOut + 20, Math.min(onSidewall, rimOut + 34)), {
            n: mark.n,
            role: isNow ? 'bite-now' : mark.state === 'done' ? 'bite-done' : 'bite',
            isNow,
            letters: frame.letters,
          }),
        ],
      };
    }
    case 'gap': {
      const deg = seen(mark.deg);
      // As wide as the ring stands open there.
      const wide = 4 + 26 * mark.share;
      return {
        shapes: [path('wedge', band(deg - 8, deg + 8, rimIn - 4, rimIn - 4 - wide))],
        labels: [
          {
            role: 'label',
            text: mark.label,
            size: LETTERS.plain,
            deg,
            zone: 'in',
            r: rimIn - 20 - wide,
          },
        ],
        taken: [boxAt(deg, rimIn - 4 - wide / 2, wide / 2)],
      };
    }
    case 'push': {
      const [from, to] = arc(mark.fromDeg, mark.toDeg);
      const deg = middleOf(from, to);
      return {
        shapes: [path('wedge', band(from, to, rimIn - 2, rimIn - 30))],
        labels: [
          { role: 'live', text: 'push down', size: LETTERS.plain, deg, zone: 'in', r: rimIn - 62 },
        ],
      };
    }
    case 'far': {
      const [from, to] = arc(mark.fromDeg, mark.toDeg);
      const deg = middleOf(from, to);
      // In the well it lies deep inside the rim and full, on its seat at the rim's edge and open:
      // told apart without color.
      if (mark.lies === 'seat')
        return { shapes: [path('seat', band(from, to, rimOut - 1, rimIn + 1), false)] };
      return {
        shapes: [path('wedge', band(from, to, rimIn - 8, rimIn - 28))],
        labels: [
          {
            role: 'live',
            text: 'in the well',
            size: LETTERS.plain,
            deg,
            zone: 'in',
            r: rimIn - 60,
          },
        ],
      };
    }
    case 'heavy': {
      const deg = seen(mark.deg);
      return {
        shapes: [
          path('wedge', band(deg - 7, deg + 7, rimIn - 4, hub + 6)),
          ray('heavy', deg, hub, rimIn - 4),
        ],
        labels: [
          {
            role: 'heavy',
            text: mark.label ?? 'heavy',
            size: LETTERS.strong,
            deg,
            zone: 'in',
            r: (hub + rimIn) / 2 + 8,
          },
        ],
      };
    }
    case 'belief': {
      const reach = rimIn - 8;
      const out = (massG: number) => Math.min(reach, (massG / mark.fullG) * reach);
      const corners = mark.region.map((p) => spot(seen(p.deg), out(p.massG)));
      const deg = seen(mark.heavy.deg);
      const far = out(mark.heavy.massG);
      return {
        shapes: [
          path('wedge', `M${corners.join('L')}Z`),
          ray('heavy', deg, 0, far),
          dot('heavy', deg, far, 7),
        ],
        labels: [
          {
            role: 'heavy',
            text: mark.label,
            size: LETTERS.strong,
            deg,
            zone: 'in',
            r: Math.max(hub + 20, far - 34),
          },
        ],
        taken: [boxAt(deg, far, 9)],
      };
    }
    case 'rest': {
      const deg = seen(mark.deg);
      return {
        shapes: [ray('heavy', deg, rimIn - 26, rimIn)],
        labels: [{ role: 'heavy', text: mark.label, size: LETTERS.plain, deg, zone: 'in' }],
        taken: [boxAt(deg, rimIn - 13, 9)],
      };
    }
    case 'trial':
    case 'weight': {
      const deg = seen(mark.deg);
      const isTrial = mark.is === 'trial';
      const { halfDeg, deep } = isTrial ? TAPED : frame.isSpoked ? CLIP : STRIP;
      const role = isTrial ? 'live' : 'weight';
      return {
        shapes: [path(role, band(deg - halfDeg, deg + halfDeg, rimIn + 1, rimIn + 1 - deep))],
        labels: [{ role, text: mark.label, size: LETTERS.plain, deg, zone: 'in' }],
        taken: [boxAt(deg, rimIn - deep / 2, deep / 2)],
      };
    }
    case 'line': {
      const deg = seen(mark.deg);
      // A low place is a notch cut outward, an even one a full stone: told apart without color.
      if (mark.even === false)
        return {
          shapes: [path('line-low', band(deg - 7, deg + 7, tread, rimOut))],
          labels: [{ role: 'line-low', text: 'low', size: LETTERS.low, deg, zone: 'in' }],
        };
      return {
        shapes: [dot(mark.even ? 'line-even' : 'line-open', deg, onSidewall, mark.even ? 18 : 14)],
      };
    }
    case 'finding': {
      const deg = seen(mark.deg);
      return {
        shapes: [
          path(
            'finding',
            `M${spot(deg, rimOut + 15)}L${spot(deg + 3.2, rimOut)}L${spot(deg, rimOut - 15)}L${spot(deg - 3.2, rimOut)}Z`,
          ),
        ],
        labels: [{ role: 'label', text: mark.label, size: LETTERS.plain, deg, zone: 'out' }],
        taken: [boxAt(deg, rimOut, 15)],
      };
    }
    // The valve is drawn so.
    case 'lean':
      return { shapes: [] };
    case 'arrow':
      return { shapes: arrow(isOver ? !mark.clockwise : mark.clockwise, radii) };
  }
};
