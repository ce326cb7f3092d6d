import { lazy, Suspense, type ReactNode } from 'react';
import { STATION_WORDS } from '../../core/job';
import { counted, daysAfter } from '../../core/base/units';
import { Button } from '../parts/Button';
import { durationText } from '../parts/duration-text';
import { Fallback } from '../parts/Fallback';
import { TextField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useUnits } from '../shared/quantity';
import { useAddressTexts } from '../parts/use-address';
import { today } from '../store';
import { useKnowsQuery } from '../store/knows-api';
import { serverProblem } from '../shared/server-problem';
import type { BarRow } from './knows/BarsChart';

const BarsChart = lazy(() => import('./knows/BarsChart'));

const IN_ADDRESS = ['from', 'to'] as const;
const YEAR_DAYS = 365;
/** So many sizes are drawn; all of them are in the file. */
const MAX_BARS = 14;

/** One question, its bars, and the file behind it. */
const Part = ({
  title,
  file,
  rows,
  none,
  children,
}: {
  title: string;
  file: string;
  rows: readonly BarRow[];
  none: string;
  children?: ReactNode;
}) => (
  <section className="min-w-0">
    <div className="flex items-baseline justify-between gap-3 border-b-2 border-ink">
      <h2 className="text-2xl">{title}</h2>
      {rows.length > 0 && <a href={file}>CSV</a>}
    </div>
    {rows.length === 0 ? (
      <p className="py-4 text-ink2">{none}</p>
    ) : (
      <Fallback
        instead={<p className="py-4 text-ink2">Chart didn’t load. The numbers are in the CSV.</p>}
      >
        <Suspense fallback={null}>
          <BarsChart rows={rows.slice(0, MAX_BARS)} label={title} />
        </Suspense>
      </Fallback>
    )}
    {rows.length > MAX_BARS && (
      <p className="text-ink2">and {rows.length - MAX_BARS} more in the file</p>
    )}
    {children}
  </section>
);

/**
 * The statistics of the shop's own jobs over a period: troubles, stations, weights, and the
 * take-offs on the shelf.
 */
export const ShopStatsScreen = () => {
  const [asked, ask] = useAddressTexts(IN_ADDRESS);
  const { say } = useUnits();
  const from = asked.from || daysAfter(today(), -YEAR_DAYS);
  const to = asked.to || today();
  const { data, error, refetch } = useKnowsQuery({ from, to }, { refetchOnMountOrArgChange: true });
  const csv = (part: string) => `/api/knows/${part}.csv?${new URLSearchParams({ from, to })}`;
  return (
    <Frame title="Shop stats">
      <div className="mb-4 grid max-w-md grid-cols-2 gap-3">
        <TextField label="From" type="date" value={from} onChange={(day) => ask({ from: day })} />
        <TextField label="To" type="date" value={to} onChange={(day) => ask({ to: day })} />
      </div>
      {error && (
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
        </Failed>
      )}
      {!error && !data && <Waiting what="Counting" />}
      {data && (
        <div className="grid gap-x-10 gap-y-8 lg:grid-cols-2">
          <Part
            title="Time by station"
            file={csv('stations')}
            none="No jobs handed over in this period."
            rows={data.stations.map((s) => ({
              name: STATION_WORDS[s.station],
              value: s.medianS,
              label: `${durationText(s.medianS)}, ${s.sharePct.toFixed(0)}%`,
            }))}
          />
          <Part
            title="Balance weight by tire"
            file={csv('weights')}
            none="No wheels balanced in this period."
            rows={data.weights.map((w) => ({
              name: w.marking,
              value: w.medianG,
              label: `${say(w.medianG, 'g')}, ${counted(w.jobs, 'job')}`,
            }))}
          />
          <Part
            title="Trouble by type"
            file={csv('troubles')}
            none="No trouble logged in this period."
            rows={data.troubles.map((t) => ({
              name: t.says,
              value: t.count,
              label: `${t.count}, ${t.cured} fixed`,
            }))}
          />
          <Part
            title="Take-offs in stock"
            file={csv('takeOffs')}
            none="No used tires in stock."
            rows={data.takeOffs.map((t) => ({
              name: t.marking,
              value: t.treadMm ?? 0,
              label: `${t.treadMm === null ? 'not measured' : `${say(t.treadMm, 'tread')} left`}${t.count > 1 ? `, ${t.count}` : ''}`,
            }))}
          />
        </div>
      )}
    </Frame>
  );
};
