import { existsSync, statSync } from 'node:fs';
import { copyFile, link, mkdir, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { InputError } from '../../core/base/errors';
import { photoNames } from './holdings';
import { DB_NAME, PHOTO_FOLDER } from './manifest';
import { onDisk } from './on-disk';

/** A moment as part of a file's name. */
export const stampOf = (nowMs: number): string =>
  new Date(nowMs).toISOString().slice(0, 19).replace(/[-:]/g, '').replace('T', '-');

/**
 * Puts what was unpacked in the place of a closed shop. Its database changes in one step, so that a
 * power cut leaves either; the one that was there is kept beside it (unless `isKept` is false), and
 * no photograph is ever taken away. Returns where the old one is kept; null where there was none.
 * Throws `InputError` where another program has the shop open.
 */
export const swapIn = async (
  folder: string,
  dbFile: string,
  photosDir: string,
  isKept = true,
  nowMs = Date.now(),
): Promise<string | null> => {
  if ((statSync(`${dbFile}-wal`, { throwIfNoEntry: false })?.size ?? 0) > 0)
    throw new InputError(
      'backup',
      'The shop is open in another program, or was cut off and has not been started since.',
      'that program ended, or the shop started and stopped once',
    );
  const from = join(folder, PHOTO_FOLDER);
  await mkdir(photosDir, { recursive: true });
  for (const name of photoNames(from)) {
    const to = join(photosDir, name);
    if (existsSync(to)) continue;
    await copyFile(join(from, name), `${to}.making`);
    await onDisk(`${to}.making`);
    await rename(`${to}.making`, to);
  }
  await mkdir(dirname(dbFile), { recursive: true });
  const kept = isKept && existsSync(dbFile) ? `${dbFile}.before-restore-${stampOf(nowMs)}` : null;
  if (kept) await link(dbFile, kept);
  await rename(join(folder, DB_NAME), dbFile);
  await onDisk(dirname(dbFile));
  for (const end of ['-wal', '-shm', '-seal']) await rm(dbFile + end, { force: true });
  await rm(folder, { recursive: true, force: true });
  return kept;
};
