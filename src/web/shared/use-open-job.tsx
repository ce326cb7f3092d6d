import { useEffect } from 'react';
import { Link } from 'react-router';
import { useApp, useDo } from '../store';
import { readJob } from '../store/job-reading';
import { Button } from '../parts/Button';
import { Failed, Frame } from './Frame';

/** Reads a job's log when its screen opens; what the browser knows already is shown meanwhile. */
export const useOpenJob = (id: string) => {
  const dispatch = useDo();
  const open = useApp((s) => s.jobs.open[id]);
  const problem = useApp((s) => s.jobs.problem[id]);
  useEffect(() => {
    void dispatch(readJob(id));
  }, [dispatch, id]);
  return { open, problem: open ? undefined : problem };
};

/** A job that could not be had, and the way on. */
export const NoJob = ({
  id,
  problem,
}: {
  id: string;
  problem: { status: number; message: string };
}) => {
  const dispatch = useDo();
  return (
    <Frame title="Job">
      <Failed message={problem.message}>
        {problem.status !== 404 && problem.status !== 422 && (
          <Button onClick={() => void dispatch(readJob(id))}>Try again</Button>
        )}
        <Link className="btn" to="/jobs">
          All jobs
        </Link>
      </Failed>
    </Frame>
  );
};
