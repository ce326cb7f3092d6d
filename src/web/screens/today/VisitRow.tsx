import { Link } from 'react-router';
import { dueVerdict, type VisitSummary } from '../../../core/shop/visit';
import { counted } from '../../../core/base/units';
import { VerdictShape } from '../../parts/VerdictMark';
import { durationText } from '../../parts/duration-text';
import { coolText, DUE_WORDS, waitText, withdrawnText } from './due-words';
import { momentText } from '../../parts/moment-text';
import { TimeScale } from './TimeScale';
import { WheelBasins } from './WheelBasins';

/** The standing of its promise; null if nothing is promised, or it is on hold. */
const verdictOf = (visit: VisitSummary, nowMs: number) => {
  const { left, dueAt } = visit;
  return left === null || dueAt === null || waitText(visit) !== null
    ? null
    : dueVerdict(left, (Date.parse(dueAt) - nowMs) / 1000);
};

/** The reason it is on hold, else the standing of its promise, in one word. */
const Word = ({ visit, nowMs }: { visit: VisitSummary; nowMs: number }) => {
  const { dueAt, left } = visit;
  const waits = waitText(visit);
  const verdict = verdictOf(visit, nowMs);
  const cools = coolText(visit, nowMs);
  const withdrawn = withdrawnText(visit);
  const isBegun = visit.wheels.some((w) => w.fills.some((f) => f > 0));
  return (
    <div className="text-[16px] leading-tight">
      {withdrawn !== null ? (
        <p className="flex gap-1 font-semibold text-stop">
          <VerdictShape verdict="stop" size={18} />
          {withdrawn}: release again
        </p>
      ) : waits !== null ? (
        <p className="font-semibold text-check">on hold: {waits}</p>
      ) : (
        <p className="font-semibold">{isBegun ? 'on the bench' : 'not started'}</p>
      )}
      {cools && <p className="text-check">{cools}</p>}
      {left && left.medianS > 0 && (
        <p className="text-ink2">about {durationText(left.medianS)} left</p>
      )}
      {dueAt !== null && (
        <p className="flex items-center gap-1">
          {verdict && <VerdictShape verdict={verdict} size={16} />}
          <span
            className={verdict === 'stop' ? 'text-stop' : verdict === 'check' ? 'text-check' : ''}
          >
            {momentText(dueAt, nowMs)}
            {verdict && `, ${DUE_WORDS[verdict]}`}
          </span>
        </p>
      )}
    </div>
  );
};

/** That it has come back, and how soon; null where it has not. */
const backText = ({ backAfterDays }: VisitSummary): string | null =>
  backAfterDays === null
    ? null
    : backAfterDays === 0
      ? 'back the same day'
      : `back after ${counted(backAfterDays, 'day')}`;

/**
 * One machine that is in: what it waits for, its wheels side by side, and its time against its
 * promise.
 */
export const VisitRow = ({
  visit,
  hours,
  nowMs,
  isTitled = false,
  isTight = false,
}: {
  visit: VisitSummary;
  hours: readonly number[];
  nowMs: number;
  /** The machine's name stands over it already. */
  isTitled?: boolean;
  /** Many machines are in: rows stand closer. */
  isTight?: boolean;
}) => {
  const back = backText(visit);
  return (
    <li
      className={`${isTight ? 'py-1' : 'py-2'} grid items-start gap-x-4 gap-y-1 border-b border-stone3 md:grid-cols-[minmax(0,1.1fr)_minmax(0,0.9fr)_minmax(320px,1.2fr)] lg:grid-cols-[230px_180px_336px_minmax(0,1fr)] xl:grid-cols-[230px_200px_412px_minmax(0,1fr)]`}
    >
      <div className="min-w-0">
        {isTitled ? (
          <p className="text-[19px] leading-tight">{visit.rider}</p>
        ) : (
          <>
            <h2 className="text-[21px] leading-tight">
              <Link to={`/visits/${visit.id}`} className="no-underline hover:underline">
                {visit.machineName}
              </Link>
            </h2>
            <p className="truncate text-[16px] text-ink2">{visit.rider}</p>
          </>
        )}
        {(back || visit.wanted) && (
          <p className="truncate text-[15px] text-ink2">
            {back && <span className="font-semibold text-check">{back}</span>}
            {back && visit.wanted && ': '}
            {visit.wanted}
          </p>
        )}
      </div>
      <Word visit={visit} nowMs={nowMs} />
      <div>
        {visit.wheels.map((wheel) => (
          <WheelBasins key={wheel.jobId} wheel={wheel} isTight={isTight} />
        ))}
      </div>
      <div className="max-lg:hidden">
        <TimeScale visit={visit} verdict={verdictOf(visit, nowMs)} hours={hours} nowMs={nowMs} />
      </div>
    </li>
  );
};
