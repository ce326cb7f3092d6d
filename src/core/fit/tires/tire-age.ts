import { InputError } from '../../base/errors';
import { date, ruleValues, text } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { DAY_MS, dayOf } from '../../base/units';
import { defineWorking, SILENT, type Show } from '../../base/working';
import { weekOneOf, weeksOf } from './date-code';

/** When a tire was made and how old it is on a day. */
export interface TireAge {
  weekOf: { week: number; year: number; startsOn: string };
  ageYears: number;
  verdict: 'good' | 'check' | 'stop';
}

const DAYS_PER_YEAR = 365.25;
const RIGHT =
  'Enter the last four digits of the maker’s code, week then year, as in 3824 for week 38 of 2024';

const wrong = (message: string) => new InputError('dateCode', message, RIGHT);

const yearOf = (digits: string, onYear: number): number => {
  if (digits.length === 1) return 1990 + Number(digits);
  const inThisCentury = 2000 + Number(digits);
  if (inThisCentury > onYear) throw wrong(`Year 20${digits} is still to come.`);
  return inThisCentury;
};

const measure = (
  given: string,
  onDate: string,
  rules: RuleValues | undefined,
  show: Show,
): TireAge => {
  const code = given.trim();
  if (!/^\d{3,4}$/.test(code)) throw wrong(`"${code}" is not a date code.`);
  const on = new Date(`${onDate}T00:00:00Z`);
  const week = Number(code.slice(0, 2));
  if (week < 1 || week > 53) throw wrong(`There is no week ${code.slice(0, 2)}.`);
  const year = yearOf(code.slice(2), on.getUTCFullYear());
  if (week > weeksOf(year)) throw wrong(`${year} has no week ${week}.`);
  const starts = new Date(weekOneOf(year).getTime() + (week - 1) * 7 * DAY_MS);
  if (starts > on) throw wrong(`Week ${week} of ${year} is still to come.`);
  const startsOn = dayOf(starts);
  show.basis('published', '49 CFR 574.5, tire identification number, date code');
  show.line('made', `${code}: week ${week} of ${year}`, startsOn);
  const ageYears = show.line(
    'age',
    `days since then / ${DAYS_PER_YEAR}`,
    (on.getTime() - starts.getTime()) / DAY_MS / DAYS_PER_YEAR,
    'years',
  );
  const checkYears = ruleNumber('tire.ageCheckYears', rules, show);
  const stopYears = ruleNumber('tire.ageStopYears', rules, show);
  const verdict = ageYears >= stopYears ? 'stop' : ageYears >= checkYears ? 'check' : 'good';
  show.verdict(verdict);
  if (code.length === 3)
    show.caution('Three digits: made before 2000, decade unknown. Record old stock as a finding.');
  return { weekOf: { week, year, startsOn }, ageYears, verdict };
};

/** The age alone, without lines. Throws `InputError`. */
export const ageOf = (dateCode: string, onDate: string, rules?: RuleValues): TireAge =>
  measure(dateCode, onDate, rules, SILENT);

/**
 * Age of a tire from its date code.
 *
 * `dateCode` four digits, week 01 to 52, in some years 53, then year; three digits were used before 2000. `onDate` YYYY-MM-DD.
 * Throws `InputError` for a week that its year does not have and dates to come.
 * Source: 49 CFR 574.5, week 01 is the first full calendar week of the year.
 */
export const tireAge = defineWorking<
  { dateCode: string; onDate: string; rules?: RuleValues },
  TireAge
>({
  name: 'tire-age',
  title: 'Tire age from date code',
  input: () => ({ dateCode: text(20, 'The date code'), onDate: date('Date'), rules: ruleValues() }),
  example: { dateCode: '3824', onDate: '2026-04-30' },
  work: ({ dateCode, onDate, rules }, show) => measure(dateCode, onDate, rules, show),
});
