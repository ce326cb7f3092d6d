import type { Right } from '../../core/shop/auth';

/**
 * The right that a request needs: its method, its address under `/api` with `:x` for any one part,
 * and the right.
 */
export type Needed = readonly [method: string, address: string, right: Right];

/**
 * The addresses that need more than the right to read. What stands nowhere here is for reading,
 * where it only reads, and for owners where it writes: a new address is closed until it is named.
 */
export const NEEDED: readonly Needed[] = [
  ['POST', '/jobs', 'trade'],
  ['POST', '/jobs/:id/entries', 'work'],
  ['POST', '/visits', 'trade'],
  ['POST', '/visits/:id/entries', 'trade'],
  ['POST', '/photos', 'work'],
  ['PUT', '/live/here', 'read'],
  ['POST', '/workings/:name', 'read'],
  ['POST', '/devices/lines', 'work'],
  ['PUT', '/devices/:name/hold', 'practice'],
  ['PUT', '/devices/:name/fail', 'practice'],
  ['DELETE', '/devices/:name', 'work'],
  ['POST', '/practice', 'practice'],
  ['GET', '/practice/shown', 'trade'],
  ['PUT', '/practice/shown', 'practice'],
  ['PUT', '/people/:name/pace', 'work'],
  ['POST', '/machines', 'trade'],
  ['POST', '/records/:kind', 'trade'],
  ['PUT', '/records/:kind/:id', 'trade'],
  ['POST', '/records/:kind/import', 'trade'],
  ['POST', '/orders', 'trade'],
  ['POST', '/orders/:id/received', 'trade'],
  ['POST', '/orders/:id/called-off', 'trade'],
  ['POST', '/rechecks/:id/looked', 'work'],
  ['PUT', '/shop/name', 'govern'],
  ['PUT', '/rules/:key', 'govern'],
  ['POST', '/people', 'govern'],
  ['PUT', '/people/:name/way-in', 'govern'],
  ['GET', '/people', 'govern'],
  ['GET', '/calendar-key', 'trade'],
  ['POST', '/calendar-key', 'govern'],
  ['GET', '/changes', 'govern'],
  ['GET', '/changes.csv', 'govern'],
  ['GET', '/exchange/shop', 'govern'],
  ['PUT', '/exchange/brought', 'govern'],
  ['POST', '/exchange/brought/:id/take-in', 'govern'],
  ['DELETE', '/exchange/brought/:id', 'govern'],
  ['GET', '/riders', 'govern'],
  ['GET', '/riders/file', 'govern'],
  ['POST', '/riders/forget', 'govern'],
  ['GET', '/backups', 'read'],
  ['PUT', '/backups/passphrase', 'govern'],
  ['PUT', '/backups/second-folder', 'govern'],
  ['POST', '/backups/test', 'govern'],
  ['GET', '/backups/:name', 'govern'],
  ['POST', '/backups', 'govern'],
  ['PUT', '/backups/brought-in', 'govern'],
  ['POST', '/backups/:name/look', 'govern'],
  ['POST', '/backups/:name/restore', 'govern'],
];

/**
 * The requests for which an owner proves again who they are: they cannot be taken back, or let
 * others in.
 */
export const CONFIRMED: readonly (readonly [method: string, address: string])[] = [
  ['POST', '/backups/:name/restore'],
  ['POST', '/exchange/brought/:id/take-in'],
  ['POST', '/riders/forget'],
  ['PUT', '/people/:name/way-in'],
  ['POST', '/calendar-key'],
  ['PUT', '/backups/passphrase'],
  ['PUT', '/backups/second-folder'],
];

const READS: readonly string[] = ['GET', 'HEAD'];

/** Addresses mean the same to the router in capitals, and with a slash at their end. */
const patternOf = (address: string): RegExp =>
  new RegExp(`^${address.replace(/:\w+/g, '[^/]+')}/?$`, 'i');

const PATTERNS = NEEDED.map(([method, address, right]) => ({
  method,
  right,
  pattern: patternOf(address),
}));
const CONFIRMED_PATTERNS = CONFIRMED.map(([method, address]) => ({
  method,
  pattern: patternOf(address),
}));

/** Whether a request needs its person to have proved of late who they are. */
export const isConfirmNeeded = (method: string, path: string): boolean =>
  CONFIRMED_PATTERNS.some((c) => c.method === method && c.pattern.test(path));

/** The right that a request needs, by its method and its address under `/api`. */
export const rightFor = (method: string, path: string): Right => {
  const asked = method === 'HEAD' ? 'GET' : method;
  const found = PATTERNS.find((n) => n.method === asked && n.pattern.test(path));
  return found?.right ?? (READS.includes(method) ? 'read' : 'govern');
};
