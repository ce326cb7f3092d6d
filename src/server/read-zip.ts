import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import type { Entry as ZipEntry, ZipFile } from 'yauzl';
import type { InputError } from '../core/base/errors';

/** The entries of a zip file, by name. Throws what `unfit` makes of a name that stands twice. */
export const entriesOf = async (
  zip: ZipFile,
  unfit: (message: string) => InputError,
): Promise<Map<string, ZipEntry>> => {
  const entries = new Map<string, ZipEntry>();
  for await (const entry of zip.eachEntry()) {
    if (entries.has(entry.fileName)) throw unfit(`It holds ${entry.fileName.slice(0, 80)} twice.`);
    entries.set(entry.fileName, entry);
  }
  return entries;
};

/**
 * The content of a file in the zip. It may complain once more after it was given up: no one listens
 * then.
 */
export const contentOf = async (zip: ZipFile, entry: ZipEntry): Promise<Readable> => {
  const stream = await zip.openReadStreamPromise(entry);
  return stream.on('error', () => undefined);
};

/**
 * The whole of a file in the zip; null where it is not there, or says that it is longer than
 * `mostBytes`.
 */
export const smallFile = async (
  zip: ZipFile,
  entry: ZipEntry | undefined,
  mostBytes: number,
): Promise<Buffer | null> => {
  if (!entry || entry.uncompressedSize > mostBytes) return null;
  return buffer(await contentOf(zip, entry));
};
