import type { RequestHandler } from 'express';

const READS = ['GET', 'HEAD', 'OPTIONS'];

/** The host of an origin; null for one that has none (`null`, a file, a sandbox). */
const hostOf = (origin: string): string | null =>
  URL.canParse(origin) ? new URL(origin).host : null;

/**
 * Whether a page of another origin asks. Browsers say so by themselves and pages cannot change it;
 * what is no browser says nothing. Source: W3C Fetch Metadata Request Headers, `Sec-Fetch-Site`;
 * RFC 6454, `Origin`.
 */
const isForeign = (
  site: string | undefined,
  origin: string | undefined,
  host: string | undefined,
): boolean => {
  if (site !== undefined) return site !== 'same-origin' && site !== 'none';
  return origin !== undefined && hostOf(origin) !== host;
};

/** Nothing is written for a page that is not the shop's own. */
export const ownPagesWrite: RequestHandler = (req, res, next) => {
  const site = req.headers['sec-fetch-site'];
  if (
    READS.includes(req.method) ||
    !isForeign(site?.toString(), req.headers.origin, req.headers.host)
  )
    return next();
  res
    .status(403)
    .json({
      error: {
        field: 'origin',
        message: 'A page of another address asks to write here.',
        expected: 'the shop’s own page',
      },
    });
};
