import type { Sharp } from 'sharp';
import { InputError } from '../core/base/errors';
import { serialQueue } from './auth/serial-queue';
import { ServerBusy } from './errors';

/** The kinds of pictures that are kept, by the ending of their file. */
export const PHOTO_KINDS = { jpg: 'image/jpeg', png: 'image/png', webp: 'image/webp' } as const;
type PhotoKind = keyof typeof PHOTO_KINDS;

/** No camera of a shop makes more; a small file may say that it holds any number. */
const MAX_PIXELS = 60_000_000;
/** Fine enough to see a crack; a fifth of the bytes of the best. Basis: memory. */
const QUALITY = 88;

const FORMATS: Record<string, PhotoKind | undefined> = { jpeg: 'jpg', png: 'png', webp: 'webp' };

const ENCODED: Record<PhotoKind, (picture: Sharp) => Sharp> = {
  jpg: (picture) => picture.jpeg({ quality: QUALITY }),
  png: (picture) => picture.png(),
  webp: (picture) => picture.webp({ quality: QUALITY }),
};

/** Longer sides are made this long, in pixels: fine enough to see a crack. Basis: memory. */
const MAX_SIDE = 4096;
/** Pictures that wait to be decoded. */
const MAX_WAITING = 40;

/** One picture is decoded at a time: a small file may hold very many pixels. */
const oneByOne = serialQueue(MAX_WAITING);

/** Loaded with the first picture: the server starts without it. */
const opened = async (from: Buffer | string): Promise<Sharp> => {
  const { default: sharp } = await import('sharp');
  // Each picture is seen once: nothing is worth keeping in memory.
  sharp.cache(false);
  return sharp(from, { limitInputPixels: MAX_PIXELS, failOn: 'error', animated: false });
};

/**
 * The picture, decoded and encoded again, turned as the camera held it: where it was taken, with
 * what, and whatever else a file may hide, is not in it. Throws `InputError` for what cannot be
 * decoded.
 */
export const cleanPicture = async (
  bytes: Buffer,
  expected: string,
): Promise<{ kind: PhotoKind; bytes: Buffer }> => {
  try {
    const picture = await opened(bytes);
    const kind = FORMATS[(await picture.metadata()).format];
    if (!kind) throw new Error('another kind of picture');
    const size = {
      width: MAX_SIDE,
      height: MAX_SIDE,
      fit: 'inside',
      withoutEnlargement: true,
    } as const;
    return {
      kind,
      bytes: await oneByOne(() => ENCODED[kind](picture.autoOrient().resize(size)).toBuffer()),
    };
  } catch (error) {
    if (error instanceof ServerBusy) throw error;
    throw new InputError('photo', 'This picture can’t be saved.', expected);
  }
};

/**
 * Whether the head of a file is that of a picture of the kind that its ending says; nothing is
 * decoded.
 */
export const isPicture = async (path: string): Promise<boolean> => {
  try {
    return FORMATS[(await (await opened(path)).metadata()).format] === path.split('.').at(-1);
  } catch {
    return false;
  }
};

/**
 * Whether a file is a picture that can be decoded, of the kind that its ending says, and nothing
 * more.
 */
export const isCleanPicture = async (path: string): Promise<boolean> => {
  try {
    const picture = await opened(path);
    const { format, exif, iptc, xmp, icc } = await picture.metadata();
    await oneByOne(() => picture.stats());
    return FORMATS[format] === path.split('.').at(-1) && ![exif, iptc, xmp, icc].some(Boolean);
  } catch {
    return false;
  }
};
