import { addDays, differenceInCalendarDays, formatISO, parseISO } from 'date-fns';

/** A day in milliseconds, for instants; days of the calendar are counted by the functions below. */
export const DAY_MS = 86_400_000;

/** The day of an instant in UTC, YYYY-MM-DD. */
export const dayOf = (instant: Date | number): string =>
  new Date(instant).toISOString().slice(0, 10);

/** The day of an instant where this machine stands, YYYY-MM-DD. */
export const localDayOf = (instant: Date): string => formatISO(instant, { representation: 'date' });

/** So many days after a day; both YYYY-MM-DD. Part of a day is not counted. */
export const daysAfter = (day: string, days: number): string =>
  formatISO(addDays(parseISO(day), Math.floor(days)), { representation: 'date' });

/**
 * Days of the calendar from one day to another, negative where the second is the earlier; both
 * YYYY-MM-DD.
 */
export const daysBetween = (from: string, to: string): number =>
  differenceInCalendarDays(parseISO(to), parseISO(from));

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];

/** `Nov 2026`: the month of a day, YYYY-MM-DD or longer. */
export const monthText = (day: string): string => dateText(day).replace(/ \d+,/, '');

/** `Nov 22, 2026`: a day as papers, logs and records show it; YYYY-MM-DD, of an instant its day. */
export const dateText = (day: string): string => {
  const [year, month, date] = day.slice(0, 10).split('-').map(Number);
  return `${MONTHS[month! - 1]} ${date}, ${year}`;
};
