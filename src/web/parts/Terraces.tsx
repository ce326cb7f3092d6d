import { useEffect, useRef } from 'react';
import { NavLink } from 'react-router';
import { STATION_WORDS, type StationId, type StationReport } from '../../core/job';

const STEP_PX = 5.6;
/** The part of the station before the live one that stays in sight. */
const LEFT_OF_LIVE_PX = 40;

/** A basin that fills as its station is done: lip, water, and the wave on it. */
const Basin = ({ fill, active }: { fill: number; active: boolean }) => {
  const [w, h] = active ? [178, 84] : [164, 46];
  const wall = 8;
  const floor = h - wall;
  const level = wall / 2 + (1 - fill) * (floor - wall / 2);
  // Four waves across the water, then down and round the floor.
  const long = (w - 2 * wall) / 4;
  const waves = `q${long / 2} -4 ${long} 0${`t${long} 0`.repeat(3)}`;
  const water = `M${wall} ${level}${waves}V${floor - 10}q0 10 -10 10H${wall + 10}q-10 0 -10 -10Z`;
  const round = wall + 5;
  const lip = [
    `M${wall / 2} ${wall / 2}V${h - wall - 8}q0 ${wall + 4} ${round} ${wall + 4}`,
    `H${w - wall * 1.5 - 5}q${round} 0 ${round} -${wall + 4}V${wall / 2}`,
  ].join('');
  return (
    <svg
      viewBox={`0 0 ${w} ${h}`}
      width={w}
      height={h}
      aria-hidden="true"
      className="block max-w-full"
    >
      <rect
        x={wall / 2}
        y="3"
        width={w - wall}
        height={h - wall}
        rx="10"
        className={active ? 'fill-paper' : 'fill-stone'}
        opacity={active ? 0 : 0.55}
      />
      {fill > 0 && <path d={water} className={`rise ${active ? 'fill-water' : 'fill-water2'}`} />}
      <path
        d={lip}
        fill="none"
        strokeWidth={wall}
        strokeLinecap="round"
        className={active ? 'stroke-ink' : 'stroke-lip'}
      />
    </svg>
  );
};

const Doubt = () => (
  <svg viewBox="0 0 24 24" width="18" height="18" aria-hidden="true" className="text-check">
    <path
      d="M12 2 22 12 12 22 2 12z"
      className="fill-paper"
      stroke="currentColor"
      strokeWidth="3"
    />
    <path d="M12 7v6M12 15.5v2" stroke="currentColor" strokeWidth="2.6" />
  </svg>
);

const spoken = (r: StationReport): string => {
  const how = r.fill >= 1 ? 'done' : r.fill > 0 ? `${Math.round(r.fill * 100)}%` : 'not started';
  return `${STATION_WORDS[r.station]}, ${how}${r.doubts.length > 0 ? `, ${r.doubts.length} doubtful` : ''}`;
};

/** The stations as terraces, stepping down; on a phone a strip that keeps the live one in view. */
export const Terraces = ({
  jobId,
  reports,
  station,
}: {
  jobId: string;
  reports: readonly StationReport[];
  station: StationId;
}) => {
  const strip = useRef<HTMLOListElement>(null);
  const live = useRef<HTMLLIElement>(null);
  useEffect(() => {
    if (live.current && strip.current)
      strip.current.scrollLeft = live.current.offsetLeft - LEFT_OF_LIVE_PX;
  }, [station]);
  return (
    <nav aria-label="Stations" className="no-print">
      <ol
        ref={strip}
        className="relative max-lg:flex max-lg:items-end max-lg:gap-1 max-lg:overflow-x-auto max-lg:px-3 max-lg:py-1"
      >
        {reports.map((report, i) => {
          const active = report.station === station;
          return (
            <li
              key={report.station}
              ref={active ? live : undefined}
              style={{ '--step': `${6 + i * STEP_PX}px` } as React.CSSProperties}
              className="max-lg:shrink-0 lg:ml-[var(--step)]"
            >
              <NavLink
                to={`/jobs/${jobId}/${report.station}`}
                aria-label={spoken(report)}
                className={`relative block w-max no-underline ${active ? 'lg:my-1' : 'lg:mb-[9px]'} max-lg:min-h-12`}
              >
                <Basin fill={report.fill} active={active} />
                <span
                  className={`head absolute left-5 ${active ? 'text-[26px]' : 'text-[17px]'} ${report.fill > 0.45 && !active ? 'top-[14px]' : active ? 'top-[16px]' : 'top-[13px]'}`}
                  style={active && report.fill > 0.5 ? { textShadow: '0 0 0' } : undefined}
                >
                  <span className={active ? 'rounded bg-stone2 px-1 -mx-1' : ''}>
                    {STATION_WORDS[report.station]}
                  </span>
                </span>
                {report.doubts.length > 0 && (
                  <span className={`absolute right-4 ${active ? 'top-[48px]' : 'top-[13px]'}`}>
                    <Doubt />
                  </span>
                )}
              </NavLink>
            </li>
          );
        })}
      </ol>
    </nav>
  );
};
