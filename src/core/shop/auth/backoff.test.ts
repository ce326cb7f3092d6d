import { FREE_TRIES, MAX_WAIT_MINUTES, medianDaysToGuess, triesWithin, waitMinutesAfter } from '.';

test('waits grow from the fifth wrong try on and never pass an hour', () => {
  expect([0, 1, 4, 5, 6, 7, 10, 11, 12, 1000].map(waitMinutesAfter)).toEqual([
    0, 0, 0, 1, 2, 4, 32, 60, 60, 60,
  ]);
  for (let wrong = FREE_TRIES; wrong < 40; wrong++)
    expect(waitMinutesAfter(wrong + 1)).toBeGreaterThanOrEqual(waitMinutesAfter(wrong));
});

test('lets far fewer than 100 guesses through in an hour, and six digits last for decades', () => {
  // Counted by hand: 5, then after 1, 3, 7, 15, 31 minutes.
  expect(triesWithin(1)).toBe(10);
  expect(triesWithin(24)).toBeLessThan(40);
  expect(triesWithin(48) - triesWithin(24)).toBe((24 * 60) / MAX_WAIT_MINUTES);
  expect(medianDaysToGuess(6) / 365).toBeGreaterThan(50);
  expect(medianDaysToGuess(4) / 365).toBeLessThan(1);
});
