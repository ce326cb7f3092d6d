import { scryptSync } from 'node:crypto';

/**
 * Takes the place of the packaged scrypt in unit tests: Node's own gives the same keys in a tenth
 * of the time. The browser tests and the shop itself use the packaged one.
 */
export const scrypt = (
  password: Uint8Array,
  salt: Uint8Array,
  { N, r, p, dkLen }: { N: number; r: number; p: number; dkLen: number },
): Uint8Array =>
  new Uint8Array(scryptSync(password, salt, dkLen, { N, r, p, maxmem: 256 * N * r }));

/** The same, as a promise. */
export const scryptAsync = async (...args: Parameters<typeof scrypt>): Promise<Uint8Array> =>
  scrypt(...args);
