import { useCallback, useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { TextField } from '../shared/fields';
import { Failed, Frame, Waiting } from '../shared/Frame';
import { useApp, useDo } from '../store';
import { openJob } from '../store/job-writing';
import { useDebounced } from '../parts/use-debounced';
import { useMachinesFoundQuery } from '../store/records-api';
import { MachineList } from './new-job/MachineList';

/** As many as are looked through with the eye. */
const MAX_LISTED = 40;

/** Machine, then wheel: one tap opens the job at Intake. */
export const NewJobScreen = () => {
  const who = useApp((s) => s.prefs.who);
  const dispatch = useDo();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  // A machine that was put in just now is found at once.
  const [typed, setTyped] = useState(() => params.get('find')?.slice(0, 100) ?? '');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const find = useDebounced(typed);
  const { data: found, isError } = useMachinesFoundQuery({ find, limit: MAX_LISTED });

  const start = useCallback(
    (machineId: string, wheelId: string) => {
      if (!who) return setProblem('Choose who’s working first: tap the initials, top right.');
      setBusy(true);
      void dispatch(openJob({ machineId, wheelId }))
        .unwrap()
        .then((id) => navigate(`/jobs/${id}/intake`))
        .catch((error: Error) => {
          setProblem(error.message);
          setBusy(false);
        });
    },
    [dispatch, navigate, who],
  );

  if (!found)
    return (
      <Frame title="Check-in">
        {isError ? (
          <Failed message="Can’t reach the shop server." />
        ) : (
          <Waiting what="Loading shop" />
        )}
      </Frame>
    );
  return (
    <Frame
      title="Check-in"
      actions={
        <div className="flex gap-2">
          <Link to="/machines/new?loose" className="btn">
            Loose wheel
          </Link>
          <Link to="/machines/new" className="btn">
            New machine
          </Link>
        </div>
      }
    >
      {problem && <Failed message={problem} />}
      {found.total === 0 && find === '' ? (
        <p className="py-14 text-center text-xl text-ink2">
          No machines on record yet. Add the first with New machine.
        </p>
      ) : (
        <>
          <div className="mb-4 max-w-xl">
            <TextField label="Machine or rider" value={typed} onChange={setTyped} maxLength={100} />
          </div>
          {found.total === 0 && (
            <p className="py-10 text-center text-xl text-ink2">
              No machines match. Try fewer words or add one.
            </p>
          )}
          <MachineList machines={found.machines} busy={busy} onTake={start} />
          {found.total > found.machines.length && (
            <p className="py-4 text-ink2">
              {found.total} machines match; the first {found.machines.length} are shown. Add a word
              to narrow them.
            </p>
          )}
        </>
      )}
    </Frame>
  );
};
