import { useMemo } from 'react';
import type { MountOrientation } from '../../core/bench/beads';
import { orientationOf } from '../../core/job';
import type { Step } from '../../core/job/procedure';
import type { Working } from '../../core/base/working';
import { useJob } from '../shared/job-context';

/** The way the new tire lies, at the step that asks for its arrow; null at every other. */
export const useTireOrientation = (step: Step | undefined): Working<MountOrientation> | null => {
  const { state, station, sideUp } = useJob();
  const asks = step?.shows === 'arrow' && station === 'tire-on';
  return useMemo(() => {
    const found = asks ? orientationOf(state, sideUp) : null;
    return found?.ok ? found.working : null;
  }, [state, sideUp, asks]);
};
