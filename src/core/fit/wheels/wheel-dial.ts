import { mirrored, normalDeg } from '../../base/units';
import { spokeDegs } from './spokes';
import type { Wheel } from './wheel';

/**
 * The wheel dial as shapes on a 600 x 600 field: one drawing for the screen, the print and the PDF.
 * The valve stands at 12; from the other side every angle is mirrored.
 */

/** The role of a shape, which decides its color in every theme. */
export type DialRole =
  | 'rubber'
  | 'lug'
  | 'rim'
  | 'hub'
  | 'spoke'
  | 'ink'
  | 'label'
  | 'hour'
  | 'lock'
  | 'weight'
  | 'heavy'
  | 'wedge'
  | 'seat'
  | 'live'
  | 'mark'
  | 'arrow'
  | 'leader'
  | 'bite'
  | 'bite-done'
  | 'bite-now'
  | 'bead'
  | 'bead-bite'
  | 'chain'
  | 'line-open'
  | 'line-even'
  | 'line-low';

export type DialShape =
  | { kind: 'circle'; role: DialRole; cx: number; cy: number; r: number; filled: boolean }
  | { kind: 'path'; role: DialRole; d: string; filled: boolean }
  | {
      kind: 'text';
      role: DialRole;
      x: number;
      y: number;
      text: string;
      size: number;
      anchor: 'start' | 'middle' | 'end';
    };

/** A thing on the wheel. Angles in degrees clockwise from the valve, seen from the disc side. */
export type DialMark =
  | { is: 'lock'; deg: number }
  | { is: 'light-mark'; deg: number }
  | { is: 'start' | 'finish' | 'keeper'; deg: number }
  | { is: 'bite'; deg: number; n: number; done: boolean; now: boolean }
  | { is: 'push'; fromDeg: number; toDeg: number }
  /** The way the far side lies: down in the well, or up on its seat. */
  | { is: 'far'; lies: 'well' | 'seat'; fromDeg: number; toDeg: number }
  | { is: 'heavy'; deg: number; label?: string }
  | { is: 'rest'; deg: number; label: string }
  /** The belief about the heavy spot, in grams from the axle; `fullG` reaches the rim. */
  | {
      is: 'belief';
      region: { massG: number; deg: number }[];
      heavy: { massG: number; deg: number };
      label: string;
      fullG: number;
    }
  /** `deeper` moves the words inward by so many lines, where neighbors would cover each other. */
  | { is: 'trial' | 'weight'; deg: number; label: string; deeper?: number }
  /** A bolt of a ring, by its number. */
  | { is: 'bolt'; deg: number; n: number; state: 'open' | 'done' | 'now' }
  /** A feeler reading: how far the ring stands open there, of the widest that is drawn. */
  | { is: 'gap'; deg: number; share: number; label: string }
  /** A place of the molded line: even, low, or not looked at. */
  | { is: 'line'; deg: number; even: boolean | null }
  | { is: 'arrow'; clockwise: boolean };

export interface DialView {
  wheel: Pick<Wheel, 'build' | 'spokes'> & Partial<Pick<Wheel, 'ringBolts' | 'rimBolts'>>;
  marks: readonly DialMark[];
  sideUp: 'disc' | 'other';
  /** The tire is on the rim; a bare wheel is drawn without it. */
  tireOn: boolean;
}

const CX = 300;
const CY = 300;
const R = {
  tread: 268,
  lug: 253,
  bead: 227,
  rimOut: 225,
  rimIn: 203,
  hub: 49,
  axle: 17,
  weightOut: 203,
  weightIn: 186,
  bite: 246,
  bolt: 246,
};
const LUGS = 56;
/** A cast wheel whose spokes no one counted is drawn with so many. */
const CAST_SPOKES = 5;
/** A clamped wheel whose bolts no one counted is drawn with so many. */
const UNCOUNTED_BOLTS = 12;

const n = (v: number) => Math.round(v * 10) / 10;
const at = (deg: number, r: number): readonly [number, number] => {
  const rad = (deg * Math.PI) / 180;
  return [n(CX + r * Math.sin(rad)), n(CY - r * Math.cos(rad))];
};

/** A ring segment from one angle clockwise to another. */
const band = (fromDeg: number, toDeg: number, outer: number, inner: number): string => {
  const large = normalDeg(toDeg - fromDeg) > 180 ? 1 : 0;
  const [a, b, c, d] = [at(fromDeg, outer), at(toDeg, outer), at(toDeg, inner), at(fromDeg, inner)];
  return `M${a[0]} ${a[1]}A${outer} ${outer} 0 ${large} 1 ${b[0]} ${b[1]}L${c[0]} ${c[1]}A${inner} ${inner} 0 ${large} 0 ${d[0]} ${d[1]}Z`;
};

const circle = (role: DialRole, r: number, filled = true): DialShape => ({
  kind: 'circle',
  role,
  cx: CX,
  cy: CY,
  r,
  filled,
});
const path = (role: DialRole, d: string, filled = true): DialShape => ({
  kind: 'path',
  role,
  d,
  filled,
});
const line = (role: DialRole, deg: number, from: number, to: number, toDeg = deg): DialShape =>
  path(role, `M${at(deg, from).join(' ')}L${at(toDeg, to).join(' ')}`, false);
/** Half the width of a character of the condensed label face, as a share of its size. */
const HALF_CHAR = 0.22;

const label = (role: DialRole, deg: number, r: number, text: string, size: number): DialShape => {
  const across = Math.sin((deg * Math.PI) / 180);
  const inside = r < R.rimIn;
  // Inside the rim a long label is drawn toward the hub, so that it does not cover what it names.
  const [x, y] = at(deg, inside ? r - Math.abs(across) * text.length * size * HALF_CHAR : r);
  const anchor = inside || Math.abs(across) < 0.3 ? 'middle' : across > 0 ? 'start' : 'end';
  return { kind: 'text', role, x, y: n(y + size * 0.35), text, size, anchor };
};

const OUTSIDE = 284;
/** Beyond this far to the side a label has no room outside the tire and goes inside the rim. */
const SIDEWAYS = 0.62;
const isSideways = (deg: number): boolean => Math.abs(Math.sin((deg * Math.PI) / 180)) > SIDEWAYS;

/** Words here would cover the valve's. */
const besideValve = (deg: number): boolean =>
  Math.cos((deg * Math.PI) / 180) > Math.cos((24 * Math.PI) / 180);

const body = ({ wheel, tireOn, marks }: DialView): DialShape[] => {
  const shapes: DialShape[] = [];
  if (tireOn) {
    shapes.push(circle('rubber', R.tread));
    for (let i = 0; i < LUGS; i++) shapes.push(line('lug', (i * 360) / LUGS, R.lug, R.tread + 1));
  }
  shapes.push(circle('rim', R.rimOut), circle('ink', R.rimOut, false));
  shapes.push(
    { kind: 'circle', role: 'hub', cx: CX, cy: CY, r: R.rimIn, filled: true },
    circle('ink', R.rimIn, false),
  );
  if (wheel.build === 'spoked')
    spokeDegs(wheel).forEach((deg, i) =>
      shapes.push(line('spoke', deg, R.rimIn, R.hub, deg + (i % 2 === 0 ? 42 : -42))),
    );
  else
    for (const deg of spokeDegs({ spokes: wheel.spokes > 0 ? wheel.spokes : CAST_SPOKES }))
      shapes.push(path('rim', band(deg - 6, deg + 6, R.rimIn + 1, R.hub)));
  // Where its bolts are numbered they are drawn where they are.
  const bolts = (wheel.build === 'split' ? wheel.rimBolts : wheel.ringBolts) ?? UNCOUNTED_BOLTS;
  const isClamped = wheel.build === 'split' || wheel.build === 'beadlock';
  if (isClamped && !marks.some((m) => m.is === 'bolt'))
    for (let i = 0; i < bolts; i++) {
      const [cx, cy] = at((360 * i) / bolts, (R.rimIn + R.rimOut) / 2);
      shapes.push({ kind: 'circle', role: 'ink', cx, cy, r: 4, filled: true });
    }
  shapes.push(circle('hub', R.hub), circle('ink', R.hub, false), circle('ink', R.axle, false));
  for (const hour of [12, 3, 6, 9]) {
    const [x, y] = at(hour * 30, OUTSIDE);
    shapes.push({
      kind: 'text',
      role: 'hour',
      x,
      y: y + 6,
      text: String(hour),
      size: 17,
      anchor: 'middle',
    });
  }
  return shapes;
};

const arrowShapes = (clockwise: boolean): DialShape[] => {
  const [from, to] = clockwise ? [318, 342] : [342, 318];
  const r = (R.tread + R.rimOut) / 2;
  const a = at(from, r);
  const b = at(to, r);
  const tip = clockwise ? to + 4 : to - 4;
  const head = `M${at(to, r - 9).join(' ')}L${at(tip, r).join(' ')}L${at(to, r + 9).join(' ')}Z`;
  return [
    path('arrow', `M${a.join(' ')}A${r} ${r} 0 0 ${clockwise ? 1 : 0} ${b.join(' ')}`, false),
    path('arrow', head),
  ];
};

const shapesOf = (mark: DialMark, side: (deg: number) => number, over: boolean): DialShape[] => {
  switch (mark.is) {
    case 'lock': {
      const deg = side(mark.deg);
      const lock = path('lock', band(deg - 10, deg + 10, R.rimOut - 2, R.rimIn - 8));
      return isSideways(deg)
        ? [
            lock,
            line('leader', deg, R.rimIn - 8, R.rimIn - 22),
            label('label', deg, R.rimIn - 40, 'rim lock', 17),
          ]
        : [
            lock,
            line('leader', deg, R.tread - 6, R.tread + 10),
            label('label', deg, R.tread + 18, 'rim lock', 17),
          ];
    }
    case 'light-mark': {
      const deg = side(mark.deg);
      const [cx, cy] = at(deg, R.lug - 8);
      const dot: DialShape = { kind: 'circle', role: 'mark', cx, cy, r: 9, filled: true };
      const labelDeg = deg - 14;
      if (isSideways(labelDeg))
        return [
          dot,
          line('leader', deg, R.rimIn - 2, R.rimIn - 18),
          label('label', deg, R.rimIn - 46, 'light mark', 17),
        ];
      return [
        dot,
        line('leader', deg, R.lug + 2, R.tread + 10, labelDeg),
        label('label', labelDeg, R.tread + 18, 'light mark', 17),
      ];
    }
    case 'start':
    case 'finish':
    case 'keeper': {
      const deg = side(mark.deg);
      const text =
        mark.is === 'start' ? 'start here' : mark.is === 'finish' ? 'finish here' : 'bead keeper';
      const [cx, cy] = at(deg, (R.bead + R.lug) / 2 - 4);
      const shape: DialShape =
        mark.is === 'start'
          ? path('live', band(deg - 6, deg + 6, R.rimOut + 4, R.rimIn - 2))
          : {
              kind: 'circle',
              role: mark.is === 'keeper' ? 'ink' : 'live',
              cx,
              cy,
              r: 9,
              filled: mark.is === 'keeper',
            };
      const role = mark.is === 'start' ? 'live' : 'label';
      return [
        shape,
        line('leader', deg, R.rimIn - 4, R.rimIn - 20),
        label(role, deg, besideValve(deg) ? R.rimIn - 74 : R.rimIn - 50, text, 18),
      ];
    }
    case 'bite': {
      const deg = side(mark.deg);
      const [cx, cy] = at(deg, R.bite);
      const number: DialShape = {
        kind: 'text',
        role: mark.now ? 'bite-now' : 'bite',
        x: cx,
        y: n(cy + 6),
        text: String(mark.n),
        size: mark.now ? 22 : 17,
        anchor: 'middle',
      };
      return [
        {
          kind: 'circle',
          role: mark.now ? 'bite-now' : mark.done ? 'bite-done' : 'bite',
          cx,
          cy,
          r: mark.now ? 17 : 13,
          filled: true,
        },
        number,
      ];
    }
    case 'bolt': {
      const deg = side(mark.deg);
      const isNow = mark.state === 'now';
      const [cx, cy] = at(deg, R.bolt);
      const role = isNow ? 'bite-now' : mark.state === 'done' ? 'bite-done' : 'bite';
      const number: DialShape = {
        kind: 'text',
        role: isNow ? 'bite-now' : 'bite',
        x: cx,
        y: n(cy + (isNow ? 8 : 6)),
        text: String(mark.n),
        size: isNow ? 24 : 16,
        anchor: 'middle',
      };
      return [{ kind: 'circle', role, cx, cy, r: isNow ? 20 : 13, filled: true }, number];
    }
    case 'gap': {
      const deg = side(mark.deg);
      // As wide as the ring stands open there.
      const wide = 4 + 26 * mark.share;
      return [
        path('wedge', band(deg - 8, deg + 8, R.rimIn - 6, R.rimIn - 6 - wide)),
        label('label', deg, besideValve(deg) ? R.rimIn - 88 : R.rimIn - 58, mark.label, 19),
      ];
    }
    case 'push': {
      const [from, to] = over
        ? [side(mark.toDeg), side(mark.fromDeg)]
        : [side(mark.fromDeg), side(mark.toDeg)];
      const middle = normalDeg(from + normalDeg(to - from) / 2);
      return [
        path('wedge', band(from, to, R.rimIn - 2, R.rimIn - 34)),
        label('live', middle, 118, 'push down', 18),
      ];
    }
    case 'far': {
      const [from, to] = over
        ? [side(mark.toDeg), side(mark.fromDeg)]
        : [side(mark.fromDeg), side(mark.toDeg)];
      const middle = normalDeg(from + normalDeg(to - from) / 2);
      // In the well it lies deep inside the rim and full, on its seat at the rim's edge and open:
      // told apart without color.
      return mark.lies === 'well'
        ? [
            path('wedge', band(from, to, R.rimIn - 12, R.rimIn - 34)),
            label('live', middle, 122, 'in the well', 18),
          ]
        : [path('seat', band(from, to, R.rimOut - 1, R.rimIn + 1), false)];
    }
    case 'heavy': {
      const deg = side(mark.deg);
      return [
        path('wedge', band(deg - 7, deg + 7, R.rimIn - 4, R.hub + 6)),
        line('heavy', deg, R.hub, R.rimIn - 4),
        label('heavy', deg, 128, mark.label ?? 'heavy', 23),
      ];
    }
    case 'belief': {
      const reach = R.rimIn - 8;
      const out = (massG: number) => Math.min(reach, (massG / mark.fullG) * reach);
      const corners = mark.region.map((p) => at(side(p.deg), out(p.massG)).join(' '));
      const deg = side(mark.heavy.deg);
      const [cx, cy] = at(deg, out(mark.heavy.massG));
      return [
        path('wedge', `M${corners.join('L')}Z`),
        line('heavy', deg, 0, out(mark.heavy.massG)),
        { kind: 'circle', role: 'heavy', cx, cy, r: 7, filled: true },
        label('heavy', deg, Math.max(R.hub + 24, out(mark.heavy.massG) - 34), mark.label, 23),
      ];
    }
    case 'rest': {
      const deg = side(mark.deg);
      return [
        line('heavy', deg, R.rimIn - 30, R.rimIn),
        label('heavy', deg, R.rimIn - 46, mark.label, 16),
      ];
    }
    case 'trial':
    case 'weight': {
      const deg = side(mark.deg);
      return [
        path(
          mark.is === 'trial' ? 'live' : 'weight',
          band(deg - 4.5, deg + 4.5, R.weightOut, R.weightIn),
        ),
        label(
          mark.is === 'trial' ? 'live' : 'weight',
          deg,
          R.weightIn - 20 - (mark.deeper ?? 0) * 24,
          mark.label,
          19,
        ),
      ];
    }
    case 'line': {
      const deg = side(mark.deg);
      const [cx, cy] = at(deg, R.bite);
      // A low place is a notch cut outward, an even one a full stone: told apart without color.
      if (mark.even === false)
        return [
          path('line-low', band(deg - 7, deg + 7, R.tread, R.rimOut)),
          label('line-low', deg, R.rimIn - 40, 'low', 26),
        ];
      return [
        {
          kind: 'circle',
          role: mark.even ? 'line-even' : 'line-open',
          cx,
          cy,
          r: mark.even ? 18 : 14,
          filled: true,
        },
      ];
    }
    case 'arrow':
      return arrowShapes(over ? !mark.clockwise : mark.clockwise);
  }
};

const valve = (): DialShape[] => [
  path('ink', 'M295 97H305V124H295Z'),
  label('label', 0, R.rimIn - 44, 'valve', 17),
];

/** Words of weights nearer than this cover each other. */
const NEIGHBOR_DEG = 14;
/** The row of words that is clear of the valve's. */
const BELOW_VALVE = 2;

/** Weights close together get their words in rows, inward by turns. */
const inRows = (marks: readonly DialMark[]): DialMark[] => {
  let last: { deg: number; deeper: number } | null = null;
  const rows = new Map<DialMark, number>();
  const weights = marks.filter(
    (
      m,
    ): m is Extract<DialMark, { deeper?: number; deg: number; label: string }> & {
      is: 'weight' | 'trial';
    } => m.is === 'weight' || m.is === 'trial',
  );
  for (const mark of [...weights].sort((a, b) => a.deg - b.deg)) {
    // Beside the valve below its word.
    const row = besideValve(mark.deg) ? BELOW_VALVE : 0;
    const deeper: number = last && mark.deg - last.deg < NEIGHBOR_DEG ? (last.deeper + 1) % 3 : row;
    rows.set(mark, deeper);
    last = { deg: mark.deg, deeper };
  }
  return marks.map((m) =>
    m.is === 'weight' || m.is === 'trial' ? { ...m, deeper: rows.get(m)! } : m,
  );
};

/** All shapes of the dial, in painting order. */
export const wheelDial = (view: DialView): DialShape[] => {
  const over = view.sideUp === 'other';
  const side = (deg: number) => (over ? mirrored(deg) : normalDeg(deg));
  // Broad areas first, so that they cover neither the valve nor what stands on them.
  const isArea = (m: DialMark): boolean => m.is === 'push' || m.is === 'heavy' || m.is === 'belief';
  const areas = view.marks.filter(isArea);
  const rest = inRows(view.marks.filter((m) => !isArea(m)));
  const draw = (mark: DialMark) => shapesOf(mark, side, over);
  return [...body(view), ...areas.flatMap(draw), ...valve(), ...rest.flatMap(draw)];
};
