import type { RequestHandler } from 'express';
import { mayDo, whoMay } from '../../core/shop/auth';
import type { AuthStore } from '../db/auth-store';
import type { CalendarKey } from './calendar-key';
import { NotAllowed, NotSignedIn } from '../errors';
import { meOf, setMe, type SignedIn } from './me';
import { isConfirmNeeded, rightFor } from './rights';
import { tokenOf } from './session-cookie';

/** The lifetime of a proof of identity. Basis: memory. */
const CONFIRMED_MINUTES = 5;

/** Whether someone proved of late who they are, by their secret or a passkey. */
export const isConfirmed = ({ confirmedMs }: SignedIn, nowMs: number): boolean =>
  confirmedMs !== null && nowMs >= confirmedMs && nowMs - confirmedMs < CONFIRMED_MINUTES * 60_000;

/**
 * Lets no one in who is not signed in, or may not do what is asked for; stands before all of `/api`
 * that is not about signing in. What streams to someone ends with the session.
 */
export const signedInOnly =
  (auth: AuthStore, calendar: CalendarKey): RequestHandler =>
  (req, res, next) => {
    if (!auth.areClosed() || calendar.isBrought(req)) return next();
    const token = tokenOf(req);
    const me = token === null ? null : auth.byToken(token, Date.now());
    if (me === null)
      return next(new NotSignedIn('session', 'No one is signed in here.', 'Sign in first'));
    if (me.isLocked)
      return next(new NotSignedIn('lock', `The screen of ${me.who} is locked.`, 'Unlock it first'));
    const right = rightFor(req.method, req.path);
    if (!mayDo(me.role, right))
      return next(
        new NotAllowed(
          'role',
          `${me.who} is signed in as ${me.role} and can’t do this.`,
          `Ask ${whoMay(right)}`,
        ),
      );
    if (isConfirmNeeded(req.method, req.path) && !isConfirmed(me, Date.now()))
      return next(
        new NotSignedIn(
          'confirm',
          'This needs your PIN or passphrase again.',
          `Enter that of ${me.who}, or use a passkey`,
        ),
      );
    setMe(req, me);
    res.once(
      'close',
      auth.whenEnded(me.id, () => res.end()),
    );
    next();
  };

/** The names in which something is to be written. */
const namesIn = (body: unknown): unknown[] => {
  if (typeof body !== 'object' || body === null) return [];
  const { who, entries } = body as { who?: unknown; entries?: unknown };
  const ofEntries = Array.isArray(entries)
    ? entries.map((e: { who?: unknown } | null) => e?.who)
    : [];
  return [who, ...ofEntries].filter((name) => name !== undefined);
};

/** Refuses a write in another name than that of the person signed in. */
export const inOwnName: RequestHandler = (req, _res, next) => {
  const me = meOf(req);
  const other = me && namesIn(req.body).find((name) => name !== me.who);
  if (!me || other === undefined || other === null) return next();
  next(
    new NotAllowed(
      'who',
      `This is in the name of ${String(other).slice(0, 60)}, and ${me.who} is signed in here.`,
      `Write it as ${me.who}, or switch to the other person first`,
    ),
  );
};
