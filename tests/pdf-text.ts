import { spawnSync } from 'node:child_process';
import { join } from 'node:path';

/**
 * What a reader finds in a PDF: title, language, tags in their order, words for pictures, and the
 * text page by page.
 */
export interface ReadPdf {
  title: string;
  lang: string;
  marked: { Marked: boolean } | null;
  pages: string[];
  /** Width and height of each page, points. */
  sizes: [number, number][];
  tags: string[];
  alts: string[];
}

/**
 * Reads a PDF by a general-purpose library, in a process of its own: the library is a module, the
 * tests are not.
 */
export const readPdf = (bytes: Uint8Array): ReadPdf => {
  const { stdout, stderr, status } = spawnSync('node', [join(__dirname, 'pdf-read.mjs')], {
    input: bytes,
    maxBuffer: 64 * 1024 * 1024,
  });
  if (status !== 0) throw new Error(stderr.toString());
  return JSON.parse(stdout.toString()) as ReadPdf;
};
