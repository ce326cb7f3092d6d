import { useState } from 'react';
import type { Piece } from '../../../core/bench/balance';
import { heavyAgainst, type EntryData } from '../../../core/job';
import { useJob } from '../../shared/job-context';
import { useWheelRecord } from '../../shared/use-wheel-record';

/** The weights of this wheel in the job before this one. */
export interface LastTime {
  /** Null where nothing is known, or where the fitter leaves it out. */
  hint: EntryData['balance-hint'] | null;
  pieces: readonly Piece[];
  /** Leaves it out of this balancing. */
  forget(): void;
}

const NOTHING = { hint: null, pieces: [] };

/** Last time's weights, as a hint. */
export const useLastTime = (): LastTime => {
  const { job, wheel } = useJob();
  const { record } = useWheelRecord(wheel.id);
  const [forgotten, setForgotten] = useState(false);
  const forget = () => setForgotten(true);
  const today = job.openedAt.slice(0, 10);
  const last = record?.history.weights.find(
    (w) => w.jobId !== job.id && w.onDate <= today && w.pieces.length > 0,
  );
  if (!last || forgotten) return { ...NOTHING, forget };
  return {
    hint: { ...heavyAgainst(last.pieces), jobId: last.jobId, onDate: last.onDate },
    pieces: last.pieces,
    forget,
  };
};
