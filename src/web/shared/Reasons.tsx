import type { Reason } from '../../core/base/working';
import { useUnits } from './quantity';
import { VerdictShape } from '../parts/VerdictMark';

/** Reasons with the shape and the word of their verdict. */
export const Reasons = ({
  reasons,
  className = '',
}: {
  reasons: readonly Reason[];
  className?: string;
}) => {
  const { tell } = useUnits();
  return (
    <ul className={`space-y-1 text-[16px] leading-snug ${className}`}>
      {reasons.map((r, i) => (
        <li key={i} className="flex gap-2">
          <span className="mt-0.5 shrink-0">
            <VerdictShape verdict={r.verdict} size={18} />
          </span>
          <span>
            <span className="sr-only">{r.verdict}: </span>
            {tell(r)}
          </span>
        </li>
      ))}
    </ul>
  );
};

/** The same in less room: what is not good as a list, what is good in one line after it. */
export const BriefReasons = ({ reasons }: { reasons: readonly Reason[] }) => {
  const { tell } = useUnits();
  const good = reasons.filter((r) => r.verdict === 'good').map((r) => tell(r).replace(/\.$/, ''));
  return (
    <div className="text-[15px] leading-snug">
      <Reasons
        reasons={reasons.filter((r) => r.verdict !== 'good')}
        className="!space-y-0.5 !text-[15px]"
      />
      {good.length > 0 && <p className="text-ink2">{good.join(' · ')}</p>}
    </div>
  );
};
