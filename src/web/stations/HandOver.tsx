import { useState } from 'react';
import { Link } from 'react-router';
import { openPoints, recheckDates } from '../../core/job';
import { Button } from '../parts/Button';
import { TextField } from '../parts/fields';
import { useKeys } from '../parts/keys';
import { useUnits } from '../parts/quantity';
import { VerdictMark, VerdictShape } from '../parts/VerdictMark';
import { useJob } from '../screens/job-context';
import { today, useDo } from '../store';
import { loadShop } from '../store/shop-slice';
import { KeepTakeOff } from './KeepTakeOff';
import { Cautions, JobDial, StationLayout } from './StationLayout';

/** What is missing or doubtful, when to look again, and what goes with the wheel. */
export const HandOver = () => {
  const { job, state, reports, write } = useJob();
  const dispatch = useDo();
  const { units } = useUnits();
  const { missing, doubts } = openPoints(reports);
  const [to, setTo] = useState(state.handedOver?.to ?? state.rider);
  const [rechecks, setRechecks] = useState(() => recheckDates(state, (state.handedOver?.at ?? today()).slice(0, 10)));
  const [problem, setProblem] = useState<string | null>(null);
  const done = state.handedOver;

  const handOver = async () => {
    if (!to.trim()) return setProblem('Say who takes it.');
    if (rechecks.some((r) => !/^\d{4}-\d\d-\d\d$/.test(r.onDate)))
      return setProblem('A recheck has no date. Pick one.');
    setProblem(null);
    const written = await write(
      [
        ...rechecks.map((r) => ({ kind: 'recheck' as const, data: r })),
        { kind: 'handed-over', data: { to: to.trim() } },
      ],
      'Handed over.',
    );
    // Parts have left the shelf, and the wheel has its new tire.
    if (written) await dispatch(loadShop());
  };
  useKeys([{ key: 'n', says: 'Hand over', run: () => void handOver() }]);

  const pdf = `/api/jobs/${job.id}/card.pdf?${new URLSearchParams({ ...units })}`;
  return (
    <StationLayout
      picture={<JobDial />}
      lead={done ? `Handed over to ${done.to} on ${done.at.slice(0, 10)}` : 'Before it leaves'}
      now={
        doubts.length > 0
          ? `${doubts.length} ${doubts.length === 1 ? 'thing is' : 'things are'} doubtful.`
          : missing.length > 0
            ? 'Something is not written down.'
            : 'Everything is in the log.'
      }
    >
      {doubts.length + missing.length > 0 ? (
        <ul className="rows relative max-h-[126px] overflow-y-auto" aria-label="Doubtful or missing" tabIndex={0}>
          {doubts.map((d) => (
            <li key={d} className="flex gap-2 border-b border-stone3 py-1.5 text-[16px]">
              <VerdictShape verdict="check" size={20} />
              <span>
                <span className="sr-only">Doubtful: </span>
                {d}
              </span>
            </li>
          ))}
          {missing.map((m) => (
            <li key={m} className="flex gap-2 border-b border-stone3 py-1.5 text-[16px]">
              <span className="mt-1 h-4 w-5 shrink-0 rounded-b-lg border-2 border-t-0 border-edge" aria-hidden="true" />
              <span>
                <span className="sr-only">Missing: </span>
                {m}
              </span>
            </li>
          ))}
        </ul>
      ) : (
        <VerdictMark verdict="good">nothing missing, nothing doubtful</VerdictMark>
      )}
      <form
        className="mt-2 grid gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          void handOver();
        }}
      >
        <div className="grid grid-cols-2 items-end gap-3">
          {rechecks.map((r, i) => (
            <TextField
              key={r.what}
              type="date"
              label={`Look again: ${r.what.toLowerCase()}`}
              value={r.onDate}
              onChange={(v) => setRechecks((all) => all.map((x, j) => (j === i ? { ...x, onDate: v } : x)))}
            />
          ))}
        </div>
        <div className="grid grid-cols-[minmax(0,1fr)_auto] items-end gap-3">
          <TextField label="Handed over to" value={to} onChange={setTo} maxLength={80} problem={problem} />
          <Button go={!done} type="submit" hotkey="N">
            {done ? 'Again' : 'Hand over'}
          </Button>
        </div>
        <KeepTakeOff />
      </form>
      <nav aria-label="Papers" className="mt-2 flex flex-wrap gap-2">
        <Link className="btn btn-small" to={`/jobs/${job.id}/card`}>
          Job card
        </Link>
        <a className="btn btn-small" href={pdf}>
          PDF
        </a>
        <a className="btn btn-small" href={`/api/jobs/${job.id}/log.csv`}>
          Log, CSV
        </a>
        <a className="btn btn-small" href={`/api/jobs/${job.id}/rechecks.ics`}>
          Rechecks, .ics
        </a>
      </nav>
      <Cautions
        list={[
          'Brake firm before it rolls. Test ride with care: new tires are slippery.',
          'After the ride and once cool: bolts and pressure again.',
        ]}
      />
    </StationLayout>
  );
};
