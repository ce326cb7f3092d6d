import { dateText } from '../../../core/base/units';
import { Link } from 'react-router';
import { today } from '../../store';
import { useWheelRechecksQuery } from '../../store/rechecks-api';
import { dueDayText } from './recheck-words';

/** The rechecks of a wheel, open and closed. */
export const WheelRechecks = ({ wheelId }: { wheelId: string }) => {
  const { data = [] } = useWheelRechecksQuery(wheelId, { refetchOnMountOrArgChange: true });
  const on = today();
  const open = data
    .filter((r) => r.closed === null && r.passedBy === null)
    .sort((a, b) => a.dueOn.localeCompare(b.dueOn));
  const over = data.filter((r) => r.closed !== null);
  if (open.length + over.length === 0) return null;
  return (
    <section className="mt-5" aria-label="Rechecks">
      <h2 className="text-2xl">Rechecks</h2>
      <ul className="rows">
        {open.map((row) => (
          <li key={row.id} className="border-b border-stone3">
            <Link
              to={`?look=${row.id}`}
              className="flex min-h-12 flex-wrap items-center gap-x-4 px-2 no-underline hover:bg-stone2"
            >
              <span className={`w-40 ${row.dueOn < on ? 'font-semibold text-stop' : ''}`}>
                {dueDayText(row.dueOn, on)}
              </span>
              <span>{row.what}</span>
            </Link>
          </li>
        ))}
        {over.map((row) => (
          <li
            key={row.id}
            className="flex flex-wrap gap-x-4 border-b border-stone3 px-2 py-2 text-[15px] text-ink2"
          >
            <span className="w-40">{dateText(row.closed!.at)}</span>
            <span>
              {row.what}: {row.closed!.good ? 'as it should be' : 'not as it should be'}
              {row.closed!.found && `; ${row.closed!.found}`}, {row.closed!.by}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
};
