import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { BalancePlacement } from '../../../core/bench/balance';
import type { BalanceAnswers, BalanceQuestion, Counter } from '../../../core/job';
import type { Attempt } from '../../../core/base/working';
import type { BalanceAnswered, BalanceAsked } from '../../workers/balance-worker';

/** A worker for the arithmetic of balancing. */
export const startWorker = (): Worker =>
  new Worker(new URL('../../workers/balance-worker.ts', import.meta.url), { type: 'module' });

/** A longer search for the best pieces: what it found so far, and whether it still runs. */
export interface Search {
  placed: Attempt<BalancePlacement> | null;
  runs: boolean;
  begin(counter: Counter): void;
  stop(): void;
}

const NO_SEARCH = { placed: null, runs: false };

/** The answers of a worker about a balancing. */
interface BalanceWorker {
  /** To the present question, or while it is busy to the one before; null at first. */
  answers: BalanceAnswers | null;
  busy: boolean;
  /** The worker ended with a defect. */
  broken: boolean;
  search: Search;
}

/**
 * The workings of a balancing, worked out beside the screen; the answers to an older question stay
 * until the new ones are there.
 */
export const useBalanceWorker = (question: BalanceQuestion | null): BalanceWorker => {
  const text = useMemo(() => JSON.stringify(question), [question]);
  const [known, setKnown] = useState<{ text: string; answers: BalanceAnswers } | null>(null);
  const [broken, setBroken] = useState(false);
  const [search, setSearch] = useState<Pick<Search, 'placed' | 'runs'>>(NO_SEARCH);
  const worker = useRef<Worker | null>(null);
  const searcher = useRef<Worker | null>(null);
  const asked = useRef({ id: 0, text: '' });

  const stop = useCallback(() => {
    searcher.current?.terminate();
    searcher.current = null;
    setSearch((s) => ({ ...s, runs: false }));
  }, []);

  useEffect(() => {
    const it = startWorker();
    it.onmessage = ({ data }: MessageEvent<BalanceAnswered>) => {
      if ('answers' in data && data.id === asked.current.id)
        setKnown({ text: asked.current.text, answers: data.answers });
    };
    it.onerror = () => setBroken(true);
    worker.current = it;
    return () => {
      it.terminate();
      searcher.current?.terminate();
    };
  }, []);

  useEffect(() => {
    const parsed = JSON.parse(text) as BalanceQuestion | null;
    if (!parsed) return;
    stop();
    setSearch(NO_SEARCH);
    asked.current = { id: asked.current.id + 1, text };
    worker.current?.postMessage({
      id: asked.current.id,
      ask: 'answer',
      question: parsed,
    } satisfies BalanceAsked);
  }, [text, stop]);

  const begin = useCallback(
    (counter: Counter) => {
      stop();
      const it = startWorker();
      searcher.current = it;
      setSearch({ placed: null, runs: true });
      it.onmessage = ({ data }: MessageEvent<BalanceAnswered>) =>
        'placed' in data && setSearch({ placed: data.placed, runs: !data.over });
      it.onerror = () => setBroken(true);
      it.postMessage({
        id: 0,
        ask: 'search',
        question: JSON.parse(text) as BalanceQuestion,
        counter,
      } satisfies BalanceAsked);
    },
    [text, stop],
  );

  return {
    answers: known?.answers ?? null,
    busy: known?.text !== text,
    broken,
    search: { ...search, begin, stop },
  };
};
