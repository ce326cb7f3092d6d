import { dateText } from '../../core/base/units';
import { Link, useParams } from 'react-router';
import type { PaperWheel } from '../../core/reports/papers';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { useUnits } from '../shared/quantity';
import { WheelDial } from '../pictures/WheelDial';
import { useRiderPaperQuery } from '../store/paper-api';
import { serverProblem } from '../shared/server-problem';

const Part = ({ title, items }: { title: string; items: readonly string[] }) =>
  items.length === 0 ? null : (
    <section className="mt-4 break-inside-avoid">
      <h2 className="border-t-2 border-ink pt-1 text-xl">{title}</h2>
      <ul className="list-disc pl-5">
        {items.map((item) => (
          <li key={item}>{item}</li>
        ))}
      </ul>
    </section>
  );

const Listed = ({ title, items }: { title: string; items: readonly string[] }) =>
  items.length === 0 ? null : (
    <>
      <h3 className="mt-2 text-lg">{title}</h3>
      <ul className="list-disc pl-5">
        {items.map((item) => (
          <li key={item}>{item}</li>
        ))}
      </ul>
    </>
  );

/** One wheel: what was done, the dial with its weights, what was found. */
const OneWheel = ({ wheel }: { wheel: PaperWheel }) => (
  <section className="mt-4 break-inside-avoid">
    <h2 className="border-t-2 border-ink pt-1 text-xl">{wheel.title}</h2>
    <div className="grid gap-x-6 sm:grid-cols-[1fr_230px] print:grid-cols-[1fr_210px]">
      <dl>
        {wheel.rows.map(([label, value]) => (
          <div key={label} className="grid grid-cols-[120px_1fr] gap-3 py-0.5">
            <dt className="text-ink2">{label}</dt>
            <dd className="font-medium">{value}</dd>
          </div>
        ))}
      </dl>
      <figure className="mx-auto w-full max-w-[230px]">
        <WheelDial
          wheel={wheel.dial.wheel}
          drive={wheel.dial.drive}
          marks={wheel.dial.marks}
          letters={1.7}
          sideUp="disc"
          tireOn
        />
        <figcaption className="text-center text-[14px] text-ink2">
          from the disc side, valve at 12
        </figcaption>
      </figure>
    </div>
    <Listed title="Found" items={wheel.found} />
    <Listed title="Recommended, declined" items={wheel.declined} />
    {wheel.photos.length > 0 && (
      <ul className="mt-2 grid grid-cols-2 gap-3 sm:grid-cols-3">
        {wheel.photos.map((p) => (
          <li key={p.photoId}>
            <img
              src={`/api/photos/${p.photoId}`}
              alt={p.says}
              className="max-h-[180px] w-full object-cover"
            />
            <p className="text-[14px] text-ink2">{p.says}</p>
          </li>
        ))}
      </ul>
    )}
  </section>
);

/** The rider's sheet: one for the whole visit, on screen, on paper and as a file. */
export const RiderPaperScreen = () => {
  const { id = '' } = useParams();
  const { units } = useUnits();
  const { data: paper, error } = useRiderPaperQuery(
    { id, units },
    { refetchOnMountOrArgChange: true },
  );
  useKeys([{ key: 'p', label: 'Print rider sheet', run: () => window.print() }]);
  if (error && !paper)
    return (
      <Frame title="Rider sheet">
        <Failed message={serverProblem(error)}>
          <Link className="btn" to="/">
            Today
          </Link>
        </Failed>
      </Frame>
    );
  if (!paper)
    return (
      <Frame title="Rider sheet">
        <Waiting what="Loading visit" />
      </Frame>
    );
  const before = [paper.ride && `Test ride: ${paper.ride}`, paper.taught].filter((t): t is string =>
    Boolean(t),
  );
  return (
    <div className="mx-auto max-w-[900px] px-5 py-4 print:max-w-none print:px-0">
      <div className="no-print mb-4 flex flex-wrap gap-3">
        <Link className="btn" to={`/visits/${id}`}>
          The visit
        </Link>
        <Button go hotkey="P" onClick={() => window.print()}>
          Print
        </Button>
        <a
          className="btn"
          href={`/api/visits/${id}/paper.pdf?${new URLSearchParams({ ...units })}`}
        >
          PDF
        </a>
      </div>
      <main className="rounded-[14px_14px_14px_4px] bg-paper p-6 max-sm:p-4 print:bg-white print:p-0">
        <h1 className="text-[32px] leading-tight">{paper.title}</h1>
        <p className="text-ink2">{paper.subtitle}</p>
        {paper.wanted && <p>Requested: {paper.wanted}</p>}
        {paper.despite.map((d) => (
          <p key={d} className="caution mt-3" role="note">
            {d}
          </p>
        ))}
        {paper.wheels.map((wheel) => (
          <OneWheel key={wheel.jobId} wheel={wheel} />
        ))}
        <Part title="Final check" items={before} />
        <Part
          title="Rechecks"
          items={paper.lookAgain.map((l) => `${dateText(l.onDate)}: ${l.what}: ${l.why}`)}
        />
        <Part title="Ride safely" items={paper.cautions} />
      </main>
    </div>
  );
};
