import type { SentenceQuantity } from '../../base/units';
import type { ClearancePlace, TireComparison, TireSize } from '../tires';
import { wheelRadii, type DrawnWheel } from './drawn-wheel';
import { sectionOutline, sectionShapes, type Section } from './section';
import { sectionOf } from './section-of';
import type { DrawnShape } from './shapes';
import { wheelDial } from './wheel-dial';

/**
 * Two to four sizes drawn to one scale over one another, on a field of 720 x 560: the side view
 * round a fixed axle, and the section beside it at a larger scale. The axle stands still, so that
 * what a tire takes of the room shows above it and what it lifts shows below it.
 */

/** The size that a thing belongs to: 0 is the present one. */
interface PictureCircle {
  kind: 'circle';
  of: number;
  part: 'tread' | 'rim';
  cx: number;
  cy: number;
  r: number;
}
interface PictureOutline {
  kind: 'section';
  of: number;
  d: string;
}
/** The machine's edge: a bar at the measured room from the present tire. */
interface PictureBar {
  kind: 'bar';
  place: ClearancePlace;
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}
/** A pair of lines from a difference to its words. */
interface PictureLeader {
  kind: 'leader';
  x1: number;
  y1: number;
  x2: number;
  y2: number;
}
/** Words on the drawing; `pattern` with its quantities, for the fitter's units. */
interface PictureLabel {
  kind: 'label';
  of: number;
  x: number;
  y: number;
  anchor: 'start' | 'middle' | 'end';
  pattern: string;
  quantities: readonly SentenceQuantity[];
  sign: boolean;
}
export type PictureShape =
  PictureCircle | PictureOutline | PictureBar | PictureLeader | PictureLabel;

/** The first new tire as itself: its wheel, where it stands on the field, and its section. */
interface NewTire {
  wheel: DrawnShape[];
  /** As SVG writes it. */
  transform: string;
  section: DrawnShape[];
}

/** The wheel that the sizes are for, as far as it is known. */
export interface PictureWheel extends Pick<Section, 'hasTube' | 'hasStrip' | 'hasLock'> {
  wheel: DrawnWheel;
}

export interface SizePicture {
  shapes: PictureShape[];
  newTire: NewTire;
  /** Drawn millimetres of the field for a millimetre of the tire. */
  sideScale: number;
  sectionScale: number;
}

const SIDE = { cx: 215, cy: 290, reach: 205 } as const;
const SECTION = { cx: 592, baseY: 355, half: 118, high: 205 } as const;
/** Words under the section, clear of the rim's well. */
const BELOW_RIM = 72;
/** Least distance between two lines of words. */
const LINE = 25;
export const SIZE_LETTERS = ['A', 'B', 'C', 'D'] as const;

const n = (v: number) => Math.round(v * 10) / 10;
const n1000 = (v: number) => Math.round(v * 1000) / 1000;

/** Pushes lines of words apart until each has its own, and keeps their order. */
export const spread = (ys: readonly number[], apart: number): number[] => {
  const order = ys.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y || a.i - b.i);
  const out: number[] = [];
  let last = Number.NEGATIVE_INFINITY;
  for (const { y, i } of order) {
    last = Math.max(y, last + apart);
    out[i] = last;
  }
  return out;
};

/** The wheel in its new tire, scaled about the axle of the side view. */
const newTireOf = (
  size: TireSize,
  at: PictureWheel | undefined,
  sideScale: number,
  sectionScale: number,
): NewTire => {
  const plain: DrawnWheel = { build: 'cast', spokes: 0 };
  const { wheel: wheelOf, ...inside } = at ?? { wheel: {}, hasTube: false };
  const wheel: DrawnWheel = { ...(at?.wheel ?? plain), tireMarking: size.canonical };
  const scale = n1000(((size.overallDiameterMm / 2) * sideScale) / wheelRadii(wheel, true).tread);
  return {
    wheel: wheelDial({
      wheel,
      marks: [],
      sideUp: 'disc',
      tireOn: true,
      small: true,
      tireOnly: !at,
    }),
    transform: `translate(${SIDE.cx} ${SIDE.cy}) scale(${scale}) translate(-300 -300)`,
    section: sectionShapes(sectionOf(size, wheelOf, inside), {
      x: SECTION.cx,
      y: SECTION.baseY,
      scale: sectionScale,
    }),
  };
};

const mm = (value: number): SentenceQuantity => ({ value, unit: 'mm' });
/** Less than this is no difference to a fitter. */
const SAME_MM = 0.5;

type Words = Pick<PictureLabel, 'pattern' | 'quantities' | 'sign'>;
const difference = (value: number, pattern: string, same: string): Words =>
  Math.abs(value) < SAME_MM
    ? { pattern: same, quantities: [], sign: false }
    : { pattern, quantities: [mm(value)], sign: true };
const axle = (value: number): Words =>
  Math.abs(value) < SAME_MM
    ? { pattern: 'axle as before', quantities: [], sign: false }
    : {
        pattern: `axle {0} ${value > 0 ? 'higher' : 'lower'}`,
        quantities: [mm(Math.abs(value))],
        sign: false,
      };

/** The drawing of a comparison on the room measured with its first size, in mm by place. */
export const sizePicture = (
  { from, changes }: TireComparison,
  clearancesMm: Partial<Record<ClearancePlace, number>> = {},
  at?: PictureWheel,
): SizePicture => {
  const sizes = [from, ...changes.map((c) => c.to)];
  const wallMm = Math.max(0, clearancesMm.above ?? 0, clearancesMm.ahead ?? 0);
  const sideScale =
    SIDE.reach /
    Math.max(from.overallDiameterMm / 2 + wallMm, ...sizes.map((s) => s.overallDiameterMm / 2));
  const besideMm = Math.max(0, clearancesMm.left ?? 0, clearancesMm.right ?? 0);
  const sectionScale = Math.min(
    SECTION.half /
      Math.max(from.sectionWidthMm / 2 + besideMm, ...sizes.map((s) => s.sectionWidthMm / 2)),
    SECTION.high /
      Math.max(
        ...sizes.map((s) => s.sectionHeightMm),
        from.sectionHeightMm + (clearancesMm.above ?? 0),
      ),
  );
  const shapes: PictureShape[] = [];
  const named = (of: number, words: Words): Words =>
    changes.length > 1 ? { ...words, pattern: `${SIZE_LETTERS[of]} ${words.pattern}` } : words;
  const room = (of: number, value: number, pattern: string): Words =>
    named(of, { pattern, quantities: [mm(value)], sign: false });
  sizes.forEach((size, of) => {
    shapes.push({
      kind: 'circle',
      of,
      part: 'tread',
      cx: SIDE.cx,
      cy: SIDE.cy,
      r: n((size.overallDiameterMm / 2) * sideScale),
    });
    shapes.push({
      kind: 'circle',
      of,
      part: 'rim',
      cx: SIDE.cx,
      cy: SIDE.cy,
      r: n((size.rimDiameterMm / 2) * sideScale),
    });
    const place = { x: SECTION.cx, y: SECTION.baseY, scale: sectionScale };
    shapes.push({
      kind: 'section',
      of,
      d: sectionOutline(
        sectionOf(size, at?.wheel ?? {}, { hasTube: false, isTreadKnown: of === 1 }),
        place,
      ),
    });
  });

  const fromR = from.overallDiameterMm / 2;
  if (clearancesMm.above !== undefined) {
    const y = n(SIDE.cy - (fromR + clearancesMm.above) * sideScale);
    const sectionY = n(SECTION.baseY - (from.sectionHeightMm + clearancesMm.above) * sectionScale);
    shapes.push({ kind: 'bar', place: 'above', x1: SIDE.cx - 95, y1: y, x2: SIDE.cx + 95, y2: y });
    shapes.push({
      kind: 'bar',
      place: 'above',
      x1: SECTION.cx - 24,
      y1: sectionY,
      x2: SECTION.cx + 64,
      y2: sectionY,
    });
  }
  if (clearancesMm.ahead !== undefined) {
    const x = n(SIDE.cx - (fromR + clearancesMm.ahead) * sideScale);
    shapes.push({ kind: 'bar', place: 'ahead', x1: x, y1: SIDE.cy - 70, x2: x, y2: SIDE.cy + 70 });
  }
  for (const place of ['left', 'right'] as const) {
    const room = clearancesMm[place];
    if (room === undefined) continue;
    const x = n(
      SECTION.cx + (place === 'left' ? -1 : 1) * (from.sectionWidthMm / 2 + room) * sectionScale,
    );
    shapes.push({
      kind: 'bar',
      place,
      x1: x,
      y1: SECTION.baseY - 180,
      x2: x,
      y2: SECTION.baseY - 20,
    });
  }

  // Words stand where the difference is: above the tire, beneath it, and at the section.
  const topY = changes.map((c) => SIDE.cy - (c.to.overallDiameterMm / 2) * sideScale);
  spread(
    topY.map((y) => y + 6),
    LINE,
  ).forEach((y, i) => {
    const { to, diameterChangeMm, clearancesAfterMm } = changes[i]!;
    const above = clearancesAfterMm.above;
    const x = SIDE.cx + 168;
    shapes.push({ kind: 'leader', x1: SIDE.cx + 12, y1: n(topY[i]!), x2: x - 6, y2: n(y - 6) });
    shapes.push({
      kind: 'label',
      of: i + 1,
      x,
      y: n(y),
      anchor: 'start',
      ...(above === undefined
        ? named(i + 1, difference(diameterChangeMm, '{0} tall', 'same height'))
        : room(i + 1, above, '{0} clearance above')),
    });
    if (clearancesAfterMm.ahead !== undefined)
      shapes.push({
        kind: 'label',
        of: i + 1,
        x: n(SIDE.cx - (to.overallDiameterMm / 2) * sideScale + 8),
        y: SIDE.cy + 96 + i * LINE,
        anchor: 'start',
        ...room(i + 1, clearancesAfterMm.ahead, '{0} ahead'),
      });
  });
  const bottomY = changes.map((c) => SIDE.cy + (c.to.overallDiameterMm / 2) * sideScale);
  spread(
    bottomY.map((y) => y + 2),
    LINE,
  ).forEach((y, i) => {
    const x = SIDE.cx + 168;
    shapes.push({ kind: 'leader', x1: SIDE.cx + 12, y1: n(bottomY[i]!), x2: x - 6, y2: n(y - 6) });
    shapes.push({
      kind: 'label',
      of: i + 1,
      x,
      y: n(y),
      anchor: 'start',
      ...named(i + 1, axle(changes[i]!.rideHeightChangeMm)),
    });
  });
  changes.forEach((c, i) => {
    const y = SECTION.baseY + BELOW_RIM + i * LINE * 1.05;
    shapes.push({
      kind: 'label',
      of: i + 1,
      x: SECTION.cx - 8,
      y: n(y),
      anchor: 'end',
      ...named(i + 1, difference(c.sectionWidthChangeMm, '{0} wide', 'as wide')),
    });
    shapes.push({
      kind: 'label',
      of: i + 1,
      x: SECTION.cx + 8,
      y: n(y),
      anchor: 'start',
      ...difference(c.sectionHeightChangeMm, '{0} sidewall', 'same sidewall'),
    });
    for (const place of ['left', 'right'] as const) {
      const left = c.clearancesAfterMm[place];
      if (left !== undefined)
        shapes.push({
          kind: 'label',
          of: i + 1,
          x: place === 'left' ? SECTION.cx - 128 : SECTION.cx + 128,
          y: n(SECTION.baseY - 190 - i * LINE),
          anchor: place === 'left' ? 'start' : 'end',
          ...room(i + 1, left, `{0} ${place}`),
        });
    }
  });
  return {
    shapes,
    newTire: newTireOf(sizes[1]!, at, sideScale, sectionScale),
    sideScale,
    sectionScale,
  };
};
