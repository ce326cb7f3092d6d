import { randomBytes, scrypt, timingSafeEqual } from 'node:crypto';
import { promisify } from 'node:util';

/** The cost of trying one secret. */
interface Cost {
  logN: number;
  block: number;
  parallel: number;
}

/** Source: OWASP Password Storage Cheat Sheet, scrypt with N = 2^14, r = 8, p = 5 (RFC 7914). */
const COST: Cost = { logN: 14, block: 8, parallel: 5 };
const BYTES = 32;
const SALT_BYTES = 16;

const derive = promisify<string, Buffer, number, object, Buffer>(scrypt);

const made = (secret: string, salt: Buffer, { logN, block, parallel }: Cost): Promise<Buffer> =>
  // The same letters, however a keyboard puts them together.
  derive(secret.normalize('NFKC'), salt, BYTES, { N: 2 ** logN, r: block, p: parallel });

const written = ({ logN, block, parallel }: Cost, salt: Buffer, hash: Buffer): string =>
  ['scrypt', logN, block, parallel, salt.toString('base64'), hash.toString('base64')].join('$');

/** Hashes a PIN or passphrase, with its cost: `scrypt$14$8$5$salt$hash`. */
export const hashSecret = async (secret: string, cost = COST): Promise<string> => {
  const salt = randomBytes(SALT_BYTES);
  return written(cost, salt, await made(secret, salt, cost));
};

/** So that a name no one has takes as long as a wrong secret. */
const NOBODYS = written(COST, Buffer.alloc(SALT_BYTES), Buffer.alloc(BYTES));

/**
 * Whether a secret is the one that was kept; never for someone of whom nothing is kept, after the
 * same time.
 */
export const isSecret = async (secret: string, kept: string | null): Promise<boolean> => {
  const [, logN, block, parallel, salt = '', hash = ''] = (kept ?? NOBODYS).split('$');
  const cost = { logN: Number(logN), block: Number(block), parallel: Number(parallel) };
  const brought = await made(secret, Buffer.from(salt, 'base64'), cost);
  return timingSafeEqual(brought, Buffer.from(hash, 'base64')) && kept !== null;
};
