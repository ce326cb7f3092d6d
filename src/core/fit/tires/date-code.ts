import { DAY_MS } from '../../base/units';

/** Start of week 01: the first full calendar week, Sunday to Saturday. Source: 49 CFR 574.5. */
export const weekOneOf = (year: number): Date => {
  const first = new Date(Date.UTC(year, 0, 1));
  return new Date(first.getTime() + ((7 - first.getUTCDay()) % 7) * DAY_MS);
};

/** The number of weeks in a year, by weeks that begin in it: 52 or 53. Source: 49 CFR 574.5. */
export const weeksOf = (year: number): number =>
  Math.round((weekOneOf(year + 1).getTime() - weekOneOf(year).getTime()) / (7 * DAY_MS));

/**
 * The date code of a tire made on a day, week then year. `onDate` is taken in UTC, from 2000 on.
 */
export const dateCodeOn = (onDate: Date): string => {
  const inYear = onDate.getUTCFullYear();
  const year = onDate < weekOneOf(inYear) ? inYear - 1 : inYear;
  const week = Math.floor((onDate.getTime() - weekOneOf(year).getTime()) / (7 * DAY_MS)) + 1;
  return `${String(week).padStart(2, '0')}${String(year % 100).padStart(2, '0')}`;
};
