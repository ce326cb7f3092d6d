import { dateText } from '../../core/base/units';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { dialMarks, jobCard, drawnDriveOf, drawnWheelAt } from '../../core/job';
import { Button } from '../parts/Button';
import { Waiting } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { NoJob, useOpenJob } from '../shared/use-open-job';
import { useUnits } from '../shared/quantity';
import { WheelDial } from '../pictures/WheelDial';
import { today, useApp } from '../store';
import { selectJobState } from '../store/job-selectors';

const List = ({ title, items }: { title: string; items: readonly string[] }) =>
  items.length === 0 ? null : (
    <section className="mt-4 break-inside-avoid">
      <h3 className="text-lg">{title}</h3>
      <ul className="list-disc pl-5">
        {items.map((i) => (
          <li key={i}>{i}</li>
        ))}
      </ul>
    </section>
  );

/** The job card on paper: what was fitted, set, found and advised. */
export const JobCardScreen = () => {
  const { id = '' } = useParams();
  const { units, say } = useUnits();
  const { open, problem } = useOpenJob(id);
  const state = useApp((s) => selectJobState(s, id));
  const shop = useApp((s) => s.shop.shop?.name);
  useKeys([{ key: 'p', label: 'Print job card', run: () => window.print() }]);
  const card = useMemo(() => jobCard(state, today(), units), [state, units]);
  const marks = useMemo(
    () => dialMarks(state, 'hand-over', { say: (g) => say(g, 'g') }),
    [state, say],
  );

  if (problem) return <NoJob id={id} problem={problem} />;
  if (!open || !state.wheel) return <Waiting what="Loading job" />;
  return (
    <div className="mx-auto max-w-[900px] px-5 py-4 print:max-w-none print:px-0">
      <div className="no-print mb-4 flex flex-wrap gap-3">
        <Link className="btn" to={`/jobs/${id}/hand-over`}>
          Back to the job
        </Link>
        <Button go hotkey="P" onClick={() => window.print()}>
          Print
        </Button>
        <a className="btn" href={`/api/jobs/${id}/card.pdf?${new URLSearchParams({ ...units })}`}>
          PDF
        </a>
      </div>
      <article className="rounded-[14px_14px_14px_4px] bg-paper p-6 print:bg-white print:p-0">
        <h1 className="text-[32px]">{card.title}</h1>
        <p className="text-ink2">{card.subtitle}</p>
        <p className="text-ink2">
          Job {open.job.number} · opened {dateText(open.job.openedAt)}
          {shop && ` · ${shop}`}
        </p>
        {card.despite && (
          <p className="caution mt-3" role="note">
            {card.despite}
          </p>
        )}
        <div className="mt-4 grid gap-6 md:grid-cols-[1fr_320px] print:grid-cols-[1fr_300px]">
          <div>
            {card.sections.map((s) => (
              <section key={s.title} className="mb-4 break-inside-avoid">
                <h2 className="border-t-2 border-ink pt-1 text-lg">{s.title}</h2>
                <dl>
                  {s.rows.map(([label, value]) => (
                    <div
                      key={label}
                      className="grid grid-cols-[130px_1fr] gap-3 py-0.5 text-[16px]"
                    >
                      <dt className="text-ink2">{label}</dt>
                      <dd className="num !font-medium">{value}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
          </div>
          <figure>
            <WheelDial
              wheel={drawnWheelAt(state, 'hand-over') ?? state.wheel}
              drive={drawnDriveOf(state)}
              marks={marks}
              letters={1.3}
              sideUp="disc"
              tireOn
            />
            <figcaption className="text-center text-[15px] text-ink2">
              seen from the disc side, valve at 12
            </figcaption>
          </figure>
        </div>
        <List
          title="Rechecks"
          items={card.rechecks.map((r) => `${dateText(r.onDate)}: ${r.what}`)}
        />
        <List title="To check" items={card.doubts} />
        <List title="Not recorded" items={card.missing} />
        <List title="Notes" items={card.notes} />
        <List
          title="Safety"
          items={[
            'Pump the brake until it is firm before the machine rolls. Ride gently at first: new tires are slippery.',
            'The maker’s manual and local codes come before this card.',
          ]}
        />
      </article>
    </div>
  );
};
