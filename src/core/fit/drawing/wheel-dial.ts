import { valveMark } from './valve-mark';
import { mirrored, normalDeg } from '../../base/units';
import { wheelRadii, type DrawnDrive, type DrawnWheel, type WheelRadii } from './drawn-wheel';
import { hubShapes } from './hub-shapes';
import { boxOf, placeLabels, type Box } from './labels';
import { fartherBites, markShapes, type DrawnMark, type MarkFrame } from './mark-shapes';
import { ARROW_DEG, sidewallHalfDeg, type DialMark } from './marks';
import { rimBoltShapes, rimShapes } from './rim-shapes';
import { at, circle, coordinate, type DrawnShape } from './shapes';
import { moldedText, sidewallShapes } from './sidewall-shapes';
import { spokeShapes } from './spoke-shapes';
import { treadShapes } from './tread-shapes';

/** What a dial shows. */
export interface DialView {
  wheel: DrawnWheel;
  drive?: DrawnDrive | undefined;
  marks: readonly DialMark[];
  sideUp: 'disc' | 'other';
  /** The tire is on the rim; a bare wheel is drawn without it. */
  tireOn: boolean;
  /** Small: without hours, the valve's word and molded text. */
  small?: boolean;
  /** A tire without a wheel. */
  tireOnly?: boolean;
  /** How many times larger than at a station words are, for a smaller picture; zero for none. */
  letters?: number;
}

const HOURS = [12, 3, 6, 9];
const HOUR_GAP = 16;
const HOUR_SIZE = 21;

/** The hours stand around the wheel and do not turn with it. */
const hours = (
  { tread, rimOut }: WheelRadii,
  tireOn: boolean,
  letters: number,
): { shapes: DrawnShape[]; taken: Box[] } => {
  const size = HOUR_SIZE * letters;
  const places = HOURS.map((hour) => ({
    text: String(hour),
    spot: at(hour * 30, (tireOn ? tread : rimOut) + HOUR_GAP * letters),
  }));
  return {
    shapes: places.map(({ text, spot: [x, y] }) => ({
      kind: 'text',
      role: 'hour',
      x,
      y: coordinate(y + size * 0.35),
      text,
      size,
      anchor: 'middle',
    })),
    taken: places.map(({ text, spot: [x, y] }) => boxOf(text, size, x, y)),
  };
};

/** What a leader takes of the sidewall, to either side. */
const LEADER_HALF_DEG = 1;

/** The wheel itself, without work marks. */
const body = (
  { wheel, drive, sideUp, tireOn, marks, small, tireOnly }: DialView,
  radii: WheelRadii,
  acrossDegs: readonly number[],
): DrawnShape[] => {
  const isOver = sideUp === 'other';
  const seen = (deg: number) => (isOver ? mirrored(deg) : normalDeg(deg));
  const kind = wheel.tireTread ?? 'other';
  const { behind, before } = hubShapes(wheel, drive, radii, sideUp);
  const marked = marks.flatMap((mark) => {
    const halfDeg = sidewallHalfDeg(mark);
    if (halfDeg === 0) return [];
    return [{ deg: 'deg' in mark ? seen(mark.deg) : ARROW_DEG, halfDeg }];
  });
  const taken = [...marked, ...acrossDegs.map((deg) => ({ deg, halfDeg: LEADER_HALF_DEG }))];
  const tire = [
    ...(tireOn ? [...treadShapes(kind, radii), ...sidewallShapes(kind, radii)] : []),
    ...(tireOn && !small ? moldedText(wheel, radii, taken) : []),
  ];
  if (tireOnly) return [...tire, circle('open', radii.rimOut)];
  return [
    ...tire,
    ...rimShapes(wheel, radii),
    ...behind,
    ...spokeShapes(wheel, radii, isOver),
    ...before,
    // Where they are numbered they are drawn with their numbers.
    ...(marks.some((m) => m.is === 'bolt') ? [] : rimBoltShapes(wheel, radii)),
  ];
};

/** Broad areas come first, so that they cover neither the valve nor what stands on them. */
const isArea = (mark: DialMark): boolean =>
  mark.is === 'push' || mark.is === 'heavy' || mark.is === 'belief';

/** A drawn dial, with the room that its words take. */
export interface Dial {
  shapes: DrawnShape[];
  /** Around each label, for tests of overlap. */
  labelBoxes: Box[];
}

/** The dial with the boxes of its labels. The valve stands at 12; the other side is mirrored. */
export const drawDial = (view: DialView): Dial => {
  const { wheel, marks, sideUp, tireOn, small = false, letters = 1 } = view;
  const radii = wheelRadii(wheel, tireOn);
  const isOver = sideUp === 'other';
  const frame: MarkFrame = {
    radii,
    seen: (deg) => (isOver ? mirrored(deg) : normalDeg(deg)),
    isOver,
    isSpoked: wheel.build === 'spoked',
    letters,
    farther: fartherBites(marks, radii),
  };
  const around = small ? { shapes: [], taken: [] } : hours(radii, tireOn, letters);
  const areas = marks.filter(isArea).map((mark) => markShapes(mark, frame));
  const valve: DrawnMark = view.tireOnly
    ? { shapes: [] }
    : valveMark(
        radii,
        wheel,
        marks.some((mark) => mark.is === 'lean'),
      );
  const rest = marks.filter((mark) => !isArea(mark)).map((mark) => markShapes(mark, frame));
  const drawn = [...areas, valve, ...rest];
  // The valve's word gives way to what the work needs.
  const named = [...areas, ...rest, ...(small ? [] : [valve])]
    .flatMap(({ labels = [] }) => labels)
    .map((label) => ({ ...label, size: label.size * letters }))
    .filter(({ text, size }) => size > 0 && text !== '');
  const placed = placeLabels(named, tireOn ? radii : { ...radii, tread: radii.rimOut }, [
    ...around.taken,
    ...drawn.flatMap(({ taken = [] }) => taken),
  ]);
  return {
    shapes: [
      ...body(view, radii, placed.acrossDegs),
      ...around.shapes,
      ...placed.leaders,
      ...drawn.flatMap(({ shapes }) => shapes),
      ...placed.words,
    ],
    labelBoxes: placed.boxes,
  };
};

/**
 * The wheel dial as shapes on a field of 600 by 600, in painting order: one drawing for screens,
 * print, SVG and PDF.
 */
export const wheelDial = (view: DialView): DrawnShape[] => drawDial(view).shapes;
