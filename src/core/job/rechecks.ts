import { ruleNumber } from '../rules';
import type { JobState } from './fold';

/** Something to look at again. */
export interface Recheck {
  what: string;
  onDate: string;
}

const DAY_MS = 86_400_000;

const after = (onDate: string, days: number): string =>
  new Date(new Date(`${onDate}T00:00:00Z`).getTime() + days * DAY_MS).toISOString().slice(0, 10);

/** When to look again: the dates in the log, or from the day of the work by rule. `onDate` YYYY-MM-DD. */
export const recheckDates = (state: JobState, onDate: string): Recheck[] => {
  if (state.rechecks.length > 0) return [...state.rechecks].sort((a, b) => a.onDate.localeCompare(b.onDate));
  const bolts =
    state.wheel?.build === 'spoked'
      ? 'Spokes, torque and weights after the first ride'
      : 'Torque and weights after the first ride';
  return [
    { what: 'Pressure, cold', onDate: after(onDate, ruleNumber('recheck.pressureDays', state.rules)) },
    { what: bolts, onDate: after(onDate, ruleNumber('recheck.boltsDays', state.rules)) },
  ];
};
