import zxcvbn from 'zxcvbn';
import { InputError } from '../../core/base/errors';

/**
 * Below it a passphrase is found within a hundred million guesses. Source: the package's own scale,
 * 0 to 4.
 */
const MIN_SCORE = 3;
/** What is longer takes long to be looked at, and is not found by guessing words. */
const MAX_LOOKED_AT = 72;

const isDigits = (secret: string): boolean => /^\d+$/.test(secret);

/**
 * Whether whoever guesses tries it first: passwords that many have, words and names in a row, and
 * `own` names of the shop. A PIN is held to the list of known ones alone: six digits are few, and
 * waiting guards them.
 */
export const isTriedFirst = (secret: string, own: readonly string[]): boolean => {
  const names = own
    .flatMap((name) => [name, name.replace(/\s+/g, ''), ...name.split(/\s+/)])
    .filter(Boolean);
  const { score, sequence } = zxcvbn(secret.slice(0, MAX_LOOKED_AT), [...names, 'rimstone']);
  const isKnown = sequence.length === 1 && sequence[0]!.pattern === 'dictionary';
  return isKnown || (!isDigits(secret) && score < MIN_SCORE);
};

/** Throws `InputError` for a secret that is tried first. */
export const checkNotTriedFirst = (secret: string, own: readonly string[]): void => {
  if (!isTriedFirst(secret, own)) return;
  throw new InputError(
    'secret',
    'It is among what is tried first.',
    isDigits(secret)
      ? 'other digits, that mean nothing'
      : 'a few words that have nothing to do with each other',
  );
};
