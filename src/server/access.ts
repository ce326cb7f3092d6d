import { createHash, timingSafeEqual } from 'node:crypto';
import type { RequestHandler } from 'express';

const LOOPBACK = new Set(['localhost', '127.0.0.1', '[::1]', '::1']);

/** True for an address that only this machine can reach. */
export const isLoopback = (host: string): boolean => LOOPBACK.has(host) || /^127\.\d+\.\d+\.\d+$/.test(host);

/** On loopback, a page of another name must not reach the shop through the browser. */
export const loopbackNamesOnly: RequestHandler = (req, res, next) => {
  if (isLoopback(req.hostname) || req.hostname === undefined) return next();
  res
    .status(403)
    .json({
      error: { field: 'host', message: 'This address is not served here.', expected: 'localhost or 127.0.0.1' },
    });
};

const digest = (text: string) => createHash('sha256').update(text).digest();

/** Asks for the shop's passphrase by HTTP Basic (RFC 7617); any user name will do. */
export const passphraseGate = (passphrase: string): RequestHandler => {
  const right = digest(passphrase);
  return (req, res, next) => {
    const [scheme, token = ''] = (req.headers.authorization ?? '').split(' ');
    const given = Buffer.from(token, 'base64').toString('utf8').split(':').slice(1).join(':');
    if (scheme?.toLowerCase() === 'basic' && timingSafeEqual(digest(given), right)) return next();
    res
      .status(401)
      .set('WWW-Authenticate', 'Basic realm="Tough Rimstone", charset="UTF-8"')
      .json({
        error: {
          field: 'authorization',
          message: 'The passphrase is missing or wrong.',
          expected: 'the shop’s passphrase',
        },
      });
  };
};
