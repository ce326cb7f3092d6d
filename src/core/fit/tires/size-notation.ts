import { withArticle } from '../../base/text-case';
import { INCH_IN_MM } from '../../base/units';

/** The ways in which sizes are printed. */
export type Notation = 'metric' | 'flotation' | 'slick' | 'inch' | 'inch-low' | 'letter';

/** The construction of the carcass: `-` bias, `B` belted bias, `R` radial. */
export type Construction = 'bias' | 'belted' | 'radial';

/** A size before its construction and rim: what it states, and nothing made up. */
export interface SizeHead {
  notation: Notation;
  /** Section width; tread width for a slick; null for a letter size, which codes it. */
  widthMm: number | null;
  letters: string | null;
  /** Percent; null where the notation does not state it. */
  aspectRatio: number | null;
  /** Null where the notation does not state it. */
  overallDiameterMm: number | null;
  /** The head as this program writes it. */
  text: string;
}

interface Reader {
  notation: Notation;
  head: RegExp;
  /** The groups of `head`; one alone stands for the whole of it. */
  pieces: readonly ('width' | 'aspect' | 'overall' | 'letters')[];
  /** The rest: a sign, then the rim. */
  end: RegExp;
  read(match: RegExpExecArray): SizeHead | string;
}

const within = (
  value: number,
  min: number,
  max: number,
  what: string,
  unit: string,
): string | null =>
  value < min || value > max
    ? `${value} is not ${withArticle(what)}; Enter ${min} to ${max} ${unit}`
    : null;

const LETTERS = ['MH', 'MJ', 'MM', 'MN', 'MP', 'MR', 'MT', 'MU', 'MV'];

const metric = (match: RegExpExecArray): SizeHead | string => {
  const [width, aspect] = [Number(match[1]), Number(match[2])];
  return (
    within(width, 40, 400, 'section width in mm', 'mm') ??
    within(aspect, 25, 110, 'aspect ratio', 'percent') ?? {
      notation: 'metric',
      widthMm: width,
      aspectRatio: aspect,
      overallDiameterMm: null,
      letters: null,
      text: `${width}/${aspect}`,
    }
  );
};

/**
 * Quarter inches are the full section; the widths between them (4.10, 4.60, 5.10) are the low one.
 */
const inch = (width: number): SizeHead | string =>
  within(width, 1.5, 12, 'section width in inches', 'inches') ?? {
    notation: Math.abs(width * 4 - Math.round(width * 4)) < 1e-9 ? 'inch' : 'inch-low',
    widthMm: width * INCH_IN_MM,
    aspectRatio: null,
    overallDiameterMm: null,
    letters: null,
    text: width.toFixed(2),
  };

const byDiameter =
  (notation: 'flotation' | 'slick', separator: string) =>
  (match: RegExpExecArray): SizeHead | string => {
    const [overall, width] = [Number(match[1]), Number(match[2])];
    return (
      within(overall, 8, 45, 'overall diameter in inches', 'inches') ??
      within(width, 2, 20, 'width in inches', 'inches') ?? {
        notation,
        widthMm: width * INCH_IN_MM,
        aspectRatio: null,
        overallDiameterMm: overall * INCH_IN_MM,
        letters: null,
        text:
          notation === 'slick'
            ? `${overall.toFixed(1)}${separator}${width}`
            : `${overall}${separator}${width}`,
      }
    );
  };

const letter = (match: RegExpExecArray): SizeHead | string => {
  const letters = match[1]!;
  if (!LETTERS.includes(letters))
    return `${letters} is not a letter size; Use one of ${LETTERS.join(' ')}`;
  const aspect = Number(match[2]);
  return (
    within(aspect, 25, 110, 'aspect ratio', 'percent') ?? {
      notation: 'letter',
      widthMm: null,
      aspectRatio: aspect,
      overallDiameterMm: null,
      letters,
      text: `${letters}${aspect}`,
    }
  );
};

/**
 * A speed symbol that stands inside a size: before the construction (VR), or in its place on a bias
 * tire (H). Others are printed after the load index alone. Basis: memory.
 */
const SPEED_INSIDE = '[PRSTHVWZ]';
const then = (signs: string): RegExp =>
  new RegExp(`^\\s*(${signs}|${SPEED_INSIDE}?\\s?[RBD]|${SPEED_INSIDE})\\s*(\\d{1,2})(?!\\d)`, 'd');
const SIGNED = then('-|X');
const SIGNED_SLICK = then('-');

/**
 * Reads the sign between head and rim: the construction, and a speed symbol if one stands inside.
 */
export const readSign = (
  sign: string,
): { construction: Construction; speedSymbol: string | null } => {
  const last = sign.at(-1)!;
  const construction = last === 'R' ? 'radial' : last === 'B' ? 'belted' : 'bias';
  const hasSpeed = sign.length > 1 || !'-XRBD'.includes(last);
  return { construction, speedSymbol: hasSpeed ? sign[0]! : null };
};

/** The start of each notation, tried in this order. */
export const READERS: readonly Reader[] = [
  {
    notation: 'metric',
    head: /^(\d{2,3})\s*\/\s*(\d{2,3})(?![.\d])/d,
    pieces: ['width', 'aspect'],
    end: SIGNED,
    read: metric,
  },
  {
    notation: 'flotation',
    head: /^(?:AT\s*)?(\d{1,2}(?:\.\d{1,2})?)\s*X\s*(\d{1,2}(?:\.\d{1,2})?)/d,
    pieces: ['overall', 'width'],
    end: SIGNED,
    read: byDiameter('flotation', 'x'),
  },
  {
    notation: 'slick',
    head: /^(\d{2}\.\d)\s*\/\s*(\d{1,2}(?:\.\d{1,2})?)/d,
    pieces: ['overall', 'width'],
    end: SIGNED_SLICK,
    read: byDiameter('slick', '/'),
  },
  {
    notation: 'inch',
    head: /^(\d)\s+([1357])\/([248])/d,
    pieces: ['width'],
    end: SIGNED,
    read: (m) => inch(Number(m[1]) + Number(m[2]) / Number(m[3])),
  },
  {
    notation: 'inch',
    head: /^(\d{1,2}\.\d{1,2})(?!\d)/d,
    pieces: ['width'],
    end: SIGNED,
    read: (m) => inch(Number(m[1])),
  },
  {
    notation: 'letter',
    head: /^(M[A-Z])\s*(\d{2})(?!\d)/d,
    pieces: ['letters', 'aspect'],
    end: SIGNED,
    read: letter,
  },
];
