import { InputError } from '../../base/errors';
import { text } from '../../base/fields';
import { nominalRimMm } from '../tires/rim-diameter';
import { INCH_IN_MM } from '../../base/units';
import { defineWorking, SILENT, type Show } from '../../base/working';

/** Families of rim contour by their letters; `plain` where none are stamped. */
export type Contour = 'MT' | 'WM' | 'J' | 'AT' | 'plain';

/** The meaning of a rim code. Diameter null if it is not stamped. */
export interface RimCode {
  widthIn: number;
  widthMm: number;
  rimDiameterIn: number | null;
  rimDiameterMm: number | null;
  contour: Contour;
  /** A safety hump keeps a tubeless bead on its seat; null where the code does not say. */
  hump: boolean | null;
  canonical: string;
}

const RIGHT =
  'Enter a rim code such as MT 3.50x17, 17 M/C x MT3.50, 2.15-18, WM3-18, 3.50 J or 12x6.0 AT';
const wrong = (message: string) => new InputError('code', message, RIGHT);

/** Inches by the number of a WM rim. Basis: memory. */
const WM_IN: Readonly<Record<string, number>> = {
  '0': 1.5,
  '1': 1.6,
  '2': 1.85,
  '3': 2.15,
  '4': 2.5,
  '5': 2.75,
  '6': 3,
};

/** The meaning of each contour's letters. Basis: memory. */
const SAYS: Record<Contour, { hump: boolean | null; says: string }> = {
  MT: { hump: true, says: 'MT: a motorcycle contour with safety hump, made for tubeless' },
  WM: { hump: false, says: 'WM: a motorcycle contour without hump, made for a tube' },
  J: { hump: null, says: 'J: a flange shape; the code does not tell of a hump' },
  AT: { hump: true, says: 'AT: a contour for low pressures with safety humps' },
  plain: { hump: null, says: 'no letters: the code does not tell of a hump' },
};

interface Read {
  width: string;
  diameter: string | undefined;
  letters: string | undefined;
  wm: string | undefined;
}

/** The order in which width, diameter and letters may stand. */
const PATTERNS: readonly { pattern: RegExp; read(m: RegExpExecArray): Read }[] = [
  // WM3-18, WM 3 x 18
  {
    pattern: /^WM\s*(\d)(?:\s*[X-]\s*(\d{1,2}))?$/,
    read: (m) => ({ width: '', diameter: m[1 + 1], letters: 'WM', wm: m[1] }),
  },
  // 17 M/C x MT3.50, 17xMT 3.50
  {
    pattern: /^(\d{1,2})\s*(?:M\/?C)?\s*[X-]\s*(MT|WM|AT|J)\s*(\d{1,2}(?:\.\d{1,2})?)$/,
    read: (m) => ({ width: m[3]!, diameter: m[1], letters: m[2], wm: undefined }),
  },
  // MT 3.50x17
  {
    pattern: /^(MT|WM|AT|J)\s*(\d{1,2}\.\d{1,2})(?:\s*[X-]\s*(\d{1,2}))?(?:\s*M\/?C)?$/,
    read: (m) => ({ width: m[2]!, diameter: m[3], letters: m[1], wm: undefined }),
  },
  // 12x6.0 AT: the diameter of a four-wheel rim stands first and has no decimals
  {
    pattern: /^(\d{1,2})\s*[X]\s*(\d{1,2}\.\d{1,2})\s*(AT|J|MT)?$/,
    read: (m) => ({ width: m[2]!, diameter: m[1], letters: m[3], wm: undefined }),
  },
  // 2.15-18, 1.60x21, 3.50 J, 3.50x17 MT, 7.0x12
  {
    pattern:
      /^(\d{1,2}\.\d{1,2})\s*(MT|WM|J|AT)?(?:\s*[X-]\s*(\d{1,2}))?\s*(?:M\/?C)?\s*(MT|WM|J|AT)?$/,
    read: (m) => ({ width: m[1]!, diameter: m[3], letters: m[2] ?? m[4], wm: undefined }),
  },
];

const parse = (code: string, show: Show): RimCode => {
  const clean = code
    .trim()
    .toUpperCase()
    .replace(/[×*]/g, 'X')
    .replace(/[–—−‐]/g, '-')
    .replace(/\s+/g, ' ');
  if (!clean) throw wrong('The rim code is empty.');
  const found = PATTERNS.map(({ pattern, read }) => {
    const match = pattern.exec(clean);
    return match && read(match);
  }).find((r) => r);
  if (!found) throw wrong(`"${code.slice(0, 20)}" is not a rim code this program reads.`);
  const widthIn = found.wm === undefined ? Number(found.width) : WM_IN[found.wm];
  if (widthIn === undefined) throw wrong(`There is no WM${found.wm}.`);
  if (widthIn < 1 || widthIn > 14) throw wrong(`${found.width} is not a rim width in inches.`);
  const rimDiameterIn = found.diameter === undefined ? null : Number(found.diameter);
  const rimDiameterMm = rimDiameterIn === null ? null : (nominalRimMm(rimDiameterIn) ?? null);
  if (rimDiameterIn !== null && rimDiameterMm === null)
    throw wrong(`${rimDiameterIn} is not a rim diameter.`);
  const contour = (found.letters as Contour | undefined) ?? 'plain';
  const widthMm = show.line(
    'width inside the flanges',
    found.wm === undefined ? `${widthIn} in × 25.4` : `WM${found.wm} is ${widthIn} in`,
    widthIn * INCH_IN_MM,
    'mm',
  );
  if (rimDiameterMm !== null)
    show.line('diameter at the bead seat', `table, ${rimDiameterIn} in`, rimDiameterMm, 'mm');
  show.line('contour', SAYS[contour].says, contour);
  show.basis('memory', 'what the letters of a rim code mean');
  if (rimDiameterMm !== null)
    show.basis('published', 'UN Regulation No. 75, nominal rim diameters');
  const text = contour === 'plain' ? widthIn.toFixed(2) : `${contour}${widthIn.toFixed(2)}`;
  return {
    widthIn,
    widthMm,
    rimDiameterIn,
    rimDiameterMm,
    contour,
    hump: SAYS[contour].hump,
    canonical: rimDiameterIn === null ? text : `${text}x${rimDiameterIn}`,
  };
};

/**
 * The meaning of the code stamped into a rim: width, diameter, contour family, hump or none.
 *
 * `code` up to 40 characters, with or without diameter. Throws `InputError` for a code that makes no sense.
 * Widths are as stamped; what the letters mean is from memory.
 */
export const rimCode = defineWorking<{ code: string }, RimCode>({
  name: 'rim-code',
  title: 'Rim code reader',
  input: () => ({ code: text(40, 'The code as stamped into the rim') }),
  example: { code: '17 M/C x MT3.50' },
  work: ({ code }, show) => parse(code, show),
});

/** The rim code's numbers alone. Throws `InputError`. */
export const readRimCode = (code: string): RimCode => parse(code, SILENT);

/** The rim code's numbers, or null where it makes no sense. */
export const tryRimCode = (code: string): RimCode | null => {
  try {
    return readRimCode(code);
  } catch (error) {
    if (error instanceof InputError) return null;
    throw error;
  }
};
