import type { Step } from '../../core/job/procedure';

/** The condition before going on, and what the step takes in hand. */
export const StepNeeds = ({ step, className = '' }: { step: Step; className?: string }) => {
  const takes = [...step.tools, ...step.parts];
  if (!step.confirm && takes.length === 0) return null;
  return (
    <dl className={`grid grid-cols-[auto_1fr] gap-x-3 text-[16px] ${className}`}>
      {step.confirm && (
        <>
          <dt className="text-ink2">Done when</dt>
          <dd className="font-semibold">{step.confirm}</dd>
        </>
      )}
      {takes.length > 0 && (
        <>
          <dt className="text-ink2">Tools</dt>
          <dd>{takes.join(', ')}</dd>
        </>
      )}
    </dl>
  );
};
