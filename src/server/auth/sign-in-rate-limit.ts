import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Request, Response } from 'express';
import { counted } from '../../core/base/units';

/**
 * Wrong tries, after which there is a wait. Source: OWASP ASVS 4.0.3, 2.2.1, asks for a limit; this
 * one from memory.
 */
export const MAX_WRONG = 10;
export const WAIT_MINUTES = 15;
export const addressOf = (req: Request): string => ipKeyGenerator(req.ip ?? '');

/** The instruction after too many wrong tries. */
export const WAIT_WORDS = `Try again in ${counted(WAIT_MINUTES, 'minute')}`;

/**
 * Counts wrong tries by a key (an address, a person). After so many the key waits, whatever it
 * brings: else the right one among many guesses would still be told.
 */
export const signInRateLimit = (keyOf: (req: Request) => string, most = MAX_WRONG) => {
  const count = rateLimit({
    windowMs: WAIT_MINUTES * 60_000,
    limit: most,
    keyGenerator: keyOf,
    legacyHeaders: false,
    // The refusal is up to the caller.
    handler: (_req, _res, next) => next(),
  });
  return {
    async waits(req: Request): Promise<boolean> {
      const tried = await count.getKey(keyOf(req));
      return (
        tried !== undefined &&
        tried.totalHits >= most &&
        (tried.resetTime?.getTime() ?? 0) > Date.now()
      );
    },
    wrong: (req: Request, res: Response): Promise<void> =>
      new Promise((done) => void count(req, res, () => done())),
  };
};
