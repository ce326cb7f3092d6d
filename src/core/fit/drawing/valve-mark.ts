import type { DrawnWheel, WheelRadii } from './drawn-wheel';
import { LETTERS, type DrawnMark } from './mark-shapes';
import { CENTER, path, type DrawnShape, type ShapeRole } from './shapes';

/** From this diameter on a valve hole takes a rubber valve. Basis: common practice. */
const RUBBER_HOLE_MM = 11;
/** The lean at which a valve is drawn that was found at a slant. */
const LEAN_DEG = 20;
const CAP = 5;

/** How a valve stands in the rim: a metal stem under its nut, or a rubber one that tapers. */
type ValveKind = 'nut' | 'rubber' | 'plain';

/** The kind by tube and hole; plain if the record does not say. */
const valveKindOf = ({
  tube,
  valveHoleMm,
}: Pick<DrawnWheel, 'tube' | 'valveHoleMm'>): ValveKind => {
  if (tube === undefined) return 'plain';
  if (!tube) return 'rubber';
  if (!valveHoleMm) return 'plain';
  return valveHoleMm >= RUBBER_HOLE_MM ? 'rubber' : 'nut';
};

/** Half widths at the rim and at the cap. */
const HALF: Record<ValveKind, readonly [rim: number, cap: number]> = {
  nut: [3.5, 3.5],
  rubber: [7.5, 4],
  plain: [4.5, 4.5],
};

/** The valve, in the rim at the top, with its word; it leans if it was found so. */
export const valveMark = (
  { rimIn }: WheelRadii,
  wheel: Pick<DrawnWheel, 'tube' | 'valveHoleMm'>,
  isLeaning: boolean,
): DrawnMark => {
  const long = Math.min(27, rimIn * 0.2);
  const top = CENTER - rimIn - 3;
  const kind = valveKindOf(wheel);
  const [wide, narrow] = HALF[kind];
  const turn = isLeaning ? (LEAN_DEG * Math.PI) / 180 : 0;
  /** A point beside the valve's middle line and along it from the rim. */
  const point = (across: number, along: number): string =>
    [
      CENTER + across * Math.cos(turn) + along * Math.sin(turn),
      top + along * Math.cos(turn) - across * Math.sin(turn),
    ]
      .map((value) => value.toFixed(1))
      .join(' ');
  const block = (
    role: ShapeRole,
    from: readonly [number, number],
    to: readonly [number, number],
  ): DrawnShape =>
    path(
      role,
      `M${point(-from[0], from[1])}L${point(from[0], from[1])}L${point(to[0], to[1])}L${point(-to[0], to[1])}Z`,
    );
  return {
    shapes: [
      block('ink', [wide, 0], [narrow, long]),
      ...(kind === 'nut' ? [block('ink', [9, 5], [9, 11])] : []),
      block('valve', [narrow, long], [narrow, long + CAP]),
    ],
    labels: [
      {
        role: 'label',
        text: 'valve',
        size: LETTERS.plain,
        deg: 0,
        zone: 'in',
        r: rimIn - long - 20,
      },
    ],
    taken: [{ x: 300, y: top + long / 2, halfW: isLeaning ? 14 : 9, halfH: long / 2 + 5 }],
  };
};
