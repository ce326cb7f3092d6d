import {
  balanceAdvise,
  balanceEstimate,
  balancePlace,
  type BalanceAdvice,
  type BalanceEstimate,
  type BalancePlacement,
} from '../bench/balance';
import { attempt, type Attempt } from '../base/working';
import type { BalanceQuestion } from './balance-of';

/** The answers of the workings about a balancing as it stands. */
export interface BalanceAnswers {
  /** Null before anything was seen. */
  estimate: Attempt<BalanceEstimate> | null;
  advice: Attempt<BalanceAdvice>;
  /** The search for the advised final pieces; null while none are. */
  placed: Attempt<BalancePlacement> | null;
}

/** A counterweight wanted, and how nearly. */
export interface Counter {
  massG: number;
  deg: number;
  limitG: number;
}

/**
 * The pieces against a counterweight, from all that is known of wheel and shelf; `mostSteps` for a
 * longer search.
 */
export const placeFor = (
  { stock, positions, sides, rimMm, clearOf, rimWidthMm, rules }: BalanceQuestion,
  counter: Counter,
  mostSteps?: number,
): Attempt<BalancePlacement> =>
  attempt(balancePlace, {
    counterMassG: Math.min(1000, counter.massG),
    counterDeg: counter.deg,
    stock,
    positions,
    sides,
    rules,
    limitG: counter.limitG,
    ...(rimMm === undefined ? {} : { rimMm }),
    ...(clearOf ? { clearOf } : {}),
    ...(rimWidthMm === undefined ? {} : { rimWidthMm }),
    ...(mostSteps ? { mostSteps } : {}),
  });

/** Everything that the balance station shows: heavy work, for a worker or the server. */
export const balanceAnswers = (question: BalanceQuestion): BalanceAnswers => {
  const { seen, on, prior, rules } = question;
  const estimate =
    seen.length > 0
      ? attempt(balanceEstimate, { seen, on, rules, ...(prior ? { prior } : {}) })
      : null;
  const advice = attempt(balanceAdvise, question);
  const final = advice.ok && advice.working.result.do === 'final' ? advice.working.result : null;
  return { estimate, advice, placed: final ? placeFor(question, final) : null };
};
