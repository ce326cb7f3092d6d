import fc from 'fast-check';
import { dateText, dayOf, daysAfter, daysBetween, DAY_MS, monthText } from './day';

/** Days counted by instants at noon UTC, without a calendar. */
const countedMs = (day: string, days: number) =>
  new Date(Date.parse(`${day}T12:00:00Z`) + days * DAY_MS);
const aDay = fc.integer({ min: 0, max: 40_000 }).map((n) => dayOf(n * DAY_MS));

test('so many days after a day, and as many between the two, whatever the clock change', () => {
  fc.assert(
    fc.property(aDay, fc.integer({ min: -5000, max: 5000 }), (day, days) => {
      const then = daysAfter(day, days);
      expect(then).toBe(dayOf(countedMs(day, days)));
      expect(daysBetween(day, then)).toBe(days);
    }),
  );
});

test('part of a day is not counted, and a day ends at midnight', () => {
  expect(daysAfter('2026-04-30', 1.99)).toBe('2026-05-01');
  expect(dayOf(Date.UTC(2026, 3, 30, 23, 59))).toBe('2026-04-30');
});

test('a day is read with its month and year', () => {
  expect(dateText('2026-11-22')).toBe('Nov 22, 2026');
  expect(dateText('2027-01-05T23:30:00.000Z')).toBe('Jan 5, 2027');
  expect(monthText('2026-12-31')).toBe('Dec 2026');
});
