import { createHash } from 'node:crypto';
import { createReadStream, existsSync } from 'node:fs';
import { readdir, stat } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import { setTimeout as wait } from 'node:timers/promises';
import { isPhotoName } from './backup/holdings';

/** Each file of a pass is read after such a pause: others come first. */
const PAUSE_MS = 200;

/** Files that were read and found whole, by their path, with the size and time they had then. */
const whole = new Map<string, string>();
const MAX_REMEMBERED = 20_000;

/**
 * Whether a stored photo is what its name, the SHA-256 of its content, says. Read once while the
 * file does not change.
 */
export const isWholePhoto = async (path: string): Promise<boolean> => {
  const { size, mtimeMs } = await stat(path);
  const state = `${size} ${mtimeMs}`;
  if (whole.get(path) === state) return true;
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  if (hash.digest('hex') !== basename(path).split('.')[0]) return false;
  if (whole.size >= MAX_REMEMBERED) whole.clear();
  whole.set(path, state);
  return true;
};

/**
 * Reads every stored photo, slowly, and returns the names of those that are damaged. Ends early
 * when `isOver`.
 */
export const damagedPhotos = async (
  dir: string,
  isOver: () => boolean,
  pauseMs = PAUSE_MS,
): Promise<string[]> => {
  const damaged: string[] = [];
  for (const name of existsSync(dir) ? (await readdir(dir)).filter(isPhotoName) : []) {
    if (isOver()) break;
    const path = join(dir, name);
    // Read from the disk each time: a bit that fell over changes neither size nor time.
    whole.delete(path);
    // One that is taken away meanwhile is not damaged.
    const isGood = await isWholePhoto(path).catch(
      (error: NodeJS.ErrnoException) => error.code === 'ENOENT',
    );
    if (!isGood) damaged.push(name);
    await wait(pauseMs);
  }
  return damaged;
};
