import type { Role } from './roles';

/** Who is signed in at this browser. */
export interface Me {
  who: string;
  role: Role;
  /** The screen is locked: nothing is answered until the PIN or passphrase is given again. */
  isLocked: boolean;
}

/** How the shop's doors stand to whoever asks. */
export interface Doors {
  /** Whether people sign in here; without, everybody who reaches the shop may do everything. */
  areClosed: boolean;
  me: Me | null;
  /** Who can sign in. */
  people: string[];
  /** The screen locks after so many minutes without a hand on it. */
  lockAfterMinutes: number;
  /** When a rider was forgotten last, ISO 8601: what a browser saw before is to be forgotten too. Null where none was. */
  forgottenAt: string | null;
}

/** A person and how they come in. */
export interface Person {
  name: string;
  role: Role;
  /** Whether there is a PIN or passphrase. */
  canSignIn: boolean;
}

/** One browser in which somebody is signed in. */
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
