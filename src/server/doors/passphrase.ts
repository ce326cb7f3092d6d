import { createHash, timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler, Response } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Logger } from 'pino';
import { counted } from '../../core/units';

/** Fewer letters are guessed. Source: OWASP ASVS 4.0.3, 2.1.1. */
export const LEAST_LETTERS = 12;
/** So many different ones at least: not a key held down. Basis: memory. */
const LEAST_DIFFERENT = 5;

/** Wrong tries of one address, after which it waits. Source: OWASP ASVS 4.0.3, 2.2.1, asks for a limit; this one from memory. */
export const MOST_WRONG = 10;
export const WAIT_MINUTES = 15;

/** Why a passphrase will not do, as a sentence; null where it will. */
export const weakness = (passphrase: string): string | null => {
  if ([...passphrase].length < LEAST_LETTERS) return `It has fewer than ${LEAST_LETTERS} letters.`;
  if (new Set(passphrase.toLowerCase()).size < LEAST_DIFFERENT) return 'It is the same few letters again and again.';
  return null;
};

const digest = (text: string) => createHash('sha256').update(text).digest();

/** The passphrase that a request brings; null where it brings none. */
const broughtBy = (req: Request): string | null => {
  const [scheme, token = ''] = (req.headers.authorization ?? '').split(' ');
  if (scheme?.toLowerCase() !== 'basic') return null;
  return Buffer.from(token, 'base64').toString('utf8').split(':').slice(1).join(':');
};

const refused = (res: Response, status: 401 | 429, message: string, expected: string): void =>
  void res.status(status).json({ error: { field: 'authorization', message, expected } });

const addressOf = (req: Request): string => ipKeyGenerator(req.ip ?? '');

/**
 * Asks for the shop's passphrase by HTTP Basic (RFC 7617), any user name will do. After so many wrong ones their address
 * waits, whatever it brings: else the right one among many guesses would still be told.
 */
export const passphraseGate = (passphrase: string, logger: Logger): RequestHandler => {
  const right = digest(passphrase);
  const tooMany = (res: Response) =>
    refused(
      res,
      429,
      'Too many wrong passphrases came from here.',
      `to try again once ${counted(WAIT_MINUTES, 'minute')} are over`,
    );
  const countWrong = rateLimit({
    windowMs: WAIT_MINUTES * 60_000,
    limit: MOST_WRONG,
    keyGenerator: addressOf,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    handler: (_req, res) => tooMany(res),
  });
  const waits = async (req: Request): Promise<boolean> => {
    const tried = await countWrong.getKey(addressOf(req));
    return tried !== undefined && tried.totalHits >= MOST_WRONG && (tried.resetTime?.getTime() ?? 0) > Date.now();
  };
  return async (req, res, next) => {
    const challenge = () => res.set('WWW-Authenticate', 'Basic realm="Tough Rimstone", charset="UTF-8"');
    const brought = broughtBy(req);
    if (brought === null) {
      challenge();
      return refused(res, 401, 'The passphrase is missing.', 'the shop’s passphrase');
    }
    if (await waits(req)) return tooMany(res);
    if (timingSafeEqual(digest(brought), right)) return next();
    logger.warn({ from: req.socket.remoteAddress }, 'a wrong passphrase');
    return countWrong(req, res, () => {
      challenge();
      refused(res, 401, 'The passphrase is wrong.', 'the shop’s passphrase');
    });
  };
};
