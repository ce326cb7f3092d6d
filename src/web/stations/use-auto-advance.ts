import { useEffect, useRef } from 'react';
import type { StationId } from '../../core/job';
import { useJob } from '../shared/job-context';
import { useApp } from '../store';
import { paceOf } from '../store/shop-slice';

/** At the pace by station: goes on by itself once the last thing of a station is done here. */
export const useAutoAdvance = (isComplete: boolean, next: StationId): void => {
  const { goTo } = useJob();
  const pace = useApp(paceOf);
  const wasComplete = useRef(isComplete);
  useEffect(() => {
    const isNew = isComplete && !wasComplete.current;
    wasComplete.current = isComplete;
    if (isNew && pace === 'by station') goTo(next);
  }, [isComplete, goTo, next, pace]);
};
