import { Link } from 'react-router';
import { STATION_WORDS, STATIONS } from '../../../core/job';
import { POSITION_WORDS } from '../../../core/fit/wheels';
import type { WheelNow } from '../../../core/shop/visit';

const WIDE = 15;
const STEP = 0.6;
const DEEP = 15;

/**
 * The wheel as the server draws it, so that the first screen needs no code for it. The picture of
 * the other theme is not loaded.
 */
const WheelPicture = ({ wheel, className }: { wheel: WheelNow; className: string }) =>
  (['light', 'dark'] as const).map((theme) => (
    <img
      key={theme}
      src={`/api/wheels/${wheel.wheelId}/icon.svg?theme=${theme}&version=${wheel.wheelVersion}`}
      alt=""
      loading="lazy"
      className={`shrink-0 ${theme === 'light' ? 'dark:hidden' : 'hidden dark:block'} ${className}`}
    />
  ));

/**
 * The stations of one wheel as a row of small basins stepping down, each as full as its station is
 * done.
 */
export const WheelBasins = ({ wheel, isTight = false }: { wheel: WheelNow; isTight?: boolean }) => {
  const live = wheel.station === null ? -1 : STATIONS.indexOf(wheel.station);
  const isWithdrawn = wheel.withdrawnBy !== null;
  const where = isWithdrawn
    ? `proof withdrawn by ${wheel.withdrawnBy}`
    : wheel.station === null
      ? 'done'
      : `at ${STATION_WORDS[wheel.station]}`;
  return (
    <Link
      to={
        wheel.station === null || isWithdrawn
          ? `/jobs/${wheel.jobId}/hand-over`
          : `/jobs/${wheel.jobId}/${wheel.station}`
      }
      className={`flex ${isTight ? 'min-h-8' : 'min-h-10'} items-center gap-3 no-underline hover:bg-stone2`}
    >
      <WheelPicture wheel={wheel} className={isTight ? 'size-8' : 'size-10'} />
      <span className="w-[86px] shrink-0 text-right text-[15px] leading-tight max-sm:w-[74px]">
        {POSITION_WORDS[wheel.position].replace(/ wheel$/, '').toLowerCase()}
      </span>
      <svg
        viewBox={`0 0 ${STATIONS.length * WIDE} ${DEEP + STATIONS.length * STEP + 4}`}
        className="h-[26px] w-[170px] shrink-0"
        role="img"
        aria-label={where}
      >
        {wheel.fills.map((fill, i) => {
          const [x, y] = [i * WIDE + 1.5, i * STEP + 1.5];
          const high = fill * (DEEP - 2);
          return (
            <g key={STATIONS[i]}>
              {fill > 0 && (
                <path
                  d={`M${x + 1} ${y + DEEP - high}h${WIDE - 5}v${Math.max(0, high - 2)}q0 2 -2 2h${9 - WIDE}q-2 0 -2 -2z`}
                  className={i === live ? 'fill-water' : 'fill-water2'}
                />
              )}
              <path
                d={`M${x} ${y}v${DEEP - 3}q0 3 3 3h${WIDE - 9}q3 0 3 -3v${3 - DEEP}`}
                fill="none"
                strokeWidth={i === live ? 2.6 : 1.8}
                className={i === live ? 'stroke-ink' : 'stroke-lip'}
              />
            </g>
          );
        })}
      </svg>
      <span className="truncate text-[15px] text-ink2 max-xl:hidden">
        {isWithdrawn
          ? STATION_WORDS['hand-over']
          : wheel.station === null
            ? 'done'
            : STATION_WORDS[wheel.station]}
      </span>
    </Link>
  );
};
