import type { Request } from 'express';
import type { AuthStore } from '../db/auth-store';
import type { SignedIn } from './me';
import { NotSignedIn } from '../errors';
import { checkRight } from './permission-checks';
import { tokenOf } from './session-cookie';
import { isConfirmed } from './signed-in';

/**
 * Identifies the person who asks, for the routes about signing in itself, which stand before
 * `signedInOnly`.
 */
export const whoAsks = (auth: AuthStore) => {
  const found = (req: Request): SignedIn | null => {
    const token = tokenOf(req);
    return token === null ? null : auth.byToken(token, Date.now());
  };
  const known = (req: Request): SignedIn => {
    const me = found(req);
    if (!me) throw new NotSignedIn('session', 'No one is signed in here.', 'Sign in first');
    return me;
  };
  const open = (req: Request): SignedIn => {
    const me = known(req);
    if (me.isLocked)
      throw new NotSignedIn('lock', `The screen of ${me.who} is locked.`, 'Unlock it first');
    return me;
  };
  const owner = (req: Request, what: string): SignedIn => {
    const me = open(req);
    checkRight(me, 'govern', what);
    return me;
  };
  return {
    /** The session of a request, locked or not; null when there is none. */
    found,
    /** As `found`; throws `NotSignedIn` without a session. */
    known,
    /** As `known`; throws `NotSignedIn` for a locked session. */
    open,
    /** As `open`; throws `NotAllowed` for anyone but an owner. */
    owner,
    /** As `owner`; throws `NotSignedIn` unless they proved of late who they are. */
    provedOwner(req: Request, what: string): SignedIn {
      const me = owner(req, what);
      if (!isConfirmed(me, Date.now()))
        throw new NotSignedIn(
          'confirm',
          'This needs your PIN or passphrase again.',
          `Enter that of ${me.who}, or use a passkey`,
        );
      return me;
    },
  };
};
export type WhoAsks = ReturnType<typeof whoAsks>;
