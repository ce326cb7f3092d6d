import { useCallback, useEffect, useRef, useState } from 'react';
import { isSmallDay } from '../../../core/shop/day';
import { useLazyDayPlanQuery, type PlanAnswer } from '../../store/day-api';
import { serverProblem } from '../../shared/server-problem';

const TICKING_MS = 250;

interface PlanNow {
  /** The last plan that came; null before the first. */
  answer: PlanAnswer | null;
  /** The plan in progress: a first one, or one that is looked at closely. */
  planning: 'first' | 'closely' | null;
  /** Why there is no plan, or none newer. */
  problem: string | null;
  /** Spec a new one. */
  plan(): void;
  /** Spec a new one that is looked at more closely, mostly for seconds. */
  planClosely(): void;
  /** Gives up the one that is being worked out. */
  stop(): void;
}

/** The plan of the day for who is at work: worked out on the server, given up when asked. */
export const usePlan = (people: readonly string[]): PlanNow => {
  const [ask] = useLazyDayPlanQuery();
  const running = useRef<{ abort(): void } | null>(null);
  const [answer, setAnswer] = useState<PlanAnswer | null>(null);
  const [planning, setPlanning] = useState<PlanNow['planning']>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const key = JSON.stringify(people);
  /** The plan that came, or null where another one was asked for meanwhile, or none came. */
  const planBy = useCallback(
    async (closely: boolean): Promise<PlanAnswer | null> => {
      running.current?.abort();
      const request = ask({ people: JSON.parse(key) as string[], closely });
      running.current = request;
      setPlanning(closely ? 'closely' : 'first');
      try {
        const found = await request.unwrap();
        if (running.current !== request) return null;
        setAnswer(found);
        setProblem(null);
        setPlanning(null);
        return found;
      } catch (error) {
        if (running.current !== request) return null;
        const isStopped = (error as { name?: string }).name === 'AbortError';
        setProblem(isStopped ? 'Planning stopped.' : serverProblem(error));
        setPlanning(null);
        return null;
      }
    },
    [ask, key],
  );
  const plan = useCallback(() => {
    void planBy(false).then((found) => {
      // A small day is looked at until its plan is proved; of a larger one someone asks for it.
      if (found && !found.working.result.proven && isSmallDay(found.working.input))
        void planBy(true);
    });
  }, [planBy]);
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
  return {
    answer,
    planning,
    problem,
    plan,
    planClosely: () => void planBy(true),
    stop: () => running.current?.abort(),
  };
};
