import { dateText } from '../../../core/base/units';
import { Link } from 'react-router';
import type { LifeEvent } from '../../../core/job';
import { useUnits } from '../../shared/quantity';

/** The work of every job on a wheel, the newest first. */
export const WheelLife = ({ life }: { life: readonly LifeEvent[] }) => {
  const { tell } = useUnits();
  if (life.length === 0) return null;
  return (
    <section aria-label="History" className="mt-8">
      <h2 className="mb-1 text-2xl">History</h2>
      <ol className="border-l-4 border-lip">
        {life.map((event) => (
          <li
            key={event.jobId}
            className="relative grid gap-x-4 py-2 pl-5 sm:grid-cols-[190px_1fr]"
          >
            <span
              className="absolute top-4 -left-[10px] h-4 w-4 rounded-b-lg bg-water"
              aria-hidden="true"
            />
            <p className="num">
              <Link
                to={`/jobs/${event.jobId}/${event.by === null ? 'intake' : 'card'}`}
                className="inline-flex min-h-12 items-center"
              >
                {dateText(event.onDate)}, job {event.number}
              </Link>
            </p>
            <div className="self-center text-[16px]">
              <p>
                {event.facts.map(tell).join('; ') || 'no entries yet'}
                {event.by !== null && <span className="text-ink2"> · {event.by}</span>}
              </p>
              {event.found.map((f) => (
                <p key={f.says} className="text-check">
                  {tell(f)}
                </p>
              ))}
            </div>
          </li>
        ))}
      </ol>
    </section>
  );
};
