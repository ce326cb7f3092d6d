import type { Role } from './roles';

/** The person signed in at this browser. */
interface Me {
  who: string;
  role: Role;
  /** The screen is locked: nothing is answered until the PIN or passphrase is given again. */
  isLocked: boolean;
}

/** The state of sign-in for the person who asks. */
export interface AuthStatus {
  /** Whether people sign in here; without, everyone who reaches the shop may do everything. */
  areClosed: boolean;
  me: Me | null;
  /** The people who can sign in. */
  people: string[];
  /** The screen locks after so many minutes without a hand on it. */
  lockAfterMinutes: number;
  /**
   * When a rider was forgotten last, ISO 8601: what a browser saw before is to be forgotten too.
   * Null where none was.
   */
  forgottenAt: string | null;
}

/** A person and how they come in. */
export interface Person {
  name: string;
  role: Role;
  /** Whether there is a PIN or passphrase. */
  canSignIn: boolean;
}

/** One browser in which someone is signed in. */
export interface Session {
  id: string;
  who: string;
  begunAt: string;
  seenAt: string;
  endsAt: string;
  isLocked: boolean;
  /** The browser and the address that it came from. */
  from: string;
  /** The one that asks. */
  isThis: boolean;
}

/** A passkey of a person, without its key. */
export interface Passkey {
  id: string;
  label: string;
  /** ISO 8601; `usedAt` null before its first use. */
  addedAt: string;
  usedAt: string | null;
}

/** Wrong tries to sign in as one person from one device or address. */
export interface Guessing {
  id: number;
  who: string;
  /** The kind of device and the address they came from. */
  from: string;
  /** From a device in which this person has signed in before. */
  isKnown: boolean;
  wrong: number;
  /** ISO 8601. */
  lastAt: string;
  isBlocked: boolean;
}
