import { useEffect } from 'react';
import { useJob } from '../../shared/job-context';
import { useDevice, type LiveDevice } from '../../shared/use-device';
import { useApp } from '../../store';
import { api } from '../../store/api';

/**
 * The gauge on the hose. The stand-in's hose is put on the tire of this job; a real one is where
 * the fitter clipped it.
 */
export const useHose = (): LiveDevice => {
  const { state, wheel } = useJob();
  const standIns = useApp((s) => s.prefs.standIns);
  const gauge = useDevice('gauge', true, standIns);
  const tire = state.chosen?.marking ?? wheel.tireMarking;
  const hose = gauge.device?.simulated ? gauge.device : null;
  const name = hose?.name;
  const isElsewhere = hose !== null && hose.held?.tire !== tire;
  useEffect(() => {
    if (name !== undefined && isElsewhere)
      void api.holdDevice(name, { tire }).catch(() => undefined);
  }, [name, isElsewhere, tire]);
  return gauge;
};
