import { useMemo } from 'react';
import type {
  BalanceAdvice,
  BalanceEstimate,
  BalancePlacement,
  Sides,
  WeightStock,
} from '../../../core/bench/balance';
import type { InputProblem } from '../../../core/base/errors';
import { balanceQuestion, type BalanceQuestion, type JobState } from '../../../core/job';
import type { Attempt, Working } from '../../../core/base/working';
import { useJob } from '../../shared/job-context';
import { useBalanceWorker, type Search } from './use-balance-worker';

/**
 * The belief about the wheel on the stand, and the advice; both may be of the question before while
 * it is busy.
 */
export interface AdviceAtHand {
  /** Null before anything was seen. */
  estimate: Working<BalanceEstimate> | null;
  advised: Working<BalanceAdvice> | null;
  /** The search for the advised final pieces; the longer one's if there was one. */
  placed: Working<BalancePlacement> | null;
  /** Why nothing can be advised. */
  problem: InputProblem | null;
  /** The entry of the reading that does not go with the others. */
  oddId: string | null;
  /** The weights that hold on this wheel, and on which sides of the rim. */
  shelf: { stock: readonly WeightStock[]; sides: Sides };
  busy: boolean;
  broken: boolean;
  search: Search;
}

const workingOf = <T>(found: Attempt<T> | null | undefined): Working<T> | null =>
  found?.ok ? found.working : null;

/** The entry of the reading that the estimate calls odd. */
const oddEntry = (
  { balance }: JobState,
  question: BalanceQuestion | null,
  estimate: BalanceEstimate | undefined,
): string | null => {
  if (!question || estimate?.odd == null) return null;
  return balance.seen.slice(-question.seen.length)[estimate.odd]?.entryId ?? null;
};

/**
 * Asks the worker for what is believed of the wheel and what to do next, whenever log or shelf
 * change.
 */
export const useAdvice = (): AdviceAtHand => {
  const { state, shop } = useJob();
  const question = useMemo(() => balanceQuestion(state, shop.weights), [state, shop.weights]);
  const { answers, busy, broken, search } = useBalanceWorker(question);
  const estimate = workingOf(answers?.estimate);
  const shelf = useMemo(
    () => ({ stock: question?.stock ?? [], sides: question?.sides ?? 'one' }),
    [question],
  );
  return {
    estimate,
    advised: workingOf(answers?.advice),
    placed: workingOf(search.placed) ?? workingOf(answers?.placed),
    problem: answers && !answers.advice.ok ? answers.advice.problem : null,
    // Of an older question the odd one is not known.
    oddId: busy ? null : oddEntry(state, question, estimate?.result),
    shelf,
    busy,
    broken,
    search,
  };
};
