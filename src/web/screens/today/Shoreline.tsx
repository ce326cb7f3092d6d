import { Link } from 'react-router';
import type { RecheckRow } from '../../../core/job/recheck';
import { daysAfter } from '../../../core/base/units';
import { today } from '../../store';
import { useRechecksQuery } from '../../store/rechecks-api';
import { dueDayText, recheckAddress, recheckName } from '../recheck/recheck-words';

/** So far back an overdue one stays on the shore; older ones are counted. */
const BACK_DAYS = 30;
const MOST = 5;
const ASK_MS = 20_000;

const WIDE = 240;
const WAVE = `M0 12q10 -8 20 0${'t20 0'.repeat(11)}`;

/** One day on the shore: overdue filled in red with a word, today's full, those to come open. */
const Place = ({ row, on }: { row: RecheckRow; on: string }) => {
  const isOver = row.dueOn < on;
  const isNow = row.dueOn === on;
  return (
    <li className="min-w-0 flex-1 basis-0 max-md:flex max-md:basis-auto max-md:gap-3 max-md:border-b max-md:border-stone3 max-md:py-2">
      <svg
        viewBox={`0 0 ${WIDE} 24`}
        preserveAspectRatio="xMinYMid slice"
        className="h-6 w-full max-md:w-6 max-md:shrink-0"
        aria-hidden="true"
      >
        <path d={WAVE} fill="none" strokeWidth="3" className="stroke-water2 max-md:hidden" />
        <circle
          cx="10"
          cy="12"
          r="7"
          strokeWidth="3"
          className={
            isOver
              ? 'fill-stop stroke-stop'
              : isNow
                ? 'fill-water stroke-water'
                : 'fill-stone stroke-water'
          }
        />
      </svg>
      <Link
        to={recheckAddress(row)}
        className="block min-w-0 pr-3 text-[15px] leading-tight no-underline hover:underline"
      >
        <span className={`block ${isOver ? 'font-semibold text-stop' : ''}`}>
          {dueDayText(row.dueOn, on)}
        </span>
        <span className="block truncate font-semibold">{recheckName(row)}</span>
        <span className="block truncate text-ink2">{row.what}</span>
      </Link>
    </li>
  );
};

/** The rechecks that are due, as a shore of dates. */
export const Shoreline = () => {
  const on = today();
  const { data } = useRechecksQuery(
    { from: daysAfter(on, -BACK_DAYS), limit: MOST },
    { pollingInterval: ASK_MS, refetchOnMountOrArgChange: true },
  );
  if (!data || data.open === 0) return null;
  return (
    <section aria-label="Rechecks" className="mt-6">
      <div className="mb-1 flex flex-wrap items-baseline gap-x-4">
        <h2 className="text-2xl">Rechecks</h2>
        <Link to="/rechecks">
          all {data.open}
          {data.overdue > 0 && `, ${data.overdue} overdue`}
        </Link>
      </div>
      <ul className="flex max-md:block">
        {data.rechecks.map((row) => (
          <Place key={row.id} row={row} on={on} />
        ))}
      </ul>
    </section>
  );
};
