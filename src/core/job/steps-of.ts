import { procedureFor, type Step } from '../procedure';
import type { JobState } from './fold';
import type { StationId } from './stations';

/** The steps of one hands-on station, or of all four. */
export const stepsOf = (state: JobState, station?: StationId): Step[] => {
  if (!state.wheel || !state.machine) return [];
  const steps = procedureFor({
    machine: state.machine,
    wheel: state.wheel,
    tube: state.chosen?.tube ?? state.wheel.tube,
    lightMark: state.chosen?.lightMark ?? true,
    rules: state.rules,
  });
  return station ? steps.filter((s) => s.station === station) : steps;
};
