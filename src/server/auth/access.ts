import type { RequestHandler } from 'express';

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]', '::1']);

/** True for an address that only this machine can reach. */
export const isLoopback = (host: string): boolean =>
  LOOPBACK.has(host) || /^127\.\d+\.\d+\.\d+$/.test(host);

/** On loopback, a page of another name must not reach the shop through the browser. */
export const loopbackNamesOnly: RequestHandler = (req, res, next) => {
  if (isLoopback(req.hostname) || req.hostname === undefined) return next();
  res
    .status(403)
    .json({
      error: {
        field: 'host',
        message: 'This address is not served here.',
        expected: 'Open it as localhost or 127.0.0.1',
      },
    });
};

/**
 * A shop that other machines reach, where neither people sign in nor a passphrase is asked for: a
 * restored one, say.
 */
export const nobody: RequestHandler = (_req, res) => {
  res
    .status(403)
    .json({
      error: {
        field: 'people',
        message:
          'Sign-in is off and this shop can be reached from other machines, so it answers no one.',
        expected: 'Start it on the shop computer and set up an owner',
      },
    });
};
