import { parseCookie, stringifySetCookie } from 'cookie';
import type { Request, Response } from 'express';

/**
 * With TLS the name itself says that it came over it. Source: RFC 6265bis, 4.1.3, name prefixes.
 */
const nameFor = (req: Request): string => (req.secure ? '__Host-rimstone' : 'rimstone');

/** The session's token that a request brings; null where it brings none. */
export const tokenOf = (req: Request): string | null =>
  parseCookie(req.headers.cookie ?? '')[nameFor(req)] || null;

/** Hands the token to the browser, that shows it to no script; null takes it away. */
export const giveToken = (req: Request, res: Response, token: string | null, days = 0): void =>
  void res.append(
    'Set-Cookie',
    stringifySetCookie({
      name: nameFor(req),
      value: token ?? '',
      httpOnly: true,
      sameSite: 'strict',
      secure: req.secure,
      path: '/',
      maxAge: token === null ? 0 : days * 86_400,
    }),
  );
