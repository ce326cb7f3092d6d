import { useState } from 'react';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { BUILD_WORDS, KIND_WORDS, POSITION_WORDS } from '../../core/wheels/wheel';
import { TextField } from '../parts/fields';
import { Failed, Frame, Waiting } from '../parts/Frame';
import { useApp, useDo } from '../store';
import { openJob } from '../store/job-writing';
import { useResting } from '../parts/use-resting';
import { useMachinesFoundQuery } from '../store/records-api';
import { SeveralWheels } from './visit/VisitSheet';

/** As many as are looked through with the eye. */
const MOST_LISTED = 40;

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

  const find = useResting(typed);
  const { data: found, isError } = useMachinesFoundQuery({ find, limit: MOST_LISTED });

  const start = async (machineId: string, wheelId: string) => {
    if (!who) return setProblem('Say first who is at the bench: the round stamp at the top right.');
    setBusy(true);
    try {
      const id = await dispatch(openJob({ machineId, wheelId })).unwrap();
      await navigate(`/jobs/${id}/intake`);
    } catch (error) {
      setProblem((error as Error).message);
      setBusy(false);
    }
  };

  if (!found)
    return (
      <Frame title="A machine comes in">
        {isError ? <Failed message="The server does not answer." /> : <Waiting what="Reading the shop" />}
      </Frame>
    );
  return (
    <Frame
      title="A machine comes in"
      actions={
        <div className="flex gap-2">
          <Link to="/machines/new?loose" className="btn">
            A loose wheel
          </Link>
          <Link to="/machines/new" className="btn">
            A new machine
          </Link>
        </div>
      }
    >
      {problem && <Failed message={problem} />}
      {found.total === 0 && find === '' ? (
        <p className="py-14 text-center text-xl text-ink2">
          No machine is on record yet. Put the first one in: “A new machine”.
        </p>
      ) : (
        <>
          <div className="mb-4 max-w-xl">
            <TextField label="Which machine, or whose" value={typed} onChange={setTyped} maxLength={100} />
          </div>
          {found.total === 0 && (
            <p className="py-10 text-center text-xl text-ink2">
              No machine fits. Take a word away, or put a new one in.
            </p>
          )}
          <ul className="rows">
            {found.machines.map(({ machine: m, wheels }) => (
              <li key={m.id} className="flex flex-wrap items-center gap-x-6 gap-y-2 border-b border-stone3 py-3">
                <div className="min-w-0 flex-1 basis-72">
                  <h2 className="text-xl">{m.name}</h2>
                  <p className="text-ink2">
                    {m.rider} · {KIND_WORDS[m.kind]}
                  </p>
                </div>
                <div className="flex flex-wrap gap-3">
                  {wheels.map((w) => (
                    <button
                      key={w.id}
                      type="button"
                      disabled={busy}
                      className="btn !justify-start text-left"
                      onClick={() => void start(m.id, w.id)}
                    >
                      <span>
                        {POSITION_WORDS[w.position]}
                        <span className="block text-[15px] font-normal text-ink2">
                          {w.tireMarking} · {BUILD_WORDS[w.build]}
                          {w.tube ? ', tube' : ''}
                        </span>
                      </span>
                    </button>
                  ))}
                  {wheels.length > 1 && <SeveralWheels machine={m} wheels={wheels} />}
                </div>
              </li>
            ))}
          </ul>
          {found.total > found.machines.length && (
            <p className="py-4 text-ink2">
              {found.total} machines fit; the first {found.machines.length} are shown. One more word narrows them.
            </p>
          )}
        </>
      )}
    </Frame>
  );
};
