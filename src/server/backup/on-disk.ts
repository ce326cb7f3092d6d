import { open, statfs } from 'node:fs/promises';
import { Transform } from 'node:stream';
import { InputError } from '../../core/base/errors';

/** Bytes that are free on the disk of a folder. */
export const freeBytes = async (folder: string): Promise<number> => {
  const { bavail, bsize } = await statfs(folder);
  return bavail * bsize;
};

/** The refusal of a file that does not fit on the disk of the shop's machine. */
export const tooLarge = (roomBytes: number): InputError =>
  new InputError(
    'backup',
    'The backup is too large for the shop computer’s disk.',
    `Free some disk space: at most ${Math.floor(roomBytes / 1e6)} MB fit`,
  );

/** Lets so many bytes through. Errs with `tooLarge` at the first one too many. */
export const atMost = (bytes: number): Transform => {
  let seen = 0;
  return new Transform({
    transform(chunk: Buffer, _encoding, done) {
      seen += chunk.length;
      done(seen > bytes ? tooLarge(bytes) : null, chunk);
    },
  });
};

/** Waits until a file, or the names in a folder, would outlast a power cut. */
export const onDisk = async (path: string): Promise<void> => {
  const handle = await open(path, 'r');
  try {
    await handle.sync();
  } finally {
    await handle.close();
  }
};
