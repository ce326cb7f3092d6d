import { useCallback, useEffect, useRef, useState } from 'react';
import { useLazyDayPlanQuery, type PlanAnswer } from '../../store/day-api';
import { visitProblem } from '../../store/visits-api';

const TICKING_MS = 250;

export interface PlanNow {
  /** The last plan that came; null before the first. */
  answer: PlanAnswer | null;
  isPlanning: boolean;
  /** Why there is no plan, or none newer. */
  problem: string | null;
  /** Asks for a new one. */
  plan(): void;
  /** Asks for a new one that is looked at more closely, for some ten seconds. */
  planClosely(): void;
  /** Gives up the one that is being worked out. */
  stop(): void;
}

/** The plan of the day for who is at work: worked out on the server, given up when asked. */
export const usePlan = (people: readonly string[]): PlanNow => {
  const [ask] = useLazyDayPlanQuery();
  const running = useRef<{ abort(): void } | null>(null);
  const [answer, setAnswer] = useState<PlanAnswer | null>(null);
  const [isPlanning, setPlanning] = useState(false);
  const [problem, setProblem] = useState<string | null>(null);
  const key = JSON.stringify(people);
  const planBy = useCallback(
    (closely: boolean) => {
      running.current?.abort();
      const request = ask({ people: JSON.parse(key) as string[], closely });
      running.current = request;
      setPlanning(true);
      void request.unwrap().then(
        (found) => {
          if (running.current !== request) return;
          setAnswer(found);
          setProblem(null);
          setPlanning(false);
        },
        (error: unknown) => {
          if (running.current !== request) return;
          setProblem(
            (error as { name?: string }).name === 'AbortError' ? 'Planning was stopped.' : visitProblem(error),
          );
          setPlanning(false);
        },
      );
    },
    [ask, key],
  );
  const plan = useCallback(() => planBy(false), [planBy]);
  useEffect(() => {
    // Several people ticked one after the other are one question.
    const wait = setTimeout(plan, TICKING_MS);
    return () => {
      clearTimeout(wait);
      const last = running.current;
      running.current = null;
      last?.abort();
    };
  }, [plan]);
  return { answer, isPlanning, problem, plan, planClosely: () => planBy(true), stop: () => running.current?.abort() };
};
