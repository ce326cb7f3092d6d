import compression from 'compression';
import type { RequestHandler, Response } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { loopbackNamesOnly, nobody } from './auth/access';
import { passphraseGate } from './auth/passphrase';
import { hasBody } from './body-watch';
import type { AuthStore } from './db/auth-store';
import { DatabaseGone } from './errors';

/** A stream goes on for as long as someone listens: each line leaves at once. */
const isStream = (res: Response): boolean =>
  /event-stream|x-ndjson/.test(String(res.getHeader('content-type')));

/** Methods that change nothing. */
const READS: readonly string[] = ['GET', 'HEAD', 'OPTIONS'];

/** Security headers. */
export const headers = (): RequestHandler =>
  helmet({
    contentSecurityPolicy: {
      directives: {
        'upgrade-insecure-requests': null,
        // An unsent photo is shown from the browser's own store.
        'img-src': ["'self'", 'data:', 'blob:'],
        'style-src': ["'self'", "'unsafe-inline'"],
      },
    },
    strictTransportSecurity: false,
  });

/** Compresses everything but streams. */
export const compressed = (): RequestHandler =>
  compression({ filter: (req, res) => !isStream(res) && compression.filter(req, res) });

/** The ways the shop is reached from outside. */
interface Reach {
  passphrase?: string | undefined;
  isReachable?: boolean;
  logger: Logger;
}

/** Asks for the shop's passphrase, or for a name of this computer, while sign-in is off. */
export const outerGate = (
  auth: AuthStore,
  { passphrase, logger, isReachable = false }: Reach,
): RequestHandler => {
  const asked = passphrase
    ? passphraseGate(passphrase, logger)
    : isReachable
      ? nobody
      : loopbackNamesOnly;
  return (req, res, next) => {
    // Sign-in takes the place of the passphrase, and the names of other computers reach it then.
    if (auth.areClosed() && asked !== loopbackNamesOnly) return next();
    return asked(req, res, next);
  };
};

/** Refuses writes when the database's file is no longer the one that was opened. */
export const fileStillHere =
  (isHere: () => boolean): RequestHandler =>
  (req, _res, next) =>
    next(isHere() || READS.includes(req.method) ? undefined : new DatabaseGone());

/** No cache on the way keeps an answer, and no browser shows it without asking again. */
export const ownOnly: RequestHandler = (_req, res, next) => {
  res.set('Cache-Control', 'private, no-cache');
  next();
};

/**
 * Asks a gate once the body is whole; a route that reads its own body, such as a file, asks it
 * there.
 */
export const onceWhole =
  (gate: RequestHandler): RequestHandler =>
  (req, res, next) =>
    req.complete || !hasBody(req) ? gate(req, res, next) : next();
