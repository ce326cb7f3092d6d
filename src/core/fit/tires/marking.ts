import { InputError } from '../../base/errors';
import { LOAD_INDEX_KG } from './load-index';
import { nominalRimMm } from './rim-diameter';
import { READERS, readSign, type Construction, type SizeHead } from './size-notation';
import { SPEED_SYMBOL_KMH } from './speed-symbol';

/** The kinds of pieces of a marking. */
export type PartKind =
  | 'width'
  | 'aspect'
  | 'overall'
  | 'letters'
  | 'construction'
  | 'rim'
  | 'motorcycle'
  | 'service'
  | 'tubeless'
  | 'tube-type'
  | 'front'
  | 'rear'
  | 'either-end'
  | 'tube-or-not'
  | 'reinforced'
  | 'not-for-highway'
  | 'ply'
  | 'mud-and-snow';

/** A piece of a marking and where it stands in `text`. */
interface MarkingPart {
  kind: PartKind;
  from: number;
  to: number;
}

/** A sidewall marking taken apart; nothing computed yet. */
export interface Marking {
  head: SizeHead;
  rimDiameterIn: number;
  construction: Construction;
  /** The size alone, without a speed symbol inside it and without what follows. */
  size: string;
  loadIndex: number | null;
  /** As printed after the load index, or inside the size. */
  speedSymbol: string | null;
  /** Tubeless or not without looking further; null if the marking does not tell. */
  tubeless: boolean | null;
  position: 'front' | 'rear' | null;
  reinforced: boolean;
  notForHighway: boolean;
  /** Strength of the carcass as printed, `6PR`; null where it is not. */
  plyRating: number | null;
  mudAndSnow: boolean;
  /** The pieces of the text, in order, for readers who learn. */
  parts: MarkingPart[];
  /** The text as it was read: capitals, one kind of dash. */
  text: string;
  /** The same marking as this program writes it. */
  canonical: string;
}

const SIZE_RIGHT =
  'a size such as 140/70-17, 120/70 ZR 17, 3.25-19, 24x8-12 or MT90B16, as printed on the sidewall';

type Noted = Pick<
  Marking,
  | 'loadIndex'
  | 'speedSymbol'
  | 'tubeless'
  | 'position'
  | 'reinforced'
  | 'notForHighway'
  | 'plyRating'
  | 'mudAndSnow'
>;

const nothingNoted = (): Noted => ({
  loadIndex: null,
  speedSymbol: null,
  tubeless: null,
  position: null,
  reinforced: false,
  notForHighway: false,
  plyRating: null,
  mudAndSnow: false,
});

interface Tail {
  kind: PartKind;
  pattern: RegExp;
  read(noted: Noted, match: RegExpExecArray): void;
}

const wrong = (message: string, expected: string) =>
  new InputError('marking', message, `Enter ${expected}`);

/** More layers than any carcass of the trade is rated for. Basis: memory. */
const PLY_MAX = 20;

const once = (before: string | number | null, what: string, now: string): void => {
  if (before !== null)
    throw wrong(`There are two ${what}: ${before} and ${now}.`, 'one of them, as on the sidewall');
};

const readPly: Tail['read'] = (noted, match) => {
  const ply = Number(match[1]);
  if (ply < 2 || ply > PLY_MAX)
    throw wrong(`${ply} is not a ply rating.`, `a ply rating from 2 to ${PLY_MAX}, as in 6PR`);
  once(noted.plyRating, 'ply ratings', String(ply));
  noted.plyRating = ply;
};

const readTube =
  (tubeless: boolean): Tail['read'] =>
  (noted) => {
    if (noted.tubeless === !tubeless)
      throw wrong('Both TL and TT are marked.', 'TL, TT, or TL/TT for a tire that takes either');
    noted.tubeless = tubeless;
  };

const readEnd =
  (position: 'front' | 'rear'): Tail['read'] =>
  (noted) => {
    if (noted.position !== null && noted.position !== position)
      throw wrong(
        'Both Front and Rear are marked.',
        'Front, Rear, or F/R for a tire that goes on either',
      );
    noted.position = position;
  };

const readService: Tail['read'] = (noted, match) => {
  const index = Number(match[1]);
  const symbol = match[2]!;
  if (LOAD_INDEX_KG[index] === undefined)
    throw wrong(
      `${index} is not a load index.`,
      `a load index from 0 to ${LOAD_INDEX_KG.length - 1}, as in 69H`,
    );
  if (SPEED_SYMBOL_KMH[symbol] === undefined)
    throw wrong(
      `${symbol} is not a speed symbol.`,
      `one of ${Object.keys(SPEED_SYMBOL_KMH).join(' ')}, as in 69H`,
    );
  once(noted.loadIndex, 'load indices', String(index));
  if (noted.speedSymbol !== null && noted.speedSymbol !== symbol)
    throw wrong(
      `Speed symbol ${noted.speedSymbol} stands in the size and ${symbol} after it.`,
      'the same symbol in both places, or only one',
    );
  noted.loadIndex = index;
  noted.speedSymbol = symbol;
};

/** The parts that may follow the size, in any order. */
const TAILS: readonly Tail[] = [
  { kind: 'motorcycle', pattern: /^M\/?C(?![A-Z])/, read: () => undefined },
  {
    kind: 'mud-and-snow',
    pattern: /^M\s?[+/]\s?S(?![A-Z])/,
    read: (n) => void (n.mudAndSnow = true),
  },
  { kind: 'ply', pattern: /^(\d{1,2})\s?P\.?R\.?(?![A-Z])/, read: readPly },
  { kind: 'service', pattern: /^\(?(\d{1,3})\s*([A-Z])\)?(?![A-Z0-9])/, read: readService },
  { kind: 'tube-or-not', pattern: /^(TL\s?\/\s?TT|TT\s?\/\s?TL)(?![A-Z])/, read: readTube(true) },
  { kind: 'tubeless', pattern: /^TL(?![A-Z])|^TUBELESS(?![A-Z])/, read: readTube(true) },
  { kind: 'tube-type', pattern: /^TT(?![A-Z])|^TUBE ?TYPE(?![A-Z])/, read: readTube(false) },
  {
    kind: 'either-end',
    pattern: /^(FRONT\s?\/\s?REAR|F\s?\/\s?R)(?![A-Z])/,
    read: () => undefined,
  },
  { kind: 'front', pattern: /^(FRONT|F)(?![A-Z])/, read: readEnd('front') },
  { kind: 'rear', pattern: /^(REAR|R)(?![A-Z])/, read: readEnd('rear') },
  {
    kind: 'reinforced',
    pattern: /^REINF(ORCED)?\.?(?![A-Z])/,
    read: (n) => void (n.reinforced = true),
  },
  { kind: 'not-for-highway', pattern: /^NHS(?![A-Z])/, read: (n) => void (n.notForHighway = true) },
];

const SIGN: Record<Construction, string> = { bias: '-', belted: 'B', radial: 'R' };

const sizeText = ({ head, construction, rimDiameterIn }: ReadSize): string =>
  `${head.text}${SIGN[construction]}${rimDiameterIn}`;

/** The size with its speed symbol inside, where no load index carries it. */
const printedSize = (size: ReadSize, n: Noted): string => {
  const { head, construction, rimDiameterIn, speedInside } = size;
  if (speedInside === null || n.loadIndex !== null) return sizeText(size);
  return `${head.text}${speedInside}${construction === 'bias' ? '' : SIGN[construction]}${rimDiameterIn}`;
};

const canonicalText = (size: ReadSize, n: Noted): string =>
  [
    printedSize(size, n),
    n.loadIndex !== null && `${n.loadIndex}${n.speedSymbol}`,
    n.plyRating !== null && `${n.plyRating}PR`,
    n.tubeless !== null && (n.tubeless ? 'TL' : 'TT'),
    n.position !== null && (n.position === 'front' ? 'Front' : 'Rear'),
    n.reinforced && 'Reinf',
    n.mudAndSnow && 'M+S',
    n.notForHighway && 'NHS',
  ]
    .filter(Boolean)
    .join(' ');

interface ReadSize {
  head: SizeHead;
  construction: Construction;
  rimDiameterIn: number;
  /** A speed symbol, or the Z of ZR, that stands inside the size. */
  speedInside: string | null;
  parts: MarkingPart[];
  /** The end of the size in the text. */
  end: number;
}

/** Rims that a suggestion is made with, the commonest first. */
const EXAMPLE_RIMS_IN = [17, 12, 10, 8, 6, 5, 4];

/**
 * The beginning of a size made whole so that this program reads it: a wheel of 13 inches has no 17
 * inch rim.
 */
const wholeExample = (head: string): string =>
  EXAMPLE_RIMS_IN.map((rim) => `${head}-${rim}`).find((size) => {
    try {
      readSize(size, size);
      return true;
    } catch {
      return false;
    }
  }) ?? '120/70-17';

/** The size at the start of a marking, by the first notation that reads it whole. */
const readSize = (clean: string, printed: string): ReadSize => {
  let begun: RegExpExecArray | undefined;
  for (const reader of READERS) {
    const start = reader.head.exec(clean);
    if (!start) continue;
    begun ??= start;
    const from = start[0].length;
    const end = reader.end.exec(clean.slice(from));
    if (!end) continue;
    const head = reader.read(start);
    if (typeof head === 'string')
      throw wrong(`${head.split(';')[0]}.`, head.split('; ')[1] ?? SIZE_RIGHT);
    const rimDiameterIn = Number(end[2]);
    const rimMm = nominalRimMm(rimDiameterIn);
    if (rimMm === undefined)
      throw wrong(`${rimDiameterIn} is not a rim diameter.`, '4 to 23 inches');
    if (head.overallDiameterMm !== null && head.overallDiameterMm <= rimMm)
      throw wrong(
        `The tire would not be taller than its ${rimDiameterIn} inch rim.`,
        'an overall diameter larger than the rim, then the width, then the rim, as in 25x8-12',
      );
    const part = (
      kind: PartKind,
      at: [number, number] | undefined,
      shift: number,
    ): MarkingPart => ({ kind, from: at![0] + shift, to: at![1] + shift });
    const parts = [
      ...reader.pieces.map((kind, i) =>
        part(kind, start.indices![reader.pieces.length === 1 ? 0 : i + 1], 0),
      ),
      part('construction', end.indices![1], from),
      part('rim', end.indices![2], from),
    ];
    const { construction, speedSymbol: speedInside } = readSign(end[1]!);
    return { head, construction, rimDiameterIn, speedInside, parts, end: from + end[0].length };
  }
  if (!begun)
    throw wrong(
      `"${printed.slice(0, 20)}" does not start like a size this program reads.`,
      SIZE_RIGHT,
    );
  const rest = clean.slice(begun[0].length).trim().slice(0, 12);
  const inside = /^([A-Z])R?\s*\d/.exec(rest)?.[1];
  if (inside !== undefined && SPEED_SYMBOL_KMH[inside] !== undefined && !'RBD'.includes(inside))
    throw wrong(
      `${inside} does not belong inside a size.`,
      `the speed symbol after the load index, as in 69${inside}`,
    );
  const example = `-, R or B and then the rim diameter in inches, as in ${wholeExample(begun[0].trim())}`;
  if (!rest) throw wrong(`"${begun[0].trim()}" stops before the rim diameter.`, example);
  throw wrong(`It reads up to "${begun[0].trim()}"; "${rest}" does not follow.`, example);
};

/** Spaces and commas between the pieces after the size. */
const gapAt = (clean: string, at: number): number =>
  at + /^[\s,]*/.exec(clean.slice(at))![0].length;

/**
 * Takes a marking apart: the size in any notation of `READERS`, and what is printed after it.
 * Throws `InputError` that says where the marking stopped making sense and what would be right.
 */
export const parseMarking = (printed: string): Marking => {
  const clean = printed
    .trim()
    .toUpperCase()
    .replace(/[×*]/g, 'X')
    .replace(/[–—−‐]/g, '-')
    .replace(/\s+/g, ' ');
  if (!clean) throw wrong('The size is empty.', SIZE_RIGHT);
  const size = readSize(clean, printed);
  // Z says only that it is fast: by how much stands after the load index.
  const noted = {
    ...nothingNoted(),
    speedSymbol: size.speedInside === 'Z' ? null : size.speedInside,
  };
  const parts = [...size.parts];
  for (let at = gapAt(clean, size.end); at < clean.length;) {
    const rest = clean.slice(at);
    const found = TAILS.map((tail) => ({ tail, match: tail.pattern.exec(rest) })).find(
      (x) => x.match,
    );
    if (!found?.match)
      throw wrong(
        `It reads up to "${clean.slice(0, at).trim()}"; "${rest.slice(0, 12)}" does not follow.`,
        'after the size: M/C, load index and speed symbol (69H), TL or TT, Front or Rear, Reinf, NHS, M+S, 6PR',
      );
    found.tail.read(noted, found.match);
    parts.push({ kind: found.tail.kind, from: at, to: at + found.match[0].length });
    at = gapAt(clean, at + found.match[0].length);
  }
  const { head, construction, rimDiameterIn } = size;
  return {
    head,
    construction,
    rimDiameterIn,
    size: sizeText(size),
    ...noted,
    parts,
    text: clean,
    canonical: canonicalText(size, noted),
  };
};
