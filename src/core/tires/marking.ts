import { InputError } from '../errors';
import { LOAD_INDEX_KG } from './load-index';
import { nominalRimMm } from './rim-diameter';
import { READERS, type Construction, type SizeHead } from './size-notation';
import { SPEED_SYMBOL_KMH } from './speed-symbol';

/** A sidewall marking taken apart; nothing computed yet. */
export interface Marking {
  head: SizeHead;
  rimDiameterIn: number;
  construction: Construction;
  loadIndex: number | null;
  speedSymbol: string | null;
  tubeless: boolean | null;
  position: 'front' | 'rear' | null;
  reinforced: boolean;
  notForHighway: boolean;
  /** The same marking as this program writes it. */
  canonical: string;
}

const SIZE_RIGHT = 'a size such as 150/70-17, 120/70 ZR 17, 3.00-21, 25x8-12 or MT90B16, as printed on the sidewall';

const TAILS: readonly { pattern: RegExp; read(marking: Marking, match: RegExpExecArray): void }[] = [
  { pattern: /^M\/?C(?![A-Z])/, read: () => undefined },
  { pattern: /^\(?(\d{1,3})\s*([A-Z])\)?(?![A-Z0-9])/, read: readService },
  { pattern: /^TL(?![A-Z])|^TUBELESS(?![A-Z])/, read: (m) => void (m.tubeless = true) },
  { pattern: /^TT(?![A-Z])|^TUBE ?TYPE(?![A-Z])/, read: (m) => void (m.tubeless = false) },
  { pattern: /^(FRONT|F)(?![A-Z])/, read: (m) => void (m.position = 'front') },
  { pattern: /^(REAR|R)(?![A-Z])/, read: (m) => void (m.position = 'rear') },
  { pattern: /^REINF(ORCED)?\.?(?![A-Z])/, read: (m) => void (m.reinforced = true) },
  { pattern: /^NHS(?![A-Z])/, read: (m) => void (m.notForHighway = true) },
];

function readService(marking: Marking, match: RegExpExecArray): void {
  const index = Number(match[1]);
  const symbol = match[2]!;
  if (LOAD_INDEX_KG[index] === undefined)
    throw wrong(`${index} is not a load index.`, `a load index from 0 to ${LOAD_INDEX_KG.length - 1}, as in 69H`);
  if (SPEED_SYMBOL_KMH[symbol] === undefined)
    throw wrong(`${symbol} is not a speed symbol.`, `one of ${Object.keys(SPEED_SYMBOL_KMH).join(' ')}, as in 69H`);
  marking.loadIndex = index;
  marking.speedSymbol = symbol;
}

const wrong = (message: string, expected: string) => new InputError('marking', message, expected);

const constructionOf = (sign: string | undefined): Construction =>
  sign === 'R' || sign === 'ZR' ? 'radial' : sign === 'B' ? 'belted' : 'bias';

const SIGN: Record<Construction, string> = { bias: '-', belted: 'B', radial: 'R' };

const canonicalText = (m: Omit<Marking, 'canonical'>): string => {
  const service = m.loadIndex === null ? '' : ` ${m.loadIndex}${m.speedSymbol}`;
  const tube = m.tubeless === null ? '' : m.tubeless ? ' TL' : ' TT';
  const end = m.position === null ? '' : m.position === 'front' ? ' Front' : ' Rear';
  return `${m.head.text}${SIGN[m.construction]}${m.rimDiameterIn}${service}${tube}${end}${m.reinforced ? ' Reinf' : ''}${m.notForHighway ? ' NHS' : ''}`;
};

interface ReadSize {
  head: SizeHead;
  construction: Construction;
  rimDiameterIn: number;
  rest: string;
}

/** The size at the start of a marking, by the first notation that reads it whole. */
const readSize = (clean: string, printed: string): ReadSize => {
  const starts = READERS.flatMap((reader) => {
    const start = reader.head.exec(clean);
    return start ? [{ reader, start }] : [];
  });
  for (const { reader, start } of starts) {
    const after = clean.slice(start[0].length);
    const end = new RegExp(`^\\s*(${reader.signs})\\s*(\\d{1,2})(?!\\d)`).exec(after);
    if (!end) continue;
    const head = reader.read(start);
    if (typeof head === 'string') throw wrong(`${head.split(';')[0]}.`, head.split('; ')[1] ?? SIZE_RIGHT);
    const rimDiameterIn = Number(end[2]);
    const rimMm = nominalRimMm(rimDiameterIn);
    if (rimMm === undefined) throw wrong(`${rimDiameterIn} is no rim diameter.`, 'a rim diameter of 4 to 23 inches');
    if (head.overallDiameterMm !== null && head.overallDiameterMm <= rimMm)
      throw wrong(`The tire would be no taller than its ${rimDiameterIn} inch rim.`, 'an overall diameter larger than the rim, then the width, then the rim, as in 25x8-12');
    return { head, construction: constructionOf(end[1]), rimDiameterIn, rest: after.slice(end[0].length) };
  }
  const { start } = starts[0] ?? {};
  if (!start) throw wrong(`"${printed.slice(0, 20)}" does not start like a size this program reads.`, SIZE_RIGHT);
  const rest = clean.slice(start[0].length).trim().slice(0, 12);
  const example = `-, R or B and then the rim diameter in inches, as in ${start[0].trim()}-17`;
  if (!rest) throw wrong(`"${start[0].trim()}" stops before the rim diameter.`, example);
  throw wrong(`It makes sense up to "${start[0].trim()}"; "${rest}" does not follow.`, example);
};

/**
 * Takes a marking apart: the size in any notation of `READERS`, and what is printed after it.
 * Throws `InputError` that says where the marking stopped making sense and what would be right.
 */
export const parseMarking = (printed: string): Marking => {
  const clean = printed.trim().toUpperCase().replace(/[×*]/g, 'X').replace(/[–—−]/g, '-').replace(/\s+/g, ' ');
  if (!clean) throw wrong('The size is empty.', SIZE_RIGHT);
  const { head, construction, rimDiameterIn, rest: tails } = readSize(clean, printed);
  const marking: Marking = {
    head,
    rimDiameterIn,
    construction,
    loadIndex: null,
    speedSymbol: null,
    tubeless: null,
    position: null,
    reinforced: false,
    notForHighway: false,
    canonical: '',
  };
  let rest = tails.trimStart();
  while (rest) {
    const tail = TAILS.map((t) => ({ t, m: t.pattern.exec(rest) })).find((x) => x.m);
    if (!tail?.m) {
      throw wrong(
        `It makes sense up to "${clean.slice(0, clean.length - rest.length).trim()}"; "${rest.slice(0, 12)}" does not follow.`,
        'after the size: M/C, load index and speed symbol (69H), TL or TT, Front or Rear, Reinf, NHS',
      );
    }
    tail.t.read(marking, tail.m);
    rest = rest.slice(tail.m[0].length).replace(/^[\s,]+/, '');
  }
  marking.canonical = canonicalText(marking);
  return marking;
};
