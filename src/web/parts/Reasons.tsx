import type { Reason } from '../../core/working';
import { useUnits } from './quantity';
import { VerdictShape } from './VerdictMark';

/** Reasons with the shape and the word of their verdict. */
export const Reasons = ({ reasons, className = '' }: { reasons: readonly Reason[]; className?: string }) => {
  const { tell } = useUnits();
  return (
    <ul className={`space-y-1 text-[16px] leading-snug ${className}`}>
      {reasons.map((r, i) => (
        <li key={i} className="flex gap-2">
          <span className="mt-0.5 shrink-0"><VerdictShape verdict={r.verdict} size={18} /></span>
          <span>
            <span className="sr-only">{r.verdict}: </span>
            {tell(r)}
          </span>
        </li>
      ))}
    </ul>
  );
};
