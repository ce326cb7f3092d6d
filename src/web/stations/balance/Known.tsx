import { useJob } from '../../shared/job-context';
import { Figures } from './Figures';
import type { BalanceStep } from './step-of';
import { Tries } from './Tries';
import type { AdviceAtHand } from './use-advice';

interface Props {
  advice: AdviceAtHand;
  step: BalanceStep;
  toleranceG: number;
}

/** The facts about the wheel so far: a reading that does not fit, the figures, and every try. */
export const Known = ({ advice, step, toleranceG }: Props) => {
  const { balance } = useJob().state;
  const isOver = step.doing === 'done' && !step.byHand;
  const isFinal = step.doing === 'put' && advice.advised?.result.do === 'final';
  return (
    <>
      {advice.oddId && step.doing !== 'look' && (
        <p className="mt-2 font-semibold text-check" role="alert">
          One reading doesn’t fit. Remove it.
        </p>
      )}
      {!isOver && (
        <Figures
          estimate={advice.estimate}
          placed={isFinal ? advice.placed : null}
          on={balance.on.length > 0 && !balance.trial}
          toleranceG={toleranceG}
          rested={balance.seen.some((o) => o.kind === 'settle' || o.kind === 'level')}
          searching={advice.search.runs}
        />
      )}
      <Tries oddId={advice.oddId} />
    </>
  );
};
