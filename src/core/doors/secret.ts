import { InputError } from '../errors';
import type { Role } from './roles';

/** Fewer letters are guessed. Source: OWASP ASVS 4.0.3, 2.1.1. */
export const LEAST_LETTERS = 12;
/** So many different ones at least: not a key held down. Basis: memory. */
const LEAST_DIFFERENT = 5;
/** Longer ones are refused rather than cut off. Source: OWASP ASVS 4.0.3, 2.1.2. */
export const MOST_LETTERS = 128;

/** A PIN has so many digits at least. Basis: memory; with the wait after wrong ones, years of guessing. */
export const LEAST_DIGITS = 6;
const LEAST_DIFFERENT_DIGITS = 3;

/** Why a passphrase will not do, as a sentence; null where it will. */
export const weakness = (passphrase: string): string | null => {
  const letters = [...passphrase];
  if (letters.length < LEAST_LETTERS) return `It has fewer than ${LEAST_LETTERS} letters.`;
  if (letters.length > MOST_LETTERS) return `It has more than ${MOST_LETTERS} letters.`;
  if (new Set(passphrase.toLowerCase()).size < LEAST_DIFFERENT)
    return 'It is the same few letters again and again.';
  return null;
};

/** 123456, 987654, 024680: each digit as far from the one before. */
const isRun = (digits: readonly number[]): boolean => {
  const steps = digits.slice(1).map((d, i) => (d - digits[i]! + 10) % 10);
  return new Set(steps).size === 1;
};

const isDigits = (text: string): boolean => /^\d+$/.test(text);

const pinWeakness = (pin: string): string | null => {
  if (pin.length < LEAST_DIGITS) return `It has fewer than ${LEAST_DIGITS} digits.`;
  const digits = [...pin].map(Number);
  if (new Set(digits).size < LEAST_DIFFERENT_DIGITS)
    return 'It is the same one or two digits again and again.';
  if (isRun(digits)) return 'Its digits follow one another.';
  return null;
};

/**
 * Throws `InputError` where a secret can be guessed: a PIN of digits for who works at the bench, a passphrase for an
 * owner, who can do everything.
 */
export const checkSecret = (secret: string, role: Role): void => {
  const isPin = isDigits(secret) && [...secret].length < LEAST_LETTERS;
  if (role === 'owner') {
    const weak = isPin ? 'It is a PIN, and an owner can do everything.' : weakness(secret);
    if (weak)
      throw new InputError('secret', weak, `a passphrase of ${LEAST_LETTERS} letters or more`);
    return;
  }
  const weak = isPin ? pinWeakness(secret) : weakness(secret);
  if (weak)
    throw new InputError(
      'secret',
      weak,
      `a PIN of ${LEAST_DIGITS} digits or more, or a passphrase of ${LEAST_LETTERS} letters or more`,
    );
};
