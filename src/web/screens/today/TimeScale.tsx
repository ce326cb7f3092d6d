import type { VisitSummary } from '../../../core/shop/visit';
import type { Verdict } from '../../../core/base/working';

const HOUR_MS = 3_600_000;

/** The hours that stand on the day's clock, from the one that runs. */
export const hoursFrom = (nowMs: number, count: number): number[] => {
  const first = Math.floor(nowMs / HOUR_MS) * HOUR_MS;
  return Array.from({ length: count + 1 }, (_, i) => first + i * HOUR_MS);
};

/** The position of a moment on the clock, in percent; past its end at the end. */
export const placeOf = (ms: number, hours: readonly number[]): number => {
  const [from, to] = [hours[0]!, hours.at(-1)!];
  return 100 * Math.min(1, Math.max(0, (ms - from) / (to - from)));
};

const MARK: Record<Verdict, string> = { good: 'text-ink', check: 'text-check', stop: 'text-stop' };

/**
 * The likely time as a bar that fades from the middle to nine in ten, and the promise as a mark on
 * the same clock.
 */
export const TimeScale = ({
  visit,
  verdict,
  hours,
  nowMs,
}: {
  visit: VisitSummary;
  verdict: Verdict | null;
  hours: readonly number[];
  nowMs: number;
}) => {
  const { left, dueAt } = visit;
  if (!left) return null;
  const at = (ms: number) => placeOf(ms, hours);
  const [now, middle, ninety] = [
    at(nowMs),
    at(nowMs + left.medianS * 1000),
    at(nowMs + left.ninetyS * 1000),
  ];
  const due = dueAt === null ? null : at(Date.parse(dueAt));
  return (
    <div className="relative h-9" aria-hidden="true">
      <span
        className="absolute top-[13px] h-[10px] rounded-full bg-water2"
        style={{ left: `${now}%`, width: `${Math.max(1, ninety - now)}%`, opacity: 0.65 }}
      />
      <span
        className="absolute top-[13px] h-[10px] rounded-full bg-water"
        style={{ left: `${now}%`, width: `${Math.max(1, middle - now)}%` }}
      />
      {due !== null && (
        <svg
          viewBox="0 0 12 36"
          className={`absolute top-0 h-9 w-3 -translate-x-1/2 ${verdict ? MARK[verdict] : 'text-ink'}`}
          style={{ left: `${due}%` }}
        >
          <path d="M0 0h12v4L6 11 0 4zM5 9h2v27H5z" fill="currentColor" />
        </svg>
      )}
    </div>
  );
};
