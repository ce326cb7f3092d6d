import { useMemo, useRef, useState } from 'react';
import { airOutOf, stepsOf, STATIONS, tickOf, type StationId } from '../../core/job';
import type { Step } from '../../core/job/procedure';
import type { SplitRim } from '../../core/bench/ring';
import type { Working } from '../../core/base/working';
import { useJob } from '../shared/job-context';
import { useApp } from '../store';
import { paceOf } from '../store/shop-slice';
import { useBatch, type Batch } from './use-batch';

/** The steps of the station and the one at hand. */
interface StepsAtHand {
  steps: readonly Step[];
  /** The one that was looked at, else the first that is open; undefined once all are done. */
  current: Step | undefined;
  /** Its place among the steps; their number once all are done. */
  index: number;
  /** The one at hand is ticked already. */
  isDone: boolean;
  /** The station after this one. */
  next: StationId;
  /** Looks at a step; null goes back to the first that is open. */
  look(stepId: string | null): void;
  back(): void;
  /** Why the step at hand may not be ticked yet; null where it may. */
  held: Working<SplitRim> | null;
  /**
   * The plain steps that are written at once, where the step at hand is one of them; null at the
   * other pace.
   */
  batch: Batch | null;
  /** Ticks the step at hand, or the batch, and goes on; after the last one to the next station. */
  tick(): Promise<void>;
}

/** Walks through the steps of the station; `onLast` is where the last one leads. */
export const useSteps = (onLast: (next: StationId) => void): StepsAtHand => {
  const { state, station, write } = useJob();
  const steps = useMemo(() => stepsOf(state, station), [state, station]);
  const [looked, look] = useState<string | null>(null);
  const writing = useRef<string | null>(null);
  const air = useMemo(() => airOutOf(state), [state]);
  const current = steps.find((s) => s.id === looked) ?? steps.find((s) => !state.steps[s.id]);
  const index = current ? steps.indexOf(current) : steps.length;
  const isDone = current ? Boolean(state.steps[current.id]) : false;
  const isByStation = useApp(paceOf) === 'by station';
  const open = steps.filter((s) => !state.steps[s.id]);
  const plain = useBatch(open);
  const batch =
    current && !isDone && looked === null && plain?.steps.includes(current) ? plain : null;
  const held =
    current?.wants === 'air-out' && air?.ok && !air.working.result.mayUndo ? air.working : null;
  const next = STATIONS[STATIONS.indexOf(station) + 1]!;
  const back = () => {
    if (index > 0) look(steps[index - 1]!.id);
  };
  const tick = async (): Promise<void> => {
    if (!current) return onLast(next);
    // The next one is named only where it is done too: an undo then leads back to what is open.
    const after = steps[index + 1];
    if (isDone) return look(after && state.steps[after.id] ? after.id : null);
    // Pressed again before it is written, it is still one step; the one after it may be pressed at
    // once.
    if (writing.current === current.id || held) return;
    writing.current = current.id;
    try {
      const isWritten = batch ? await batch.write() : await write(tickOf(current.id));
      if (!isWritten) return;
      look(null);
      // Anyone who works by station goes on by himself.
      const written = batch ? batch.steps.filter((s) => !batch.left.has(s.id)).length : 1;
      if (isByStation && open.length === written) onLast(next);
    } finally {
      if (writing.current === current.id) writing.current = null;
    }
  };
  return { steps, current, index, isDone, next, held, batch, look, back, tick };
};
