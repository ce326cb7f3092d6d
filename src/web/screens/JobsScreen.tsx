import { dateText } from '../../core/base/units';
import { useEffect, useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import type { JobSummary } from '../../core/job';
import { POSITION_WORDS } from '../../core/fit/wheels/wheel';
import { Button } from '../parts/Button';
import { TextField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useKeys } from '../parts/keys';
import { useAddressTexts } from '../parts/use-address';
import { api, ApiError } from '../store/api';
import { refusalText } from '../shared/refusal';

const PAGE = 50;
const TYPING_PAUSE_MS = 180;
const IN_ADDRESS = ['search', 'from', 'to'] as const;

/** A basin, full once the wheel has left and its release stands. */
const State = ({ job }: { job: JobSummary }) => {
  const isWithdrawn = job.withdrawnBy !== null;
  const isOver = job.handedOver && !isWithdrawn;
  const color = isWithdrawn
    ? 'font-semibold text-stop'
    : isOver
      ? 'text-good'
      : 'font-semibold text-water';
  return (
    <span className={`inline-flex items-center gap-2 whitespace-nowrap ${color}`}>
      <svg viewBox="0 0 24 16" width="24" height="16" aria-hidden="true">
        <path
          d="M2 2v7q0 5 5 5h10q5 0 5-5V2"
          fill="none"
          stroke="currentColor"
          strokeWidth="3"
          strokeLinecap="round"
        />
        <path
          d={isOver ? 'M4 4h16v5q0 3-3 3H7q-3 0-3-3z' : 'M4 9h16q0 3-3 3H7q-3 0-3-3z'}
          fill="currentColor"
        />
      </svg>
      {isWithdrawn ? 'proof withdrawn' : isOver ? 'handed over' : 'on the bench'}
    </span>
  );
};

/**
 * One job; on a phone the machine has a line of its own, so that its name is never cut off before
 * its wheel.
 */
const Row = ({ job }: { job: JobSummary }) => {
  const to = job.handedOver ? `/jobs/${job.id}/hand-over` : `/jobs/${job.id}`;
  return (
    <li>
      <Link
        to={to}
        className="grid grid-cols-[52px_1fr] items-center gap-x-3 border-b border-stone3 px-2 py-2 no-underline hover:bg-stone2 md:grid-cols-[64px_minmax(0,2.2fr)_minmax(0,1.2fr)_minmax(0,1.4fr)_110px_130px] md:gap-x-4"
      >
        <span className="num text-ink2 max-md:self-start max-md:pt-0.5">{job.number}</span>
        <span className="head text-lg max-md:leading-tight md:truncate">
          <span className="max-md:block">{POSITION_WORDS[job.wheelPosition]}, </span>
          {job.machineName}
        </span>
        <span className="truncate max-md:col-start-2">{job.rider}</span>
        <span className="num truncate max-md:hidden">{job.sizeOn ?? job.sizeOff ?? ''}</span>
        <span className="flex flex-wrap items-center gap-x-4 max-md:col-start-2 md:contents">
          <span className="num whitespace-nowrap text-ink2">{dateText(job.openedAt)}</span>
          <State job={job} />
        </span>
      </Link>
    </li>
  );
};

/**
 * Finds a job by machine, wheel, rider, size or date. The search stands in the address, so Back
 * brings it back.
 */
export const JobsScreen = () => {
  const [asked, ask] = useAddressTexts(IN_ADDRESS);
  const navigate = useNavigate();
  const [found, setFound] = useState<{ jobs: JobSummary[]; total: number } | null>(null);
  const [problem, setProblem] = useState<ApiError | null>(null);
  const [tries, setTries] = useState(0);
  const query = useMemo(
    () =>
      Object.fromEntries(
        Object.entries(asked)
          .filter(([, v]) => v.trim())
          .map(([k, v]) => [k, v.trim()]),
      ),
    [asked],
  );
  useKeys([{ key: 'n', label: 'Start a job', run: () => void navigate('/jobs/new') }]);

  useEffect(() => {
    let current = true;
    // Nothing is asked on each key press: the server hears of it when the typing rests.
    const wait = setTimeout(() => {
      api.jobs({ ...query, limit: String(PAGE) }).then(
        (answer) => {
          if (!current) return;
          setFound(answer);
          setProblem(null);
        },
        (error: unknown) => current && setProblem(error instanceof ApiError ? error : null),
      );
    }, TYPING_PAUSE_MS);
    return () => {
      current = false;
      clearTimeout(wait);
    };
  }, [query, tries]);

  const more = async () => {
    try {
      const next = await api.jobs({
        ...query,
        limit: String(PAGE),
        offset: String(found!.jobs.length),
      });
      setFound({ jobs: [...found!.jobs, ...next.jobs], total: next.total });
    } catch (error) {
      if (!(error instanceof ApiError)) throw error;
      setProblem(error);
    }
  };

  return (
    <Frame
      title="Jobs"
      actions={
        <Link to="/jobs/new" className="btn btn-go">
          Start a job
          <kbd className="keycap max-sm:hidden" aria-hidden="true">
            N
          </kbd>
        </Link>
      }
    >
      <div className="mb-4 grid gap-3 md:grid-cols-[1fr_180px_180px]">
        <TextField
          label="Find by machine, wheel, rider, size or number"
          value={asked.search}
          onChange={(search) => ask({ search })}
          maxLength={100}
        />
        <TextField label="From" type="date" value={asked.from} onChange={(from) => ask({ from })} />
        <TextField label="To" type="date" value={asked.to} onChange={(to) => ask({ to })} />
      </div>
      {problem && (
        <Failed message={refusalText(problem)}>
          <Button onClick={() => setTries((n) => n + 1)}>Try again</Button>
        </Failed>
      )}
      {!problem && !found && <Waiting what="Loading jobs" />}
      {!problem && found && (
        <>
          <p role="status" className="mb-1 text-ink2">
            {found.total === 0 ? '' : `${found.total} ${found.total === 1 ? 'job' : 'jobs'}`}
          </p>
          {found.jobs.length > 0 ? (
            <ul className="rows">
              {found.jobs.map((job) => (
                <Row key={job.id} job={job} />
              ))}
            </ul>
          ) : (
            <p className="py-14 text-center text-xl text-ink2">
              {Object.keys(query).length > 0
                ? 'No jobs match. Try fewer words.'
                : 'No jobs yet. Start the first one.'}
            </p>
          )}
          {found.jobs.length < found.total && (
            <div className="py-5 text-center">
              <Button onClick={() => void more()}>Show more</Button>
            </div>
          )}
        </>
      )}
    </Frame>
  );
};
