import { useMemo, useState } from 'react';
import { bitePlan, type Bite, type BitePlan } from '../../core/bench/beads';
import { biteInputOf } from '../../core/job';
import type { Step } from '../../core/job/procedure';
import { attempt, type Working } from '../../core/base/working';
import { useJob } from '../shared/job-context';
import type { KeyAction } from '../parts/keys';

/** The bites of a step with levers, one at a time. */
export interface BitesAtHand {
  /** Null where the step takes no levers, or none can be planned. */
  working: Working<BitePlan> | null;
  /** The one at hand; undefined where there is no plan. */
  bite: Bite | undefined;
  /** Forward or back, never past the first or the last. */
  go(by: 1 | -1): void;
  /** Keys for both, where there are bites. */
  keys: readonly KeyAction[];
}

const DIRECTIONS: Partial<Record<NonNullable<Step['shows']>, 'off' | 'on'>> = {
  'levers-off': 'off',
  'levers-on': 'on',
};

/** The bites of the step at hand; another step begins again with its first. */
export const useBites = (step: Step | undefined): BitesAtHand => {
  const { state } = useJob();
  const direction = step?.shows ? DIRECTIONS[step.shows] : undefined;
  const working = useMemo(() => {
    const input = direction && biteInputOf(state, direction);
    const found = input && attempt(bitePlan, input);
    return found?.ok ? found.working : null;
  }, [state, direction]);
  const [seen, setSeen] = useState<{ stepId: string | undefined; n: number }>({
    stepId: step?.id,
    n: 1,
  });
  const bites = working?.result.bites ?? [];
  const n = Math.min(seen.stepId === step?.id ? seen.n : 1, bites.length);
  const go = (by: 1 | -1) =>
    setSeen({ stepId: step?.id, n: Math.max(1, Math.min(bites.length, n + by)) });
  const keys: KeyAction[] = [
    { key: '.', label: 'Next bite', run: () => go(1) },
    { key: ',', label: 'Previous bite', run: () => go(-1) },
  ];
  return { working, bite: bites[n - 1], go, keys: working ? keys : [] };
};
