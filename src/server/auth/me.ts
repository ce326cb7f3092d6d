import type { Request } from 'express';
import type { Role } from '../../core/shop/auth';

/** A person who is signed in. */
export interface SignedIn {
  id: string;
  who: string;
  role: Role;
  isLocked: boolean;
  /**
   * When they last proved who they are, by their secret or a passkey, ms since 1970; null if by a
   * code only.
   */
  confirmedMs: number | null;
}

const signedIn = new WeakMap<Request, SignedIn>();

/** The person who asks; null while sign-in is off. */
export const meOf = (req: Request): SignedIn | null => signedIn.get(req) ?? null;

export const setMe = (req: Request, me: SignedIn): void => void signedIn.set(req, me);
