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
