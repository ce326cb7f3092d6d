const [W, H] = [420, 30];
/** The place where the strip is broken off: all of them are much longer than what differs. */
const BREAK = 26;

/**
 * The tread of a tire unrolled, of which the last stretch is drawn: where strips end tells which
 * are alike. `share` 0 to 1 of that stretch; null where it was not taped.
 */
export const TapeStrip = ({ share }: { share: number | null }) => {
  const end = BREAK + 14 + (W - BREAK - 20) * (share ?? 0.5);
  return (
    <svg viewBox={`0 0 ${W} ${H}`} aria-hidden="true" className="w-full">
      <path d={`M0 ${H / 2}H${BREAK - 6}`} className="stroke-ink" strokeWidth="14" />
      <path
        d={`M${BREAK - 4} 3L${BREAK - 10} ${H - 3}M${BREAK + 6} 3L${BREAK} ${H - 3}`}
        className="stroke-ink2"
      />
      {share === null ? (
        <path
          d={`M${BREAK + 4} ${H / 2}H${W}`}
          className="stroke-lip"
          strokeWidth="10"
          strokeDasharray="6 8"
          fill="none"
        />
      ) : (
        <>
          <path
            d={`M${BREAK + 4} ${H / 2}H${end.toFixed(1)}`}
            className="stroke-ink"
            strokeWidth="14"
          />
          <path d={`M${end.toFixed(1)} 2V${H - 2}`} className="stroke-water" strokeWidth="4" />
        </>
      )}
    </svg>
  );
};
