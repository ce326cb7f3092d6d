import Database from 'better-sqlite3';
import { createHash, randomUUID } from 'node:crypto';
import { createReadStream, createWriteStream } from 'node:fs';
import { mkdir, rename, rm, stat } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { ZipFile } from 'yazl';
import { checkFile, type Db } from '../db/open-db';
import { holdingsOf, photoNames } from './holdings';
import {
  DB_NAME,
  MANIFEST_NAME,
  MANIFEST_SUM_NAME,
  PHOTO_FOLDER,
  type Manifest,
  type PackedFile,
} from './manifest';
import { isWholePhoto } from '../photo-check';
import { AGE_ENDING, encryptFile } from './encryption';
import { onDisk } from './on-disk';
import { dropSecrets } from './secrets';

/** So much of a database is copied in one go, in pages: others write in between. */
const PAGES_AT_ONCE = 200;

const sha256 = async (file: string): Promise<string> => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(file), hash);
  return hash.digest('hex');
};

const packed = async (file: string, name: string): Promise<PackedFile> => ({
  name,
  bytes: (await stat(file)).size,
  sha256: await sha256(file),
});

/** The photos that are what their names say: a damaged one would spoil the whole backup. */
const wholePhotos = async (dir: string): Promise<{ path: string; name: string }[]> => {
  const found: { path: string; name: string }[] = [];
  for (const name of photoNames(dir)) {
    const path = join(dir, name);
    if (await isWholePhoto(path)) found.push({ path, name: `${PHOTO_FOLDER}/${name}` });
  }
  return found;
};

/**
 * Writes the whole shop into one file while it goes on working: the database as it stands at one
 * moment, and every photograph that is whole. The file appears under its name once it is whole and
 * on the disk. A damaged database is not backed up. With a passphrase the file is encrypted (age);
 * without one it holds no secret that people sign in by.
 */
export const writeBackup = async (
  db: Db,
  photosDir: string,
  file: string,
  nowMs = Date.now(),
  passphrase: string | null = null,
): Promise<Manifest> => {
  await mkdir(dirname(file), { recursive: true });
  const making = `${file}.${randomUUID()}.making`;
  const copy = `${making}.sqlite`;
  try {
    await db.backup(copy, { progress: () => PAGES_AT_ONCE });
    checkFile(copy);
    if (passphrase === null) dropSecrets(copy);
    const photos = await wholePhotos(photosDir);
    const read = new Database(copy, { readonly: true });
    const manifest: Manifest = {
      format: 'rimstone-backup',
      version: 1,
      madeAt: new Date(nowMs).toISOString(),
      schema: Number(read.pragma('user_version', { simple: true })),
      holds: holdingsOf(read, photos.length),
      files: [await packed(copy, DB_NAME)],
    };
    read.close();
    for (const { path, name } of photos) manifest.files.push(await packed(path, name));
    const zip = new ZipFile();
    const text = Buffer.from(JSON.stringify(manifest, null, 1));
    zip.addBuffer(text, MANIFEST_NAME);
    zip.addBuffer(Buffer.from(createHash('sha256').update(text).digest('hex')), MANIFEST_SUM_NAME);
    zip.addFile(copy, DB_NAME);
    // A photograph is packed already.
    for (const { path, name } of photos) zip.addFile(path, name, { compress: false });
    zip.end();
    await pipeline(zip.outputStream, createWriteStream(making));
    const made = passphrase === null ? making : `${making}${AGE_ENDING}`;
    if (passphrase !== null) await encryptFile(making, made, passphrase);
    await onDisk(made);
    await rename(made, file);
    await onDisk(dirname(file));
    return manifest;
  } finally {
    for (const left of [making, `${making}${AGE_ENDING}`, copy, `${copy}-wal`, `${copy}-shm`])
      await rm(left, { force: true });
  }
};
