import { useMemo } from 'react';
import type { HiddenSpokes } from '../../../core/practice';
import { normalDeg } from '../../../core/base/units';
import { useUnits } from '../../shared/quantity';
import { useEasedDeg } from './use-eased-deg';

/** Places of the rim that are worked out; in between it is drawn straight. */
const STEP_DEG = 3;
/** So far to both sides of the needle the rim is seen. */
const SEEN_DEG = 24;
const OFFSETS = Array.from(
  { length: 2 * (SEEN_DEG / STEP_DEG) + 1 },
  (_, i) => i * STEP_DEG - SEEN_DEG,
);
/** A millimeter is drawn so much larger. */
const PX_PER_MM = 16;
const [W, H, MIDDLE] = [420, 150, 75];

type Side = 'sideMm' | 'upMm';

/** A value all round, from a table in steps. */
const between = (table: readonly number[], deg: number): number => {
  const at = normalDeg(deg) / STEP_DEG;
  const i = Math.floor(at) % table.length;
  const share = at - Math.floor(at);
  return table[i]! * (1 - share) + table[(i + 1) % table.length]! * share;
};

/**
 * The rim as it runs past the needle, much larger: seen along its edge it goes to the sides, seen
 * from the side it goes up and down. It moves on with the needle.
 */
export const RimSwing = ({ wheel, deg }: { wheel: HiddenSpokes; deg: number }) => {
  const { say } = useUnits();
  const table = useMemo(() => {
    const of = (side: Side) =>
      Array.from({ length: 360 / STEP_DEG }, (_, i) => wheel[side](i * STEP_DEG));
    return { sideMm: of('sideMm'), upMm: of('upMm') };
  }, [wheel]);
  const at = useEasedDeg(deg);
  const line = (side: Side, point: (along: number, off: number) => string) =>
    `M${OFFSETS.map((o) => point((o / SEEN_DEG) * 62, PX_PER_MM * between(table[side], at + o))).join('L')}`;
  const px = (n: number) => n.toFixed(1);
  const edge = line('sideMm', (along, off) => `${px(70 + off)} ${px(MIDDLE - along)}`);
  const face = line('upMm', (along, off) => `${px(295 + 1.7 * along)} ${px(96 - off)}`);
  const [side, up] = [between(table.sideMm, deg), between(table.upMm, deg)];
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      role="img"
      aria-label={`Rim at the needle, enlarged: ${say(side, 'mm', { digits: 1 })} to the side, ${say(up, 'mm', { digits: 1 })} up`}
      className="w-full"
    >
      <path
        d={`M70 6V${H - 6}M185 96H405`}
        className="stroke-stone3"
        strokeWidth="2"
        strokeDasharray="4 5"
      />
      <path
        d={edge}
        fill="none"
        className="stroke-ink"
        strokeWidth="16"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      <path
        d={face}
        fill="none"
        className="stroke-ink"
        strokeWidth="16"
        strokeLinecap="round"
        strokeLinejoin="round"
      />
      <path d={`M146 ${MIDDLE}L160 ${MIDDLE - 7}V${MIDDLE + 7}Z`} className="fill-water" />
      <path d="M295 20L288 6H302Z" className="fill-water" />
      <text x="405" y={H - 8} textAnchor="end" fontSize="14" className="fill-ink2">
        up and down
      </text>
      <text x="96" y={H - 8} fontSize="14" className="fill-ink2">
        side to side
      </text>
    </svg>
  );
};
