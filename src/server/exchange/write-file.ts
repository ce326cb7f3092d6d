import { join } from 'node:path';
import { Readable } from 'node:stream';
import { setImmediate as others } from 'node:timers/promises';
import { ZipFile } from 'yazl';
import { photosOf, type Line } from '../../core/reports/exchange';
import { photoNames } from '../backup/holdings';
import { PHOTO_FOLDER } from '../backup/manifest';

/** The name of the lines inside a file. */
export const LINES_NAME = 'shop.ndjson';
/** The same shop makes the same file, whenever it is made. */
const MTIME = new Date(2000, 0, 1);
/** Others are answered after so long. */
const AT_ONCE_MS = 8;

/** Lines as text, told of as they go by. */
async function* texts(lines: Iterable<Line>, seen: (line: Line) => void): AsyncGenerator<string> {
  let sinceMs = performance.now();
  for (const line of lines) {
    seen(line);
    yield `${JSON.stringify(line)}\n`;
    if (performance.now() - sinceMs < AT_ONCE_MS) continue;
    await others();
    sinceMs = performance.now();
  }
}

/**
 * A zip file of lines, and of the photographs that they name, as a stream; `failed` is told where
 * it breaks off.
 */
export const writeFile = (
  lines: Iterable<Line>,
  photosDir: string,
  failed: (error: unknown) => void,
): Readable => {
  const zip = new ZipFile();
  const named = new Set<string>();
  const text = Readable.from(texts(lines, (line) => photosOf(line).forEach((id) => named.add(id))));
  const out = zip.outputStream as Readable;
  const broken = (error: unknown): void => {
    failed(error);
    out.destroy(error as Error);
  };
  text.on('error', broken);
  zip.on('error', broken);
  text.on('end', () => {
    for (const name of photoNames(photosDir))
      if (named.has(name.split('.')[0]!))
        // A photograph is packed already.
        zip.addFile(join(photosDir, name), `${PHOTO_FOLDER}/${name}`, {
          compress: false,
          mtime: MTIME,
          mode: 0o600,
        });
    zip.end();
  });
  zip.addReadStream(text, LINES_NAME, { mtime: MTIME, mode: 0o600 });
  return out;
};
