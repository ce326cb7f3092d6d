import { useMemo, type ReactNode } from 'react';
import { dialMarks, drawnDriveOf, drawnWheelAt } from '../../core/job';
import type { Step } from '../../core/job/procedure';
import type { DialMark } from '../../core/fit/drawing';
import { useUnits } from '../shared/quantity';
import { WheelDial } from '../pictures/WheelDial';
import { useJob } from '../shared/job-context';

interface StationProps {
  /** The dial, or another picture. */
  picture: ReactNode;
  /** On a phone the parts of the picture stand by their own order. */
  split?: boolean;
  lead?: ReactNode;
  /** The instruction, in one line. */
  now: ReactNode;
  why?: ReactNode;
  /** The controls of the act: on a phone they stand below the picture. */
  act?: ReactNode;
  /** The figures and the rest. */
  children?: ReactNode;
}

/**
 * The record of a station of a job that is handed over, in place of the next thing to do; null
 * while the job is open, and at Hand over, which says so itself.
 */
const usePast = (): Pick<StationProps, 'lead' | 'now' | 'why'> | null => {
  const { state, station, reports } = useJob();
  if (!state.handedOver || state.withdrawn || station === 'hand-over') return null;
  const report = reports.find((r) => r.station === station);
  if (!report) return null;
  const { missing, doubts } = report;
  return {
    lead: 'Handed over',
    now:
      missing.length + doubts.length === 0
        ? 'This station is done.'
        : 'This station has open points.',
    why: [missing.length > 0 && `Not recorded: ${missing.join(', ')}.`, ...doubts]
      .filter(Boolean)
      .join(' '),
  };
};

/**
 * A station: the picture and, beside it, what to do now, why, and the figures. On a phone first
 * what to do, then the whole picture, then the buttons.
 */
export const StationLayout = (station: StationProps) => {
  const { picture, split, act, children } = station;
  const past = usePast();
  const { lead, now, why } = past ?? station;
  return (
    <div className="grid gap-x-6 px-4 pb-4 lg:min-h-full lg:grid-cols-[minmax(0,1fr)_408px] 2xl:grid-cols-[minmax(0,1fr)_520px] lg:grid-rows-[auto_auto_1fr] lg:px-0 lg:pr-5">
      <section className="min-w-0 pt-2 max-lg:order-1 lg:col-start-2">
        {lead && <div className="head mb-1 text-[18px] text-water">{lead}</div>}
        <h2 className="text-[34px] max-sm:text-[28px]" aria-live="polite">
          {now}
        </h2>
        {why && <p className="mt-2 text-ink2">{why}</p>}
      </section>
      {act && <section className="mt-3 min-w-0 max-lg:order-3 lg:col-start-2">{act}</section>}
      <section
        className={`${split ? 'max-lg:contents lg:pt-2' : 'max-lg:order-2 lg:sticky lg:top-2'} lg:self-start mx-auto w-full max-w-[640px] 2xl:max-w-[900px] lg:col-start-1 lg:row-span-3 lg:row-start-1`}
        aria-label="The wheel"
      >
        {picture}
      </section>
      <section className={`min-w-0 max-lg:order-4 lg:col-start-2 ${act ? '' : 'pt-4'}`}>
        {children}
      </section>
    </div>
  );
};

/** The job's own dial for this station. */
export const JobDial = ({
  step,
  bite = 0,
  extra,
  onPick,
  turnDeg = null,
  letters = 1,
  className = 'lg:max-h-[calc(100dvh-180px)]',
}: {
  step?: Step | undefined;
  bite?: number;
  extra?: readonly DialMark[];
  onPick?: ((deg: number) => void) | undefined;
  turnDeg?: number | null;
  /** How many times larger letters are, for a smaller dial. */
  letters?: number;
  className?: string;
}) => {
  const { state, station, wheel, sideUp } = useJob();
  const { say } = useUnits();
  const marks = useMemo(
    () => [...dialMarks(state, station, { step, bite, say: (g) => say(g, 'g') }), ...(extra ?? [])],
    [state, station, step, bite, extra, say],
  );
  const drawn = useMemo(() => drawnWheelAt(state, station) ?? wheel, [state, station, wheel]);
  const tireOn = !['inspect'].includes(station);
  return (
    <WheelDial
      wheel={drawn}
      drive={drawnDriveOf(state)}
      marks={marks}
      sideUp={sideUp}
      tireOn={tireOn}
      onPick={onPick}
      turnDeg={turnDeg}
      letters={letters}
      className={`w-full ${className}`}
    />
  );
};

/** A figure with its label and, at the end, its basis. */
export const FigureRow = ({
  label,
  children,
  basis,
}: {
  label: string;
  children: ReactNode;
  basis?: ReactNode;
}) => (
  <div className="row">
    <span className="min-w-24">{label}</span>
    <span className="text-right">{children}</span>
    {basis && <span className="w-[104px] shrink-0">{basis}</span>}
  </div>
);

/** Words that stay in sight where a wheel can hurt someone. */
export const Cautions = ({ list, big = false }: { list: readonly string[]; big?: boolean }) =>
  list.length === 0 ? null : (
    <ul
      className={`caution mt-3 space-y-1 ${big ? 'text-[21px]' : 'text-[16px]'}`}
      aria-label="Caution"
    >
      {list.map((c) => (
        <li key={c}>{c}</li>
      ))}
    </ul>
  );
