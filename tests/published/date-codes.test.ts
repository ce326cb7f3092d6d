import { dateCodeOn, tireAge } from '../../src/core/fit/tires';

const weekOf = (dateCode: string) => tireAge.run({ dateCode, onDate: '2026-06-01' }).result.weekOf;

/**
 * Source: 49 CFR 574.5: week then year; week 01 is the first full calendar week, Sunday to
 * Saturday.
 */
test.each([
  ['1523', 15, 2023, '2023-04-09'],
  ['0123', 1, 2023, '2023-01-01'],
  ['0124', 1, 2024, '2024-01-07'],
  ['0122', 1, 2022, '2022-01-02'],
  ['5225', 52, 2025, '2025-12-28'],
  ['0101', 1, 2001, '2001-01-07'],
])('%s is week %d of %d, from %s', (dateCode, week, year, startsOn) => {
  expect(weekOf(dateCode)).toEqual({ week, year, startsOn });
});

/**
 * Years by hand: 2017 and 2023 begin on a Sunday and the next first full week is the 7th; 2020 and
 * 2024 have 52.
 */
test('week 53 is only of years that have it', () => {
  expect(weekOf('5323')).toEqual({ week: 53, year: 2023, startsOn: '2023-12-31' });
  expect(weekOf('5317').startsOn).toBe('2017-12-31');
  for (const dateCode of ['5320', '5324', '5319', '5301'])
    expect(() => weekOf(dateCode)).toThrow(/has no week 53\.$/);
  expect(() => weekOf('5423')).toThrow('There is no week 54.');
});

test('a week that is in its year starts in it', () => {
  for (let year = 2001; year <= 2025; year++)
    for (const week of [1, 52, 53])
      try {
        const { startsOn } = weekOf(
          `${String(week).padStart(2, '0')}${String(year % 100).padStart(2, '0')}`,
        );
        expect(startsOn.slice(0, 4)).toBe(String(year));
      } catch (error) {
        // Then the last day of its 52nd week is so late that a 53rd would begin in the next year.
        expect(String(error)).toMatch(/has no week 53/);
        expect(
          Date.parse(`${weekOf(`52${String(year % 100).padStart(2, '0')}`).startsOn}T00:00:00Z`),
        ).toBeGreaterThan(Date.UTC(year, 11, 24));
      }
});

test('the first full week starts on a Sunday of the first seven days, every year', () => {
  for (let year = 2000; year <= 2025; year++) {
    const { startsOn } = weekOf(`01${String(year % 100).padStart(2, '0')}`);
    const start = new Date(`${startsOn}T00:00:00Z`);
    expect(start.getUTCDay()).toBe(0);
    expect(start.getUTCDate()).toBeLessThanOrEqual(7);
  }
});

test('the code of a day is the week that holds it, for every day of many years', () => {
  for (let day = Date.UTC(2001, 0, 7); day < Date.UTC(2026, 4, 31); day += 86_400_000) {
    const { startsOn } = weekOf(dateCodeOn(new Date(day)));
    const since = day - Date.parse(`${startsOn}T00:00:00Z`);
    if (since < 0 || since >= 7 * 86_400_000)
      throw new Error(`${new Date(day).toISOString()} is not in the week of ${startsOn}`);
  }
  expect(dateCodeOn(new Date('2023-04-12T10:00:00Z'))).toBe('1523');
});
