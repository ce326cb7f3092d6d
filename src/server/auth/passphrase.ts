import { createHash, timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { addressOf, signInRateLimit, WAIT_WORDS } from './sign-in-rate-limit';

const digest = (text: string) => createHash('sha256').update(text).digest();

/** The passphrase that a request brings; null where it brings none. */
const broughtBy = (req: Request): string | null => {
  const [scheme, token = ''] = (req.headers.authorization ?? '').split(' ');
  if (scheme?.toLowerCase() !== 'basic') return null;
  return Buffer.from(token, 'base64').toString('utf8').split(':').slice(1).join(':');
};

const refused = (res: Response, status: 401 | 429, message: string, expected: string): void =>
  void res.status(status).json({ error: { field: 'authorization', message, expected } });

/**
 * Asks for the shop's passphrase by HTTP Basic (RFC 7617), any user name will do. After so many
 * wrong ones their address waits.
 */
export const passphraseGate = (passphrase: string, logger: Logger): RequestHandler => {
  const right = digest(passphrase);
  const tooMany = (res: Response) =>
    refused(res, 429, 'Too many wrong passphrases came from here.', WAIT_WORDS);
  const guesses = signInRateLimit(addressOf);
  return async (req, res, next) => {
    const challenge = () =>
      res.set('WWW-Authenticate', 'Basic realm="Tough Rimstone", charset="UTF-8"');
    const brought = broughtBy(req);
    if (brought === null) {
      challenge();
      return refused(res, 401, 'The passphrase is missing.', 'Enter the shop’s passphrase');
    }
    if (await guesses.waits(req)) return tooMany(res);
    if (timingSafeEqual(digest(brought), right)) return next();
    logger.warn({ from: req.ip }, 'a wrong passphrase');
    await guesses.wrong(req, res);
    challenge();
    refused(res, 401, 'The passphrase is wrong.', 'Enter the shop’s passphrase');
  };
};
