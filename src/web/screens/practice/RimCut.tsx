import type { BeadState, HiddenBead } from '../../../core/practice';

/** Heights in the drawing: the well, the seat, the flange. */
const Y = { well: 128, seat: 74, flange: 34 } as const;
const RIM = `M20 ${Y.flange}H34V${Y.seat}H70L88 ${Y.well + 12}H152L170 ${Y.seat}H206V${Y.flange}H220`;

/**
 * The rim cut through: the far side in the well or up on its seat, the near side on its way over
 * the flange.
 */
export const RimCut = ({ bead, state }: { bead: HiddenBead; state: BeadState }) => {
  const upShare = state.onDeg > 0 ? Math.min(1, state.upDeg / state.onDeg) : 0;
  const fillPx = Math.min(24, 3 * bead.rim.fillMm);
  const farY = Y.well - fillPx - (Y.well - fillPx - Y.seat) * upShare;
  const says = state.over
    ? 'The bead is over.'
    : `Of the bead that is on, ${Math.round(upShare * 100)}% is up on its seat; the rest is in the well.`;
  return (
    <svg
      viewBox="0 0 240 160"
      role="img"
      aria-label={`Cross-section of the rim. ${says}`}
      className="w-full max-w-[280px]"
    >
      <path d={RIM} fill="none" className="stroke-lip" strokeWidth="7" strokeLinejoin="round" />
      {fillPx > 0 && (
        <rect
          x="92"
          y={Y.well + 6 - fillPx}
          width="56"
          height={fillPx}
          rx="5"
          className="fill-water3"
        />
      )}
      <g className="cut-bead" style={{ transform: `translateY(${farY}px)` }}>
        <circle cx="120" cy="0" r="9" className="fill-ink" />
        <text x="120" y="-15" textAnchor="middle" fontSize="13" className="head fill-ink">
          far side
        </text>
      </g>
      <g
        className="cut-bead"
        style={{ transform: `translateY(${state.over ? Y.seat - 10 : Y.flange - 14}px)` }}
      >
        <circle cx={state.over ? 194 : 213} cy="0" r="9" className="fill-water" />
      </g>
    </svg>
  );
};
