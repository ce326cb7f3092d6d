import type { ReactNode } from 'react';
import { toDisplay } from '../../../core/base/units';
import { useUnits } from '../../shared/quantity';

const W = 210;
const H = 300;
const WALL = 12;
const FLOOR = H - WALL;
/** The limit stands so far down from the basin's edge: what is above it is not for air. */
const LIMIT_Y = 62;

interface Props {
  nowKpa: number | null;
  limitKpa: number;
  readingsKpa: readonly number[];
  popsKpa: readonly number[];
  /** Whose pressure it is, and since when. */
  from: ReactNode;
}

/**
 * The pressure as water in a basin, under the line that it must never reach past; its number is the
 * largest thing here.
 */
export const SeatPool = ({ nowKpa, limitKpa, readingsKpa, popsKpa, from }: Props) => {
  const { units, label, say } = useUnits();
  const y = (kpa: number) => Math.max(6, FLOOR - (kpa / limitKpa) * (FLOOR - LIMIT_Y));
  const level = nowKpa === null ? null : y(Math.max(0, nowKpa));
  const over = nowKpa !== null && nowKpa > limitKpa;
  const number =
    nowKpa === null
      ? '–'
      : toDisplay(Math.max(0, nowKpa), 'kPa', units).toFixed(
          units.pressure === 'bar' ? 2 : units.pressure === 'kPa' ? 0 : 1,
        );
  const pops = popsKpa.length > 0 ? `, ${popsKpa.length} pops` : '';
  const shows = nowKpa === null ? 'not known' : say(nowKpa, 'kPa');
  const inWords = `Pressure ${shows}, never above ${say(limitKpa, 'kPa')}${pops}`;
  return (
    <div
      className="flex items-stretch gap-4 max-lg:order-2 max-lg:py-2"
      role="group"
      aria-label="Pressure while seating"
    >
      <svg
        viewBox={`-14 0 ${W + 14} ${H}`}
        className="h-[150px] shrink-0 xl:h-[36dvh]"
        role="img"
        aria-label={inWords}
      >
        {level !== null && (
          <path
            d={`M${WALL} ${level}H${W - WALL}V${FLOOR - 14}q0 14 -14 14H${WALL + 14}q-14 0 -14 -14Z`}
            className={over ? 'fill-stop' : 'fill-water'}
          />
        )}
        {readingsKpa.map((kpa, i) => (
          <path key={i} d={`M${WALL} ${y(kpa)}h26`} className="stroke-ink" strokeWidth="4" />
        ))}
        {popsKpa.map((kpa, i) => (
          <g key={i}>
            <path
              d={`M${W - 30} ${y(kpa)}l15 -12v24z`}
              className="fill-ink stroke-paper"
              strokeWidth="2"
            />
            <text
              x={W - 36}
              y={y(kpa) + 6}
              textAnchor="end"
              className="head fill-ink stroke-paper"
              strokeWidth="5"
              paintOrder="stroke"
              fontSize="19"
            >
              pop
            </text>
          </g>
        ))}
        <path
          d={`M${WALL / 2} 6V${H - WALL - 8}q0 ${WALL + 2} ${WALL + 4} ${WALL + 2}H${W - WALL * 1.5 - 4}q${WALL + 4} 0 ${WALL + 4} -${WALL + 2}V6`}
          fill="none"
          strokeWidth={WALL}
          strokeLinecap="round"
          className="stroke-lip"
        />
        <path d={`M-14 ${LIMIT_Y}H${W}`} className="stroke-paper" strokeWidth="19" />
        <path
          d={`M-14 ${LIMIT_Y}H${W}`}
          className={over ? 'stroke-ink' : 'stroke-stop'}
          strokeWidth="11"
        />
        <text
          x={WALL + 8}
          y={LIMIT_Y - 16}
          className={`head stroke-stone ${over ? 'fill-ink' : 'fill-stop'}`}
          strokeWidth="6"
          paintOrder="stroke"
          strokeLinejoin="round"
          fontSize="26"
        >
          never above
        </text>
      </svg>
      <div className="flex min-w-0 flex-col justify-between">
        <p className="num whitespace-nowrap text-[30px] leading-none text-stop lg:text-[26px] xl:text-[46px]">
          {say(limitKpa, 'kPa')} <span className="text-[18px]">limit</span>
        </p>
        <p className={`num whitespace-nowrap leading-none ${over ? 'text-stop' : ''}`}>
          <span
            className="text-[72px] tracking-tight lg:text-[58px] xl:text-[126px]"
            data-testid="seat-now"
          >
            {number}
          </span>
          <span className="ml-2 text-[26px] xl:text-[34px]">{label('kPa')}</span>
        </p>
        <p className="text-[15px] text-ink2">
          {over ? <strong className="text-stop">Above the limit. </strong> : null}
          {from}
        </p>
      </div>
    </div>
  );
};
