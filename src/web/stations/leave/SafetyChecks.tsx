import { readyOf } from '../../../core/job';
import { useJob } from '../../parts/job-context';
import { VerdictMark, VerdictShape } from '../../parts/VerdictMark';
import { BasisTag } from '../../parts/working';

/**
 * The safety points that the log does not prove, each by name, in red and shape; one line where it
 * proves all.
 */
export const SafetyChecks = () => {
  const { state } = useJob();
  const working = readyOf(state);
  const { points, missing } = working.result;
  return (
    <section aria-label="Safety points" className="mb-2">
      <p className="flex flex-wrap items-center gap-x-3">
        {missing.length === 0 ? (
          <VerdictMark verdict="good">all {points.length} safety checks on record</VerdictMark>
        ) : (
          <VerdictMark verdict="stop">
            {missing.length} of {points.length} safety checks not on record
          </VerdictMark>
        )}
        <BasisTag title="what the log proves" working={working}>
          each
        </BasisTag>
      </p>
      {missing.length > 0 && (
        <ul className="max-h-[172px] overflow-y-auto" aria-label="Not proved" tabIndex={0}>
          {missing.map((p) => (
            <li key={p.point} className="flex gap-2 py-0.5 text-[16px] leading-snug text-stop">
              <VerdictShape verdict="stop" size={18} />
              <span>
                <span className="font-semibold">{p.says}</span>: {p.by}
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
};
