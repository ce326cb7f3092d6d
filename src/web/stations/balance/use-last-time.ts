import { useState } from 'react';
import type { Piece } from '../../../core/balance';
import { heavyAgainst, type EntryData } from '../../../core/job';
import { useJob } from '../../screens/job-context';
import { useWheelRecord } from '../../screens/use-wheel-record';

const NOTHING: { hint: EntryData['balance-hint'] | null; pieces: readonly Piece[] } = { hint: null, pieces: [] };

/** What this wheel needed in the job before this one, as a hint; `forget` leaves it out of this balancing. */
export const useLastTime = () => {
  const { job, wheel } = useJob();
  const { record } = useWheelRecord(wheel.id);
  const [forgotten, setForgotten] = useState(false);
  const forget = () => setForgotten(true);
  const today = job.openedAt.slice(0, 10);
  const last = record?.history.weights.find((w) => w.jobId !== job.id && w.onDate <= today && w.pieces.length > 0);
  if (!last || forgotten) return { ...NOTHING, forget };
  return {
    hint: { ...heavyAgainst(last.pieces), jobId: last.jobId, onDate: last.onDate },
    pieces: last.pieces,
    forget,
  };
};
