import { hourText } from '../parts/moment-text';
import { Link, useNavigate } from 'react-router';
import { STATION_WORDS } from '../../core/job';
import { dueVerdict, type VisitSummary } from '../../core/shop/visit';
import { counted } from '../../core/base/units';
import { Button } from '../parts/Button';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { useOpenVisitsQuery } from '../store/visits-api';
import { serverProblem } from '../shared/server-problem';
import { BackupLine } from './today/BackupLine';
import { GuessingLine } from './today/GuessingLine';
import { OrderLine } from './today/OrderLine';
import { Shoreline } from './today/Shoreline';
import { hoursFrom, placeOf } from './today/TimeScale';
import { waitText } from './today/due-words';
import { useNow } from '../parts/use-now';
import { VisitRow } from './today/VisitRow';

/** So many machines stand with room between them. */
const ROOMY = 6;
/** Hours on the day's clock. */
const HOURS = 9;
/** News of other benches come by themselves; time goes on without them. */
const ASK_MS = 30_000;

/** Promises first, the nearest before the others; then what came in first. */
const byNeed = (a: VisitSummary, b: VisitSummary): number =>
  (a.dueAt ?? '9999').localeCompare(b.dueAt ?? '9999') || a.openedAt.localeCompare(b.openedAt);

/** The wheel that wants a hand next: of the nearest promise that waits for nothing. */
const nextOf = (visits: readonly VisitSummary[]) => {
  const visit = visits.find(
    (v) => waitText(v) === null && v.wheels.some((w) => w.station !== null),
  );
  const wheel = visit?.wheels.find((w) => w.station !== null);
  return visit && wheel?.station ? { visit, wheel, station: wheel.station } : null;
};

/** The sum of the day, in one line. */
const dayText = (visits: readonly VisitSummary[], nowMs: number): string => {
  const wheels = visits.reduce((n, v) => n + v.wheels.filter((w) => !w.handedOver).length, 0);
  const late = visits.filter(
    ({ left, dueAt }) =>
      left && dueAt !== null && dueVerdict(left, (Date.parse(dueAt) - nowMs) / 1000) !== 'good',
  );
  const tight =
    late.length === 0
      ? ''
      : ` ${counted(late.length, 'promise')} at risk: ${late.map((v) => v.machineName).join(', ')}.`;
  return `${counted(visits.length, 'machine')}, ${counted(wheels, 'wheel')}.${tight}`;
};

const Clock = ({ hours, nowMs }: { hours: readonly number[]; nowMs: number }) => (
  <div className="border-b-2 border-ink lg:grid lg:grid-cols-[230px_180px_336px_minmax(0,1fr)] lg:gap-x-4 xl:grid-cols-[230px_200px_412px_minmax(0,1fr)]">
    <div
      className="relative col-start-4 h-6 text-[14px] text-ink2 max-lg:hidden"
      aria-hidden="true"
    >
      {hours.map((ms, i) =>
        i % 2 === 1 && i < hours.length - 1 ? (
          <span
            key={ms}
            className="num absolute -translate-x-1/2"
            style={{ left: `${placeOf(ms, hours)}%` }}
          >
            {hourText(new Date(ms))}
          </span>
        ) : null,
      )}
      <span
        className="absolute top-5 h-2 border-l-2 border-dotted border-stop"
        style={{ left: `${placeOf(nowMs, hours)}%` }}
      />
    </div>
  </div>
);

/** The shop's day: what is in, at which station, what was promised, and whether it will be done. */
export const TodayScreen = () => {
  const navigate = useNavigate();
  const nowMs = useNow();
  const { data, error, refetch } = useOpenVisitsQuery(undefined, {
    pollingInterval: ASK_MS,
    refetchOnMountOrArgChange: true,
  });
  useKeys([
    { key: 'n', label: 'Check in a machine', run: () => void navigate('/jobs/new') },
    { key: 'p', label: 'Plan the day', run: () => void navigate('/plan') },
  ]);
  const hours = hoursFrom(nowMs, HOURS);
  const visits = [...(data ?? [])].sort(byNeed);
  const next = nextOf(visits);
  return (
    <Frame
      title="Today"
      actions={
        <div className="flex flex-wrap gap-2">
          <Link to="/plan" className="btn">
            Plan the day
            <kbd className="keycap max-sm:hidden" aria-hidden="true">
              P
            </kbd>
          </Link>
          <Link to="/jobs/new" className="btn btn-go">
            Check in a machine
            <kbd className="keycap max-sm:hidden" aria-hidden="true">
              N
            </kbd>
          </Link>
        </div>
      }
    >
      {error && (
        <Failed message={serverProblem(error)}>
          <Button onClick={() => void refetch()}>Try again</Button>
        </Failed>
      )}
      {!error && !data && <Waiting what="Loading the day" />}
      {data && visits.length === 0 && (
        <p className="py-14 text-center text-xl text-ink2">
          No machines in the shop. Check one in to start.
        </p>
      )}
      {visits.length > 0 && (
        <>
          <p role="status" className="-mt-3 mb-2 text-[18px] text-ink2">
            {dayText(visits, nowMs)}
            {next && (
              <>
                {' '}
                Next:{' '}
                <Link to={`/jobs/${next.wheel.jobId}/${next.station}`}>
                  {STATION_WORDS[next.station]}, {next.visit.machineName}
                </Link>
                .
              </>
            )}
          </p>
          <Clock hours={hours} nowMs={nowMs} />
          <ul aria-label="Machines that are in">
            {visits.map((visit) => (
              <VisitRow
                key={visit.id}
                visit={visit}
                hours={hours}
                nowMs={nowMs}
                isTight={visits.length > ROOMY}
              />
            ))}
          </ul>
        </>
      )}
      {data && <OrderLine />}
      {data && <BackupLine />}
      {data && <GuessingLine />}
      {data && <Shoreline />}
    </Frame>
  );
};
