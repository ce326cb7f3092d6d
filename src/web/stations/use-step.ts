import { useMemo, useRef, useState } from 'react';
import { biteInputOf, orientationOf, stepsOf, STATIONS, type StationId } from '../../core/job';
import { bitePlan } from '../../core/beads';
import { attempt } from '../../core/working';
import { useMainWorking } from '../parts/working';
import { useJob } from '../screens/job-context';

/** The steps of the station, the one at hand, and what stands beside it: bites by number, or which way up. */
export const useStep = (onLast: (next: StationId) => void) => {
  const { state, station, sideUp, write } = useJob();
  const steps = useMemo(() => stepsOf(state, station), [state, station]);
  const [looked, setLooked] = useState<string | null>(null);
  const current = steps.find((s) => s.id === looked) ?? steps.find((s) => !state.steps[s.id]);
  const at = current ? steps.indexOf(current) : steps.length;
  const next = STATIONS[STATIONS.indexOf(station) + 1]!;
  const isDone = current ? Boolean(state.steps[current.id]) : false;

  const direction = current?.shows === 'levers-off' ? 'off' : current?.shows === 'levers-on' ? 'on' : null;
  const biting = useMemo(() => {
    const input = direction && biteInputOf(state, direction);
    const tried = input && attempt(bitePlan, input);
    return tried?.ok ? tried.working : null;
  }, [state, direction]);
  const lying = useMemo(() => {
    const tried = current?.shows === 'arrow' && station === 'tire-on' ? orientationOf(state, sideUp) : null;
    return tried?.ok ? tried.working : null;
  }, [state, sideUp, current, station]);
  useMainWorking(lying ? 'which way up' : 'the bites', lying ?? biting);

  const plan = biting?.result ?? null;
  const [bite, setBite] = useState(1);
  const writing = useRef(false);
  const look = (stepId: string | null) => {
    setBite(1);
    setLooked(stepId);
  };
  return {
    steps,
    current,
    at,
    next,
    isDone,
    look,
    plan,
    bite: plan ? bite : 0,
    here: plan?.bites[Math.min(bite, plan.bites.length) - 1],
    lying,
    stepBite: (by: number) => plan && setBite((b) => Math.max(1, Math.min(plan.bites.length, b + by))),
    back: () => at > 0 && look(steps[at - 1]!.id),
    async tick(): Promise<void> {
      if (!current) return onLast(next);
      // The next one is named only where it is done too: an undo then leads back to what is open.
      const after = steps[at + 1];
      if (isDone) return look(after && state.steps[after.id] ? after.id : null);
      // Pressed again before it is written, it is still one step.
      if (writing.current) return;
      writing.current = true;
      try {
        if (await write([{ kind: 'step', data: { stepId: current.id } }])) look(null);
      } finally {
        writing.current = false;
      }
    },
  };
};
export type StepAtHand = ReturnType<typeof useStep>;
