import { Link } from 'react-router';
import { clockOf, plannedWheels, type Bar } from './plan-rows';

/** The number of a wheel in the plan, on its blocks and in the list below. */
export const WheelNumber = ({ number }: { number: number }) => (
  <span className="num grid h-7 min-w-7 shrink-0 place-items-center rounded-full border-2 border-ink bg-paper px-1 text-[15px] font-bold">
    {number}
  </span>
);

/** The wheels of the plan by number: the whole name, and when each is done against its promise. */
export const PlannedWheels = ({ bars }: { bars: readonly Bar[] }) => (
  <ol className="mt-4 grid gap-x-10 sm:grid-cols-2" aria-label="Wheels in this plan">
    {plannedWheels(bars).map(({ number, jobId, wheel, endMs, promisedMs, late }) => (
      <li key={number} className="flex min-h-12 items-center gap-3 border-b border-stone3 py-1">
        <WheelNumber number={number} />
        <Link to={`/jobs/${jobId}`} className="min-w-0 flex-1 font-semibold">
          {wheel}
        </Link>
        <span className={`shrink-0 text-right ${late ? 'text-stop' : 'text-ink2'}`}>
          done <span className="num">{clockOf(endMs)}</span>
          {promisedMs !== null && `, promised ${clockOf(promisedMs)}`}
          {late && ', late'}
        </span>
      </li>
    ))}
  </ol>
);
