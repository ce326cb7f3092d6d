import { randomBytes } from 'node:crypto';
import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, Response } from 'express';

const TOKEN_BYTES = 32;
/** As long as browsers keep a cookie at most. Source: RFC 6265bis, 5.5: 400 days. */
const KEEP_S = 400 * 86_400;

const nameFor = (req: Request): string =>
  req.secure ? '__Host-rimstone-device' : 'rimstone-device';

/**
 * The token by which a browser is known again; null for one that has never signed in. It signs no
 * one in.
 */
export const deviceTokenOf = (req: Request): string | null =>
  parseCookie(req.headers.cookie ?? '')[nameFor(req)] || null;

/** Hands the browser its token, a new one if it has none, and returns it. */
export const giveDeviceToken = (req: Request, res: Response): string => {
  const token = deviceTokenOf(req) ?? randomBytes(TOKEN_BYTES).toString('base64url');
  res.append(
    'Set-Cookie',
    stringifySetCookie({
      name: nameFor(req),
      value: token,
      httpOnly: true,
      sameSite: 'strict',
      secure: req.secure,
      path: '/',
      maxAge: KEEP_S,
    }),
  );
  return token;
};
