import {
  balanceAnswers,
  placeFor,
  type BalanceAnswers,
  type Counter,
} from '../../core/job/balance-answers';
import type { BalanceQuestion } from '../../core/job';
import type { BalancePlacement, Observation, StandBand } from '../../core/bench/balance';
import { standBand } from '../../core/bench/balance/stand-band';
import { attempt, type Attempt } from '../../core/base/working';

/**
 * The worker's tasks: to answer a question, what a stand hides, or to search on for pieces until it
 * is stopped.
 */
export type BalanceAsked =
  | { id: number; ask: 'answer'; question: BalanceQuestion }
  | { id: number; ask: 'band'; wheels: { seen: Observation[] }[] }
  | { id: number; ask: 'search'; question: BalanceQuestion; counter: Counter };

export type BalanceAnswered =
  | { id: number; answers: BalanceAnswers }
  | { id: number; band: Attempt<StandBand> }
  | { id: number; placed: Attempt<BalancePlacement>; over: boolean };

/** Each search goes so many times as far as the one before; the last is left to run for minutes. */
const STEPS = [3e6, 3e7, 3e8, 1e9];

const answer = (data: BalanceAsked, say: (answered: BalanceAnswered) => void): void => {
  if (data.ask === 'answer') return say({ id: data.id, answers: balanceAnswers(data.question) });
  if (data.ask === 'band')
    return say({ id: data.id, band: attempt(standBand, { wheels: data.wheels }) });
  for (const [i, steps] of STEPS.entries()) {
    const placed = placeFor(data.question, data.counter, steps);
    const over = i === STEPS.length - 1 || !placed.ok || placed.working.result.proved;
    say({ id: data.id, placed, over });
    if (over) return;
  }
};

self.onmessage = ({ data }: MessageEvent<BalanceAsked>) =>
  answer(data, (answered) => self.postMessage(answered));
