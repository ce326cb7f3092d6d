import { createHash } from 'node:crypto';
import { createWriteStream } from 'node:fs';
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import { Transform, type Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { setImmediate as others } from 'node:timers/promises';
import { openPromise, type Entry as ZipEntry, type ZipFile } from 'yauzl';
import { InputError } from '../../core/base/errors';
import { isTooDeep, MAX_JSON_DEPTH } from '../json-depth';
import { checkLine, type Line } from '../../core/reports/exchange';
import { PHOTO_FOLDER } from '../backup/manifest';
import { atMost, tooLarge } from '../backup/on-disk';
import { isPhotoName } from '../backup/holdings';
import { isCleanPicture } from '../photo-clean';
import { contentOf, entriesOf } from '../read-zip';
import { LINES_NAME } from './write-file';

/** Encoded again a picture may have grown. */
const MAX_PHOTO_BYTES = 24_000_000;
/** A log of a hundred thousand entries is shorter. */
const MAX_LINE_CHARS = 64_000_000;
/** Others are answered after so long. */
const AT_ONCE_MS = 8;

const unfit = (message: string): InputError =>
  new InputError('file', message, 'Choose a file exported from a shop or job');

/**
 * The lines of a text, as they arrive. Throws `InputError` for what is no UTF-8, and for an endless
 * line.
 */
async function* linesIn(stream: Readable): AsyncGenerator<string> {
  const decoder = new TextDecoder('utf-8', { fatal: true });
  // The pieces of a line that is not whole yet, put together once: a long line costs its length,
  // not its square.
  let pieces: string[] = [];
  let chars = 0;
  const decoded = (chunk?: Uint8Array): string => {
    try {
      return chunk ? decoder.decode(chunk, { stream: true }) : decoder.decode();
    } catch {
      throw unfit(`${LINES_NAME} in it is not UTF-8 text.`);
    }
  };
  for await (const chunk of stream) {
    const parts = decoded(chunk as Uint8Array).split('\n');
    const last = parts.pop()!;
    for (const part of parts) {
      yield pieces.join('') + part;
      pieces = [];
      chars = 0;
    }
    pieces.push(last);
    chars += last.length;
    if (chars > MAX_LINE_CHARS) throw unfit('A line in it never ends.');
  }
  if (pieces.join('') + decoded() !== '')
    throw unfit('Its last line is incomplete: the file was cut off.');
}

const parsed = (text: string, n: number): Line => {
  let value: unknown;
  if (isTooDeep(text))
    throw new InputError(
      `line ${n}`,
      'It is nested too deeply.',
      `Enter at most ${MAX_JSON_DEPTH} levels`,
    );
  try {
    value = JSON.parse(text);
  } catch {
    throw new InputError(`line ${n}`, 'It is not JSON.', 'Put one JSON object on each line');
  }
  return checkLine(value);
};

/** The same refusal with the line in front. */
const atLine = <T>(n: number, run: () => T): T => {
  try {
    return run();
  } catch (error) {
    const code = (error as { code?: string }).code ?? '';
    if (code.startsWith('SQLITE_CONSTRAINT'))
      throw new InputError(
        `line ${n}`,
        'It contradicts the shop’s data.',
        'Use a line that agrees with the shop’s data',
      );
    if (!(error instanceof InputError) || error.field.startsWith('line ')) throw error;
    throw new InputError(`line ${n}: ${error.field}`, error.message, error.expected);
  }
};

/**
 * Copies a photograph into a folder. Throws `InputError` where it is not the one that its name
 * says.
 */
const photoOut = async (zip: ZipFile, entry: ZipEntry, folder: string): Promise<void> => {
  const name = entry.fileName.slice(PHOTO_FOLDER.length + 1);
  if (entry.uncompressedSize > MAX_PHOTO_BYTES)
    throw unfit(`${name} in it is too large for a photo.`);
  const hash = createHash('sha256');
  const watch = new Transform({
    transform(chunk: Buffer, _encoding, done) {
      hash.update(chunk);
      done(null, chunk);
    },
  });
  await mkdir(folder, { recursive: true });
  const path = join(folder, name);
  const to = createWriteStream(path, { flush: true, mode: 0o600 });
  await pipeline(await contentOf(zip, entry), atMost(MAX_PHOTO_BYTES), watch, to);
  if (hash.digest('hex') !== name.split('.')[0] || !(await isCleanPicture(path)))
    throw unfit(`${name} in it does not match the photo it is named for.`);
};

/** The target of a file's lines, and a folder for its photographs. */
interface FileSink {
  take: (line: Line) => void;
  photosDir: string;
  /** The room on the disk. */
  roomBytes: number;
}

/**
 * Reads a file whole: each line checked and handed on, each photograph held to its name. Returns
 * the names of the photographs. Throws `InputError` for a file that is damaged, or holds what does
 * not belong there; `signal` ends it.
 */
export const readFile = async (
  file: string,
  sink: FileSink,
  signal?: AbortSignal,
): Promise<string[]> => {
  let zip: ZipFile;
  try {
    zip = await openPromise(file, { lazyEntries: true, autoClose: false });
  } catch (error) {
    throw unfit(`It cannot be read: ${(error as Error).message.replace(/\.$/, '')}.`);
  }
  try {
    const entries = await entriesOf(zip, unfit);
    const wanted = [...entries.values()].reduce((sum, e) => sum + e.uncompressedSize, 0);
    if (wanted > sink.roomBytes) throw tooLarge(sink.roomBytes);
    const lines = entries.get(LINES_NAME);
    if (!lines) throw unfit(`It has no ${LINES_NAME}.`);
    entries.delete(LINES_NAME);
    const stray = [...entries.keys()].find(
      (name) => !isPhotoName(name.replace(`${PHOTO_FOLDER}/`, '')),
    );
    if (stray !== undefined)
      throw unfit(`It holds ${stray.slice(0, 80)}, which does not belong there.`);
    let n = 0;
    let sinceMs = performance.now();
    for await (const text of linesIn(await contentOf(zip, lines))) {
      n++;
      atLine(n, () => sink.take(parsed(text, n)));
      if (performance.now() - sinceMs < AT_ONCE_MS) continue;
      signal?.throwIfAborted();
      await others();
      sinceMs = performance.now();
    }
    for (const entry of entries.values()) {
      signal?.throwIfAborted();
      await photoOut(zip, entry, sink.photosDir);
    }
    return [...entries.keys()].map((name) => name.slice(PHOTO_FOLDER.length + 1));
  } catch (error) {
    if (error instanceof InputError || signal?.aborted === true) throw error;
    const { message, code } = error as NodeJS.ErrnoException;
    const isDefect = error instanceof TypeError || error instanceof ReferenceError;
    // The rest is the zip's: a broken header, a wrong check sum, a name that leads out of it.
    if (!isDefect && (code === undefined || code.startsWith('Z_')))
      throw unfit(`It cannot be read: ${message.replace(/\.$/, '')}.`);
    throw error;
  } finally {
    zip.close();
  }
};
