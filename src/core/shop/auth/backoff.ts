/** Wrong tries before there is a wait. Basis: memory; OWASP ASVS 4.0.3, 2.2.1, asks for a limit. */
export const FREE_TRIES = 5;
/** The longest wait between two tries. Basis: memory. */
export const MAX_WAIT_MINUTES = 60;
/** Without a wrong try for so long, counting starts over. */
export const FORGET_HOURS = 24;

/**
 * Exponential backoff: minutes to wait after so many wrong tries in a row. 0 up to the fifth, then
 * 1, 2, 4 and so on, at most an hour.
 */
export const waitMinutesAfter = (wrong: number): number =>
  wrong < FREE_TRIES ? 0 : Math.min(2 ** (wrong - FREE_TRIES), MAX_WAIT_MINUTES);

/** Tries that one allowance lets through in so many hours of nothing but guessing. */
export const triesWithin = (hours: number): number => {
  let wrong = 0;
  for (let minutes = 0; minutes < hours * 60; minutes += waitMinutesAfter(wrong)) wrong++;
  return wrong;
};

/**
 * Days until half of all PINs of so many digits are guessed from one allowance, at the fastest that
 * is let through.
 */
export const medianDaysToGuess = (digits: number): number => {
  const perDay = (24 * 60) / MAX_WAIT_MINUTES;
  const first = triesWithin(24);
  return 1 + Math.max(0, 10 ** digits / 2 - first) / perDay;
};
