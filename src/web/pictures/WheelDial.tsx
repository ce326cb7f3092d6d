import {
  useEffect,
  useMemo,
  useRef,
  type CSSProperties,
  type MouseEvent,
  type RefObject,
} from 'react';
import { mirrored, normalDeg, placeText } from '../../core/base/units';
import { Shape } from './DrawnShape';
import { wantsNoMotion } from '../parts/motion';
import { mergedShapes, wheelDial, type DialMark, type DialView } from '../../core/fit/drawing';

interface Props extends DialView {
  /**
   * Picks a place by tapping, in degrees as seen from the disc side. The field beside it does the
   * same by keys.
   */
  onPick?: ((deg: number) => void) | undefined;
  className?: string;
  /**
   * The wheel turns on a stand: so far clockwise as seen from the disc side, not brought back to 0
   * to 360; null where it stands with the valve up.
   */
  turnDeg?: number | null;
  /** A stand that turns it by its own clock sets `--turn` on this. */
  turns?: RefObject<SVGSVGElement | null>;
}

const MARK_WORDS: Partial<Record<DialMark['is'], string>> = {
  belief: 'heavy spot, estimated',
  lock: 'rim lock',
  'light-mark': 'light mark',
  start: 'start',
  finish: 'finish',
  heavy: 'heavy spot',
  trial: 'trial weight',
  weight: 'weight',
  rest: 'rest',
};

/** Marks that say more than their place. */
const sentenceOf = (mark: DialMark, side: (deg: number) => number): string | null => {
  if (mark.is === 'belief')
    return `${MARK_WORDS.belief} at ${placeText(side(mark.heavy.deg))}, ${mark.label}`;
  if (mark.is === 'bolt')
    return mark.state === 'now' ? `bolt ${mark.n} is next, at ${placeText(side(mark.deg))}` : null;
  if (mark.is === 'far')
    return `far side ${mark.lies === 'well' ? 'down in the well' : 'may sit on its seat'} from ${placeText(side(mark.fromDeg))} to ${placeText(side(mark.toDeg))}`;
  if (mark.is === 'finding') return `${mark.label} at ${placeText(side(mark.deg))}`;
  if (mark.is === 'gap') return `gap ${mark.label} at ${placeText(side(mark.deg))}`;
  const word = MARK_WORDS[mark.is];
  return word && 'deg' in mark ? `${word} at ${placeText(side(mark.deg))}` : null;
};

const describe = (marks: readonly DialMark[], over: boolean): string => {
  const side = (deg: number) => (over ? mirrored(deg) : deg);
  const said = marks.flatMap((m) => sentenceOf(m, side) ?? []);
  return ['Wheel dial, valve at 12', ...said].join(', ');
};

/** Snaps to the half minute of the clock face, finer than a hand can point. */
const SNAP_DEG = 1;

/** How long turning a wheel over takes. */
const OVER_MS = 280;

/** Turns what is drawn over when its side changes: from the mirror image that the other side is. */
const useTurnedOver = (sideUp: 'disc' | 'other') => {
  const body = useRef<SVGGElement>(null);
  const shown = useRef(sideUp);
  useEffect(() => {
    if (shown.current === sideUp) return;
    shown.current = sideUp;
    if (wantsNoMotion()) return;
    body.current?.animate([{ scale: '-1 1' }, { scale: '1 1' }], {
      duration: OVER_MS,
      easing: 'ease-out',
    });
  }, [sideUp]);
  return body;
};

/** The picture that fitters look at instead of reading. */
export const WheelDial = ({
  onPick,
  className = '',
  wheel,
  drive,
  marks,
  sideUp,
  tireOn,
  small = false,
  letters = 1,
  turnDeg = null,
  turns,
}: Props) => {
  const own = useRef<SVGSVGElement>(null);
  const svg = turns ?? own;
  const shapes = useMemo(
    () => mergedShapes(wheelDial({ wheel, drive, marks, sideUp, tireOn, small, letters })),
    [wheel, drive, marks, sideUp, tireOn, small, letters],
  );
  const turned = useMemo(
    () => shapes.map((shape, i) => shape.role !== 'hour' && <Shape key={i} shape={shape} />),
    [shapes],
  );
  const over = sideUp === 'other';
  const body = useTurnedOver(sideUp);
  const turning = turnDeg !== null || turns !== undefined;
  const seenTurn = (turnDeg ?? 0) * (over ? -1 : 1);

  const pick = (event: MouseEvent) => {
    const matrix = svg.current?.getScreenCTM();
    if (!matrix || !onPick) return;
    const p = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse());
    const turned = turning
      ? Number.parseFloat(svg.current!.style.getPropertyValue('--turn')) || 0
      : 0;
    const seen = normalDeg((Math.atan2(p.x - 300, 300 - p.y) * 180) / Math.PI - turned);
    const snapped = normalDeg(Math.round(seen / SNAP_DEG) * SNAP_DEG);
    onPick(over ? mirrored(snapped) : snapped);
  };

  return (
    <svg
      ref={svg}
      viewBox="-6 2 612 598"
      role="img"
      aria-label={describe(marks, over)}
      className={`dial ${onPick ? 'cursor-crosshair' : ''} ${turning ? 'dial-turns' : ''} ${turnDeg === null ? '' : 'dial-follows'} ${className}`}
      style={turnDeg === null ? undefined : ({ '--turn': `${seenTurn}deg` } as CSSProperties)}
      onClick={onPick ? pick : undefined}
    >
      {/* The hours stay where they are when the wheel turns. */}
      {shapes.map((shape, i) => shape.role === 'hour' && <Shape key={i} shape={shape} />)}
      <g ref={body} className="dial-wheel">
        {turned}
      </g>
    </svg>
  );
};
