import Database from 'better-sqlite3';
import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir, rm } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import type { Readable } from 'node:stream';
import { Transform } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { openPromise, type Entry as ZipEntry, type ZipFile } from 'yauzl';
import type { Holdings } from '../../core/reports/backup';
import { InputError } from '../../core/base/errors';
import { checkFile, DatabaseUnusable, SCHEMA_VERSION } from '../db/open-db';
import { isTooDeep } from '../json-depth';
import { contentOf, entriesOf, smallFile } from '../read-zip';
import { holdingsOf } from './holdings';
import { isPicture } from '../photo-clean';
import { decryptFile, startsAsAge } from './encryption';
import { atMost, freeBytes, tooLarge } from './on-disk';
import {
  DB_NAME,
  MANIFEST_NAME,
  MANIFEST_SUM_NAME,
  PHOTO_FOLDER,
  readManifest,
  type Manifest,
} from './manifest';

const MAX_MANIFEST_BYTES = 200_000_000;

const unfit = (message: string): InputError =>
  new InputError('backup', message, 'Choose a complete backup from this version or an earlier one');

const small = async (zip: ZipFile, entry: ZipEntry | undefined, name: string): Promise<Buffer> => {
  const content = await smallFile(zip, entry, MAX_MANIFEST_BYTES);
  if (content === null) throw unfit(`It has no ${name} that can be read.`);
  return content;
};

const manifestIn = async (zip: ZipFile, entries: Map<string, ZipEntry>): Promise<Manifest> => {
  const text = await small(zip, entries.get(MANIFEST_NAME), MANIFEST_NAME);
  const sum = (await small(zip, entries.get(MANIFEST_SUM_NAME), MANIFEST_SUM_NAME)).toString();
  if (createHash('sha256').update(text).digest('hex') !== sum)
    throw unfit('Its manifest was changed.');
  if (isTooDeep(text)) throw unfit('Its manifest cannot be read.');
  let raw: unknown;
  try {
    raw = JSON.parse(text.toString());
  } catch {
    throw unfit('Its manifest cannot be read.');
  }
  return readManifest(raw);
};

/**
 * Copies a stream into a file, never more than was announced. Returns its hash. It is opened here:
 * one that fails before it is read from would be waited for forever.
 */
const copied = async (
  opened: () => Promise<Readable>,
  to: string,
  bytes: number,
): Promise<string> => {
  const hash = createHash('sha256');
  let seen = 0;
  const watch = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      hash.update(chunk);
      done(seen > bytes ? unfit('A file in it is longer than its manifest says.') : null, chunk);
    },
  });
  await mkdir(dirname(to), { recursive: true });
  await pipeline(await opened(), watch, createWriteStream(to, { flush: true }));
  return hash.digest('hex');
};

/** A backup that was taken apart and found whole. */
interface Unpacked {
  manifest: Manifest;
  /** The contents by its database. */
  holds: Holdings;
}

/**
 * Takes a backup apart into an empty folder and checks all of it: every hash, that nothing is
 * missing or too much, and the database. Throws `InputError` for one that is not whole, or wants
 * more than `roomBytes` (usually what is free on the disk); then the folder is gone. An encrypted
 * one needs its `passphrase`.
 */
export const unpackBackup = async (
  file: string,
  folder: string,
  { roomBytes, passphrase = null }: { roomBytes?: number; passphrase?: string | null } = {},
): Promise<Unpacked> => {
  await mkdir(folder, { recursive: true });
  const room = roomBytes ?? (await freeBytes(folder));
  try {
    const plain = join(folder, 'plain.zip');
    const isEncrypted = await startsAsAge(file);
    if (isEncrypted) await decryptFile(file, plain, passphrase, atMost(room));
    const zip = await openPromise(isEncrypted ? plain : file, {
      lazyEntries: true,
      autoClose: false,
    });
    try {
      const entries = await entriesOf(zip, unfit);
      const manifest = await manifestIn(zip, entries);
      const named = new Set([
        MANIFEST_NAME,
        MANIFEST_SUM_NAME,
        ...manifest.files.map((f) => f.name),
      ]);
      const stray = [...entries.keys()].find((name) => !named.has(name));
      if (stray !== undefined)
        throw unfit(`It holds ${stray.slice(0, 80)}, which its manifest does not name.`);
      const wanted = manifest.files.reduce((sum, f) => sum + f.bytes, 0);
      if (wanted > room) throw tooLarge(room);
      for (const { name, bytes, sha256 } of manifest.files) {
        const entry = entries.get(name);
        if (!entry) throw unfit(`${name} is missing in it.`);
        const hash = await copied(() => contentOf(zip, entry), join(folder, name), bytes);
        if (hash !== sha256) throw unfit(`${name} in it is not as it was packed.`);
        const isPhoto = name.startsWith(`${PHOTO_FOLDER}/`);
        if (
          isPhoto &&
          !(hash === basename(name).split('.')[0] && (await isPicture(join(folder, name))))
        )
          throw unfit(`${name} in it is not a photo.`);
      }
      if (!manifest.files.some((f) => f.name === DB_NAME)) throw unfit('It has no database.');
      if (manifest.schema > SCHEMA_VERSION) throw unfit('It was made by a newer program.');
      const path = join(folder, DB_NAME);
      checkFile(path);
      const db = new Database(path, { readonly: true });
      const holds = holdingsOf(db, manifest.files.length - 1);
      db.close();
      return { manifest, holds };
    } finally {
      zip.close();
      await rm(plain, { force: true });
    }
  } catch (error) {
    await rm(folder, { recursive: true, force: true });
    if (error instanceof InputError) throw error;
    const { message, code } = error as NodeJS.ErrnoException;
    if (code === 'ENOSPC') throw error;
    if (code === 'ENOENT')
      throw new InputError('backup', 'File not found.', 'Choose an existing backup');
    const isOfDb = error instanceof DatabaseUnusable || code?.startsWith('SQLITE_') === true;
    const why = message.replace(/\.$/, '');
    throw unfit(isOfDb ? `Its database cannot be used: ${why}.` : `It cannot be read: ${why}.`);
  }
};
