import { createReadStream, createWriteStream } from 'node:fs';
import { open } from 'node:fs/promises';
import { Readable, type Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { InputError } from '../../core/base/errors';

/** The ending of an encrypted backup. */
export const AGE_ENDING = '.age';
/**
 * The cost of one guess at the passphrase, as a power of two. Basis: memory; a second here, and
 * passphrases that are easy to guess are refused before.
 */
const SCRYPT_LOG_N = 16;

const asNode = (stream: ReadableStream<Uint8Array>): Readable => Readable.fromWeb(stream as never);
const asWeb = (path: string): ReadableStream<Uint8Array> =>
  Readable.toWeb(createReadStream(path)) as ReadableStream<Uint8Array>;

const MAGIC = 'age-encryption.org/v1';

/** Whether a file begins as one of the age format does; false for one that is not there. */
export const startsAsAge = async (path: string): Promise<boolean> => {
  const file = await open(path, 'r').catch(() => null);
  if (file === null) return false;
  try {
    const { buffer, bytesRead } = await file.read(Buffer.alloc(MAGIC.length), 0, MAGIC.length, 0);
    return buffer.subarray(0, bytesRead).toString('latin1') === MAGIC;
  } finally {
    await file.close();
  }
};

/** Encrypts a file by a passphrase in the age format (age-encryption.org/v1, scrypt recipient). */
export const encryptFile = async (from: string, to: string, passphrase: string): Promise<void> => {
  const { Encrypter } = await import('age-encryption');
  const encrypter = new Encrypter();
  encrypter.setScryptWorkFactor(SCRYPT_LOG_N);
  encrypter.setPassphrase(passphrase);
  await pipeline(
    asNode(await encrypter.encrypt(asWeb(from))),
    createWriteStream(to, { flush: true, mode: 0o600 }),
  );
};

const wrong = (): InputError =>
  new InputError(
    'passphrase',
    'The backup is encrypted, and this passphrase does not open it.',
    'Enter the passphrase it was made with',
  );

/**
 * Decrypts a file of the age format. Throws `InputError` for a wrong passphrase, none, or a file
 * that was changed; `bound` ends one that is larger than there is room for.
 */
export const decryptFile = async (
  from: string,
  to: string,
  passphrase: string | null,
  bound: Transform,
): Promise<void> => {
  if (passphrase === null) throw wrong();
  const { Decrypter } = await import('age-encryption');
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  let plain: ReadableStream<Uint8Array>;
  try {
    plain = await decrypter.decrypt(asWeb(from));
  } catch {
    throw wrong();
  }
  try {
    await pipeline(asNode(plain), bound, createWriteStream(to, { flush: true, mode: 0o600 }));
  } catch (error) {
    if (error instanceof InputError || (error as NodeJS.ErrnoException).code === 'ENOSPC')
      throw error;
    throw new InputError(
      'backup',
      'The encrypted backup was changed or cut off.',
      'Choose a complete backup',
    );
  }
};
