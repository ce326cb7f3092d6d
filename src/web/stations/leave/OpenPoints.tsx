import { openPoints, pairDoubts } from '../../../core/job';
import { FoldedList } from '../../parts/FoldedList';
import { useJob } from '../../shared/job-context';
import { VerdictMark, VerdictShape } from '../../parts/VerdictMark';

/** Points in full under the dial; the rest is folded under its names. */
const SHOWN = 3;

/** The doubtful or missing points of all stations before. */
export const OpenPoints = () => {
  const { state, reports, machineWheels, write } = useJob();
  const { missing, doubts: ofStations } = openPoints(reports);
  const doubts = [...pairDoubts(state, machineWheels), ...ofStations];
  if (doubts.length + missing.length === 0)
    return <VerdictMark verdict="good">nothing missing, nothing to check</VerdictMark>;
  const doubtRows = doubts.map((d) => ({
    key: d,
    name: d.split(':')[0]!,
    row: (
      <div className="flex gap-2 border-b border-stone3 py-1.5 text-[16px]">
        <VerdictShape verdict="check" size={20} />
        <span className="flex-1">
          <span className="sr-only">To check: </span>
          {d}
        </span>
        {state.declined.some((x) => x.what === d) ? (
          <span className="text-ink2">declined</span>
        ) : (
          <button
            type="button"
            aria-label={`Declined by the rider: ${d}`}
            className="-my-1.5 min-h-12 shrink-0 cursor-pointer px-2 underline"
            onClick={() =>
              void write([{ kind: 'declined', data: { what: d, by: state.rider } }], 'Declined.')
            }
          >
            Rider declined
          </button>
        )}
      </div>
    ),
  }));
  const missingRows = missing.map((m) => ({
    key: m,
    name: m,
    row: (
      <p className="flex gap-2 border-b border-stone3 py-1.5 text-[16px]">
        <span
          className="mt-1 h-4 w-5 shrink-0 rounded-b-lg border-2 border-t-0 border-edge"
          aria-hidden="true"
        />
        <span>
          <span className="sr-only">Missing: </span>
          {m}
        </span>
      </p>
    ),
  }));
  return (
    <FoldedList label="To check or missing" shown={SHOWN} items={[...doubtRows, ...missingRows]} />
  );
};
