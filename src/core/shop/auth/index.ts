export {
  FORGET_HOURS,
  FREE_TRIES,
  MAX_WAIT_MINUTES,
  medianDaysToGuess,
  triesWithin,
  waitMinutesAfter,
} from './backoff';
export { mayDo, ROLES, ROLE_WORDS, whoMay, type Right, type Role } from './roles';
export { checkSecret, MIN_DIGITS, MIN_LETTERS, MAX_LETTERS, weakness } from './secret';
export type { AuthStatus, Guessing, Passkey, Person, Session } from './session';
