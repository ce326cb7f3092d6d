import { InputError } from '../../base/errors';
import type { Role } from './roles';

/** Fewer letters are guessed. Source: OWASP ASVS 4.0.3, 2.1.1. */
export const MIN_LETTERS = 12;
/** So many different ones at least: not a key held down. Basis: memory. */
const MIN_DIFFERENT = 5;
/** Longer ones are refused rather than cut off. Source: OWASP ASVS 4.0.3, 2.1.2. */
export const MAX_LETTERS = 128;

/**
 * A PIN has so many digits at least. Basis: memory; with the wait after wrong ones, years of
 * guessing.
 */
export const MIN_DIGITS = 6;
const MIN_DIFFERENT_DIGITS = 3;

/** Why a passphrase will not do, as a sentence; null where it will. */
export const weakness = (passphrase: string): string | null => {
  const letters = [...passphrase];
  if (letters.length < MIN_LETTERS) return `It has fewer than ${MIN_LETTERS} characters.`;
  if (letters.length > MAX_LETTERS) return `It has more than ${MAX_LETTERS} characters.`;
  if (new Set(passphrase.toLowerCase()).size < MIN_DIFFERENT)
    return 'It repeats the same few characters.';
  return null;
};

/** 123456, 987654, 024680: each digit as far from the one before. */
const isRun = (digits: readonly number[]): boolean => {
  const steps = digits.slice(1).map((d, i) => (d - digits[i]! + 10) % 10);
  return new Set(steps).size === 1;
};

const isDigits = (text: string): boolean => /^\d+$/.test(text);

const pinWeakness = (pin: string): string | null => {
  if (pin.length < MIN_DIGITS) return `It has fewer than ${MIN_DIGITS} digits.`;
  const digits = [...pin].map(Number);
  if (new Set(digits).size < MIN_DIFFERENT_DIGITS)
    return 'It is the same one or two digits again and again.';
  if (isRun(digits)) return 'Its digits run in order.';
  return null;
};

/**
 * Throws `InputError` where a secret can be guessed: a PIN of digits for who works at the bench, a
 * passphrase for an owner, who can do everything.
 */
export const checkSecret = (secret: string, role: Role): void => {
  const isPin = isDigits(secret) && [...secret].length < MIN_LETTERS;
  if (role === 'owner') {
    const weak = isPin ? 'It is a PIN, and an owner can do everything.' : weakness(secret);
    if (weak)
      throw new InputError(
        'secret',
        weak,
        `Enter a passphrase of ${MIN_LETTERS} characters or more`,
      );
    return;
  }
  const weak = isPin ? pinWeakness(secret) : weakness(secret);
  if (weak)
    throw new InputError(
      'secret',
      weak,
      `Enter a PIN of ${MIN_DIGITS} digits or more, or a passphrase of ${MIN_LETTERS} characters or more`,
    );
};
