import { openDb } from '../../src/server/db/open-db';
import { signInTries } from '../../src/server/db/sign-in-tries';

const HOUR_MS = 3_600_000;
const BEGAN_MS = Date.UTC(2026, 0, 5, 8);

/** A guesser who tries again the moment each wait is over, from one address after another. */
const guessesWithin = (hours: readonly number[]): number[] => {
  const db = openDb(':memory:');
  const tries = signInTries(db);
  const counts = hours.map(() => 0);
  const endsMs = BEGAN_MS + Math.max(...hours) * HOUR_MS;
  let nowMs = BEGAN_MS;
  for (let n = 0; nowMs < endsMs; n++) {
    const from = { deviceToken: null, address: `192.0.2.${n % 200}`, from: 'a program' };
    const waitsUntilMs = tries.waitsUntilMs('Ada Marl', from, nowMs);
    if (waitsUntilMs > nowMs) {
      nowMs = waitsUntilMs;
      continue;
    }
    tries.wrong('Ada Marl', from, nowMs);
    hours.forEach((h, i) => {
      if (nowMs < BEGAN_MS + h * HOUR_MS) counts[i]!++;
    });
  }
  db.close();
  return counts;
};

test('guessing without a pause lets 10 tries through in the first hour, 33 in the first day and 24 in each later one', () => {
  const [hour, day, later, week] = guessesWithin([1, 24, 48, 168]);
  expect([hour, day, later! - day!, week! - later!]).toEqual([10, 33, 24, 5 * 24]);
  // Half of a million PINs of six digits, and of ten thousand of four, at that pace.
  const daysTo = (tries: number) => 1 + (tries - day!) / 24;
  expect(Math.round(daysTo(500_000) / 365.25)).toBe(57);
  expect(Math.round(daysTo(5_000) / 30.4)).toBe(7);
});
