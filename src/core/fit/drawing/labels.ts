import type { WheelRadii } from './drawn-wheel';
import { at, CENTER, coordinate, path, ray, type DrawnShape, type ShapeRole } from './shapes';

/** The words of a mark, before they have a place. */
export interface Label {
  role: ShapeRole;
  text: string;
  size: number;
  /** Angle of the thing that is named. */
  deg: number;
  /** Outside the tire or inside the rim, wherever there is room for both. */
  zone: 'out' | 'in';
  /** Distance from the axle at which it stands best, instead of at the rim. */
  r?: number;
  /** Outer edge of the thing, if it is not the rim's. */
  from?: number;
}

/** A rectangle by its middle and half its sides. */
export interface Box {
  x: number;
  y: number;
  halfW: number;
  halfH: number;
}

/** Width of a letter of the condensed label face, and height of a line, as shares of its size. */
const LETTER = 0.47;
const LINE = 0.98;
/** What a label keeps clear around it. */
const CLEAR = 2;

/** The room that words take around their middle. */
export const boxOf = (text: string, size: number, x: number, y: number): Box => ({
  x,
  y,
  halfW: (text.length * size * LETTER) / 2 + CLEAR,
  halfH: (size * LINE) / 2 + CLEAR,
});

/** The area that two boxes share. */
export const overlap = (a: Box, b: Box): number =>
  Math.max(0, a.halfW + b.halfW - Math.abs(a.x - b.x)) *
  Math.max(0, a.halfH + b.halfH - Math.abs(a.y - b.y));

/** The field that labels stay in, as seen on the screen. */
const FIELD = { left: -2, right: 602, top: 6, bottom: 596 };
const outsideField = ({ x, y, halfW, halfH }: Box): number =>
  Math.max(0, FIELD.left - (x - halfW)) +
  Math.max(0, x + halfW - FIELD.right) +
  Math.max(0, FIELD.top - (y - halfH)) +
  Math.max(0, y + halfH - FIELD.bottom);

/** Turns and steps that are tried from the best place on. */
const TURNS_DEG = [0, 6, -6, 12, -12, 18, -18, 26, -26, 36, -36, 48, -48, 62, -62, 80, -80];
const STEPS = [0, 14, 28, 42, 58, 76];
const TURN_COST = 1 / 20;
const STEP_COST = 1 / 40;
const OTHER_ZONE_COST = 1.2;
/** Inside so small a rim there is little room. */
const SMALL_RIM = 120;
const FIELD_COST = 100;
const CROSSED_COST = 1.5;

/** Turns and steps from the best place of a zone, cheapest first. */
const MOVES = TURNS_DEG.flatMap((turnDeg) =>
  STEPS.map((step) => ({ turnDeg, step, cost: Math.abs(turnDeg) * TURN_COST + step * STEP_COST })),
).sort((a, b) => a.cost - b.cost);
type Move = (typeof MOVES)[number];

/** The box of a label moved away from its best place in a zone; null if it would lie on the hub. */
const boxAt = (
  label: Label,
  zone: Label['zone'],
  { turnDeg, step }: Move,
  { tread, rimIn, hub }: WheelRadii,
): Box | null => {
  const box = boxOf(label.text, label.size, 0, 0);
  const rad = ((label.deg + turnDeg) * Math.PI) / 180;
  const reach = Math.abs(Math.sin(rad)) * box.halfW + Math.abs(Math.cos(rad)) * box.halfH;
  const inner = label.r === undefined ? rimIn - 14 - reach : label.r;
  const r = zone === 'out' ? tread + 6 + reach + step : inner - step;
  if (zone === 'in' && r < hub * 0.5) return null;
  const [x, y] = at(label.deg + turnDeg, r);
  return { ...box, x, y };
};

const nearest = (box: Box, [x, y]: readonly [number, number]): readonly [number, number] => [
  Math.max(box.x - box.halfW, Math.min(box.x + box.halfW, x)),
  Math.max(box.y - box.halfH, Math.min(box.y + box.halfH, y)),
];

/** A leader is left out if the words stand beside what they name. */
const MIN_LEADER = 7;

const isOutside = (box: Box, { tread }: WheelRadii): boolean =>
  Math.hypot(box.x - CENTER, box.y - CENTER) > tread;

type Segment = readonly [readonly [number, number], readonly [number, number]];

/** From the edge of tire or rim to the words; null if they stand beside it. */
const leaderOf = (label: Label, box: Box, radii: WheelRadii): Segment | null => {
  const from = at(label.deg, isOutside(box, radii) ? radii.tread + 1 : radii.rimIn - 5);
  const to = nearest(box, from);
  return Math.hypot(to[0] - from[0], to[1] - from[1]) < MIN_LEADER ? null : [from, to];
};

const SAMPLES = [0.2, 0.4, 0.6, 0.8];

/** Whether a leader runs over a box. */
const runsOver = ([from, to]: Segment, box: Box): boolean =>
  SAMPLES.some((share) => {
    const x = from[0] + (to[0] - from[0]) * share;
    const y = from[1] + (to[1] - from[1]) * share;
    return Math.abs(x - box.x) < box.halfW && Math.abs(y - box.y) < box.halfH;
  });

/** The leader of words outside, over the rubber as well, or inside the rim. */
const leaderShapes = (label: Label, box: Box, radii: WheelRadii): DrawnShape[] => {
  const { tread, rimOut } = radii;
  const inside = label.from ?? rimOut + 2;
  const across =
    isOutside(box, radii) && tread - inside > MIN_LEADER
      ? [ray('leader-on-rubber', label.deg, inside, tread)]
      : [];
  const segment = leaderOf(label, box, radii);
  if (!segment) return across;
  const [from, to] = segment.map((point) => point.map(coordinate).join(' '));
  return [...across, path('leader', `M${from}L${to}`, false)];
};

/** Labels in their places. */
export interface PlacedLabels {
  words: DrawnShape[];
  /** From the words to what they name; marks lie over them. */
  leaders: DrawnShape[];
  boxes: Box[];
  /** Angles at which a leader crosses the sidewall. */
  acrossDegs: number[];
}

/**
 * Finds room for every label: a greedy search over places outside the tire and inside the rim, the
 * cheapest that covers neither another label nor one of the `taken` boxes and lies in the field.
 * Labels come in the order of their importance.
 */
export const placeLabels = (
  labels: readonly Label[],
  radii: WheelRadii,
  taken: readonly Box[],
): PlacedLabels => {
  const boxes: Box[] = [];
  const words: DrawnShape[] = [];
  const leaders: DrawnShape[] = [];
  const acrossDegs: number[] = [];
  for (const label of labels) {
    const others = [...taken, ...boxes];
    let best: { box: Box; cost: number } | null = null;
    for (const zone of ['out', 'in'] as const) {
      const zoneCost =
        (zone === label.zone ? 0 : OTHER_ZONE_COST) +
        (zone === 'in' && radii.rimIn < SMALL_RIM ? 1 : 0);
      for (const move of MOVES) {
        // Nothing after this is cheaper, even if it covers nothing.
        if (best && zoneCost + move.cost >= best.cost) break;
        const box = boxAt(label, zone, move, radii);
        if (!box) continue;
        const covered = others.reduce((sum, other) => sum + overlap(box, other), 0);
        const segment = leaderOf(label, box, radii);
        const crossed = segment ? others.filter((other) => runsOver(segment, other)).length : 0;
        const cost =
          zoneCost + move.cost + covered + FIELD_COST * outsideField(box) + CROSSED_COST * crossed;
        if (!best || cost < best.cost) best = { box, cost };
      }
    }
    if (!best) continue;
    const { box } = best;
    boxes.push(box);
    if (isOutside(box, radii)) acrossDegs.push(label.deg);
    leaders.push(...leaderShapes(label, box, radii));
    words.push({
      kind: 'text',
      role: label.role,
      x: box.x,
      y: coordinate(box.y + label.size * 0.35),
      text: label.text,
      size: label.size,
      anchor: 'middle',
    });
  }
  return { words, leaders, boxes, acrossDegs };
};
