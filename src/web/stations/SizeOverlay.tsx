import { formatQuantity } from '../../core/units';
import type { TireComparison } from '../../core/tires';
import { useUnits } from '../parts/quantity';

const W = 600;
const BASE_Y = 500;
const TALL_PX = 410;

/** A section through the tire: flat seat on the rim, round to the tread. */
const section = (cx: number, rimY: number, width: number, height: number, rim: number) => {
  const half = width / 2;
  const top = rimY - height;
  return `M${cx - rim / 2} ${rimY}C${cx - half * 1.3} ${rimY - height * 0.3} ${cx - half * 1.05} ${top} ${cx} ${top}C${cx + half * 1.05} ${top} ${cx + half * 1.3} ${rimY - height * 0.3} ${cx + rim / 2} ${rimY}Z`;
};

/** Old and new to one scale over each other: side view standing on the ground, section beside it. */
export const SizeOverlay = ({ comparison }: { comparison: TireComparison }) => {
  const { units } = useUnits();
  const { from, to } = comparison;
  const say = (mm: number) => {
    const { text, label } = formatQuantity(mm, 'mm', units, { sign: true });
    return `${text} ${label}`;
  };
  const scale = TALL_PX / Math.max(from.overallDiameterMm, to.overallDiameterMm);
  const side = 215;
  const circle = (diameterMm: number) => ({ cx: side, cy: BASE_Y - (diameterMm * scale) / 2, r: (diameterMm * scale) / 2 });
  const oldC = circle(from.overallDiameterMm);
  const newC = circle(to.overallDiameterMm);
  const oldTop = BASE_Y - from.overallDiameterMm * scale;
  const newTop = BASE_Y - to.overallDiameterMm * scale;
  // The section is drawn larger than the side view, so that a few millimetres can be seen.
  const close = 1.75;
  const sx = 560;
  const sy = 330;
  const sameSize = Math.abs(comparison.diameterChangeMm) < 0.05 && Math.abs(comparison.sectionWidthChangeMm) < 0.05;
  return (
    <svg
      viewBox={`-10 30 ${W + 90} 520`}
      role="img"
      className="w-full lg:max-h-[620px]"
      aria-label={`${from.canonical} and ${to.canonical} to one scale: diameter ${say(comparison.diameterChangeMm)}, width ${say(comparison.sectionWidthChangeMm)}`}
    >
      <line x1="-10" x2={W + 90} y1={BASE_Y} y2={BASE_Y} className="stroke-lip" strokeWidth="4" />
      <circle {...newC} className="fill-[var(--rubber)]" />
      <circle cx={side} cy={newC.cy} r={(to.rimDiameterMm * scale) / 2} className="fill-[var(--metal)]" />
      <circle cx={side} cy={newC.cy} r={(to.rimDiameterMm * scale) / 2 - 16} className="fill-stone" />
      {!sameSize && <circle {...oldC} fill="none" className="stroke-check" strokeWidth="4" strokeDasharray="12 8" />}
      <g className="head" fontSize="19">
        <text x={side} y={newC.cy - 8} textAnchor="middle" className="fill-ink" fontSize="26">
          {to.canonical}
        </text>
        <text x={side} y={newC.cy + 22} textAnchor="middle" className={sameSize ? 'fill-ink2' : 'fill-check'}>
          {sameSize ? 'the same size as before' : `dashed: ${from.canonical}`}
        </text>
        {!sameSize && (
          <>
            <path d={`M${side + 14} ${oldTop}H${side + 190}M${side + 14} ${newTop}H${side + 190}`} className="stroke-ink" strokeWidth="1.5" />
            <text x={side + 196} y={Math.min(oldTop, newTop) + (oldTop === newTop ? 6 : Math.abs(oldTop - newTop) / 2 + 6)} className="fill-water" fontSize="24">
              {say(comparison.diameterChangeMm)} tall
            </text>
          </>
        )}
        <path d={section(sx, sy, to.sectionWidthMm * scale * close, to.sectionHeightMm * scale * close, to.sectionWidthMm * scale * 1.2)} className="fill-[var(--rubber)]" stroke="var(--stone)" strokeWidth="4" />
        {!sameSize && (
          <path d={section(sx, sy, from.sectionWidthMm * scale * close, from.sectionHeightMm * scale * close, from.sectionWidthMm * scale * 1.2)} fill="none" className="stroke-check" strokeWidth="3" strokeDasharray="9 6" />
        )}
        <text x={sx} y={sy + 30} textAnchor="middle" className="fill-water" fontSize="22">
          {sameSize ? `${formatQuantity(to.sectionWidthMm, 'mm', units).text} wide` : `${say(comparison.sectionWidthChangeMm)} wide`}
        </text>
        <text x={sx} y={sy + 56} textAnchor="middle" className="fill-water" fontSize="22">
          {sameSize ? `${formatQuantity(to.sectionHeightMm, 'mm', units).text} sidewall` : `${say(comparison.sectionHeightChangeMm)} sidewall`}
        </text>
        {comparison.clearancesAfterMm.above !== undefined && (
          <text x={side} y={Math.min(oldTop, newTop) - 14} textAnchor="middle" className="fill-ink" fontSize="22">
            {say(comparison.clearancesAfterMm.above).replace('+', '')} of room above
          </text>
        )}
      </g>
    </svg>
  );
};
