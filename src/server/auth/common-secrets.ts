import { InputError } from '../../core/base/errors';

/**
 * Below it a passphrase is found within a hundred million guesses. Source: the package's own scale,
 * 0 to 4.
 */
const MIN_SCORE = 3;
/** Longer secrets take long to look at, and are not found by guessing words. */
const MAX_LOOKED_AT = 72;

const isDigits = (secret: string): boolean => /^\d+$/.test(secret);

/**
 * Whether a guesser tries it first: passwords that many have, words and names in a row, and
 * `own` names of the shop. A PIN is held to the list of known ones alone: six digits are few, and
 * waiting guards them. Its lists of words are loaded at first use: they slow the server's start.
 */
export const isTriedFirst = async (secret: string, own: readonly string[]): Promise<boolean> => {
  const { default: zxcvbn } = await import('zxcvbn');
  const names = own
    .flatMap((name) => [name, name.replace(/\s+/g, ''), ...name.split(/\s+/)])
    .filter(Boolean);
  const { score, sequence } = zxcvbn(secret.slice(0, MAX_LOOKED_AT), [...names, 'rimstone']);
  const isKnown = sequence.length === 1 && sequence[0]!.pattern === 'dictionary';
  return isKnown || (!isDigits(secret) && score < MIN_SCORE);
};

/** Throws `InputError` for a secret that is tried first. */
export const checkNotTriedFirst = async (secret: string, own: readonly string[]): Promise<void> => {
  if (!(await isTriedFirst(secret, own))) return;
  throw new InputError(
    'secret',
    'This is too easy to guess.',
    isDigits(secret) ? 'Choose digits that mean nothing' : 'Choose a few unrelated words',
  );
};
