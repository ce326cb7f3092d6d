import { createHash, randomUUID } from 'node:crypto';
import { existsSync } from 'node:fs';
import { mkdir, open, readdir, readFile, rename, rm, stat, utimes } from 'node:fs/promises';
import { join, resolve } from 'node:path';
import { InputError } from '../core/base/errors';
import { isWholePhoto } from './photo-check';
import { cleanPicture, PHOTO_KINDS } from './photo-clean';

/** Pictures larger than this are refused. */
export const MAX_PHOTO_BYTES = 6 * 1024 * 1024;
const EXPECTED = 'Choose a JPEG, PNG or WebP picture of at most 6 MB';

/** The lifetime of a count of the folder. */
const COUNTED_MS = 600_000;

/** The bytes of all files in a folder. */
const bytesIn = async (dir: string): Promise<number> => {
  if (!existsSync(dir)) return 0;
  let sum = 0;
  for (const name of await readdir(dir))
    sum += (await stat(join(dir, name)).catch(() => ({ size: 0 }))).size;
  return sum;
};

/**
 * Photographs in a folder beside the database, each under the hash of its content, so that none is
 * ever overwritten. `mostMb` says how much room all of them may take.
 */
export const photoStore = (folder: string, mostMb: () => number = () => Infinity) => {
  const dir = resolve(folder);
  let counted = { bytes: 0, atMs: -Infinity };
  const roomFor = async (bytes: number): Promise<void> => {
    if (Date.now() - counted.atMs > COUNTED_MS)
      counted = { bytes: await bytesIn(dir), atMs: Date.now() };
    const most = mostMb();
    if (counted.bytes + bytes > most * 1_000_000)
      throw new InputError(
        'photo',
        `The shop keeps ${Math.round(counted.bytes / 1_000_000)} MB of photos; the limit is ${most} MB.`,
        'Raise the rule photos.mostMb, if the disk and the backups have room',
      );
    counted.bytes += bytes;
  };
  const find = (photoId: string): { path: string; type: string } | null => {
    for (const [ending, type] of Object.entries(PHOTO_KINDS)) {
      const path = join(dir, `${photoId}.${ending}`);
      if (existsSync(path)) return { path, type };
    }
    return null;
  };
  return {
    find,
    /**
     * The bytes of a picture that can be printed, JPEG or PNG; null for one that is not there, or
     * of another kind.
     */
    async printable(photoId: string): Promise<Buffer | null> {
      const found = find(photoId);
      const isPrinted = found && found.type !== 'image/webp' && (await isWholePhoto(found.path));
      return isPrinted ? readFile(found.path) : null;
    },
    /**
     * Decoded and encoded again, and on the disk for good before it answers. Throws `InputError` for
     * what is no picture.
     */
    async keep(sent: unknown): Promise<{ photoId: string; type: string; bytes: number }> {
      const { kind, bytes } = await cleanPicture(
        Buffer.isBuffer(sent) ? sent : Buffer.alloc(0),
        EXPECTED,
      );
      const photoId = createHash('sha256').update(bytes).digest('hex');
      const path = join(dir, `${photoId}.${kind}`);
      // One that the disk has spoiled is written again.
      if (!existsSync(path) || !(await isWholePhoto(path))) {
        await roomFor(bytes.length);
        await mkdir(dir, { recursive: true });
        // The same picture may come from several at once.
        const making = `${path}.${randomUUID()}.making`;
        try {
          const file = await open(making, 'w');
          try {
            await file.writeFile(bytes);
            await file.sync();
          } finally {
            await file.close();
          }
          await rename(making, path);
        } finally {
          // A full disk leaves half a file, which takes room that is not there.
          await rm(making, { force: true });
        }
      } else {
        // It was sent again: someone is about to name it.
        await utimes(path, new Date(), new Date());
      }
      return { photoId, type: PHOTO_KINDS[kind], bytes: bytes.length };
    },
  };
};
export type PhotoStore = ReturnType<typeof photoStore>;
