import { sumVectors, type LevelTest, type Piece, type Settle } from '../../../core/bench/balance';
import { useJob } from '../../shared/job-context';
import type { Writing } from '../../store/job-writing';
import type { AdviceAtHand } from './use-advice';
import type { HandDraft } from './use-hand-draft';
import type { LastTime } from './use-last-time';

/** The entries that can be written of a balancing; each clears the draft once the log has it. */
export interface BalanceActs {
  /** A place came to the bottom; `device` is the stand that said so. */
  rest(restDeg: number, from: Settle['from'], device: string | null, turned: boolean): void;
  /** `at` is the side it was held on, as seen from the disc side. */
  level(deg: number, moved: LevelTest['moved'], at: 'left' | 'right'): void;
  swing(periodS: number): void;
  machine(reading: { massG: number; deg: number; stepG: number; stepDeg: number }): void;
  /** Pieces taped on to learn from, all others off. */
  trial(pieces: readonly Piece[]): void;
  /** Pieces that stay on, all others off. */
  weights(pieces: readonly Piece[]): void;
  /** All weights are off and nothing was seen. */
  beginAnew(): void;
  /** The end, as it is believed now. */
  finish(): void;
}

/** Writes into the log of the balancing. */
export const useBalanceActs = (
  { estimate, advised }: AdviceAtHand,
  hand: HandDraft,
  lastTime: LastTime,
): BalanceActs => {
  const { state, write } = useJob();
  const { balance } = state;
  const put = async (writing: Writing, says?: string) => {
    // The hint is written down with the first thing seen, so that the log says what the belief
    // rests on.
    const isFirst = balance.seen.length === 0 && balance.on.length === 0 && !balance.hint;
    const hint: Writing[] =
      lastTime.hint && isFirst ? [{ kind: 'balance-hint', data: lastTime.hint }] : [];
    if (await write([...hint, writing], says)) hand.clear();
  };
  const leftWith = (pieces: readonly Piece[]): number | null => {
    if (!estimate) return null;
    const { heavyMassG, heavyDeg } = estimate.result;
    return sumVectors([{ massG: heavyMassG, deg: heavyDeg }, ...pieces]).massG;
  };
  const finish = () => {
    if (!estimate) return;
    const { heavyMassG, heavyDeg, leftG, leftDeg, bandG, chance: believed } = estimate.result;
    const chance = advised?.result.do === 'done' ? advised.result.chance : believed;
    void put(
      { kind: 'balanced', data: { heavyMassG, heavyDeg, leftG, leftDeg, bandG, chance } },
      'Balanced.',
    );
  };
  return {
    rest: (restDeg, from, device, turned) =>
      void put({ kind: 'rest', data: { restDeg, from, device, ...(turned && { turned }) } }),
    level: (deg, moved, at) => void put({ kind: 'level-test', data: { deg, moved, at } }),
    swing: (periodS) => void put({ kind: 'swing', data: { periodS } }),
    machine: (data) => void put({ kind: 'machine-reading', data }),
    trial: (pieces) => void put({ kind: 'trial', data: { pieces: [...pieces] } }),
    weights: (pieces) =>
      void put({ kind: 'weights', data: { pieces: [...pieces], residualG: leftWith(pieces) } }),
    beginAnew: () =>
      void put({
        kind: 'balance-again',
        data: { why: 'started over: the readings did not agree' },
      }),
    finish,
  };
};
