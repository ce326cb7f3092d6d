import { ruleNumber } from '../rules';
import { daysAfter } from '../units';
import type { JobState } from './fold-job';

/** Something to look at again. */
export interface Recheck {
  what: string;
  onDate: string;
}

/** When to look again: the dates in the log, or from the day of the work by rule. `onDate` YYYY-MM-DD. */
export const recheckDates = (state: JobState, onDate: string): Recheck[] => {
  if (state.rechecks.length > 0) return [...state.rechecks].sort((a, b) => a.onDate.localeCompare(b.onDate));
  const bolts =
    state.wheel?.build === 'spoked'
      ? 'Spokes, torque and weights after the first ride'
      : 'Torque and weights after the first ride';
  return [
    { what: 'Pressure, cold', onDate: daysAfter(onDate, ruleNumber('recheck.pressureDays', state.rules)) },
    { what: bolts, onDate: daysAfter(onDate, ruleNumber('recheck.boltsDays', state.rules)) },
  ];
};
