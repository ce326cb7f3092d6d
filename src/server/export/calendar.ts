import { createEvents, type DateArray } from 'ics';
import { daysAfter } from '../../core/base/units';

/** A day on which something is to be done. */
interface CalendarDay {
  uid: string;
  title: string;
  description: string;
  /** YYYY-MM-DD. */
  onDate: string;
}

const dateParts = (day: string): DateArray => day.split('-').map(Number) as unknown as DateArray;

/** Days as all-day events, iCalendar (RFC 5545). */
export const calendarOf = (calName: string, days: readonly CalendarDay[]): string => {
  const { error, value } = createEvents(
    days.map(({ uid, title, description, onDate }) => ({
      uid: `${uid}@rimstone`,
      title,
      description,
      start: dateParts(onDate),
      end: dateParts(daysAfter(onDate, 1)),
      productId: 'tough-rimstone',
      calName,
    })),
  );
  if (error || value === undefined) throw error ?? new Error('no calendar was written');
  return value || EMPTY;
};

/** An empty calendar, as calendar programs read it. */
const EMPTY =
  'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nCALSCALE:GREGORIAN\r\nPRODID:tough-rimstone\r\nEND:VCALENDAR\r\n';
