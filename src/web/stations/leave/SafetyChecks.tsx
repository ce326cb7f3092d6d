import { readyOf } from '../../../core/job';
import { SAFETY_RISKS } from '../../../core/job/leave';
import { FoldedList } from '../../parts/FoldedList';
import { useJob } from '../../shared/job-context';
import { VerdictMark, VerdictShape } from '../../parts/VerdictMark';
import { BasisTag } from '../../shared/working';

/** Checks in full beside the dial; the rest is folded under its names. */
const SHOWN = 2;

/**
 * The safety checks that are not on record, each by name with the rider's risk, in red and shape;
 * one line if all are.
 */
export const SafetyChecks = () => {
  const { state } = useJob();
  const working = readyOf(state);
  const { missing, onRecord } = working.result;
  return (
    <section aria-label="Safety checks" className="mb-2">
      <p className="flex flex-wrap items-center gap-x-3">
        {missing.length === 0 ? (
          <VerdictMark verdict="good">Safety checks: {onRecord}</VerdictMark>
        ) : (
          <VerdictMark verdict="stop">Safety checks: {onRecord}</VerdictMark>
        )}
        <BasisTag title="safety checks" working={working}>
          each
        </BasisTag>
      </p>
      {missing.length > 0 && (
        <FoldedList
          label="Not on record"
          shown={SHOWN}
          items={missing.map((p) => ({
            key: p.point,
            name: p.says.toLowerCase(),
            row: (
              <p className="flex gap-2 py-0.5 text-[16px] leading-snug text-stop">
                <VerdictShape verdict="stop" size={18} />
                <span>
                  <span className="font-semibold">{p.says}</span>: {p.by}.{' '}
                  <span className="text-ink2">{SAFETY_RISKS[p.point]}</span>
                </span>
              </p>
            ),
          }))}
        />
      )}
    </section>
  );
};
