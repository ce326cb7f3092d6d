import { InputError } from '../errors';
import { LOAD_INDEX_KG } from './load-index';
import { nominalRimMm } from './rim-diameter';
import { SPEED_SYMBOL_KMH } from './speed-symbol';

/** How the carcass is built: `-` bias, `B` belted bias, `R` radial. */
export type Construction = 'bias' | 'belted' | 'radial';

/** A sidewall marking taken apart; nothing computed yet. */
export interface Marking {
  notation: 'metric' | 'inch';
  /** mm for metric, inches for inch notation. */
  width: number;
  /** Percent; null where the notation does not state it. */
  aspectRatio: number | null;
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

const METRIC = /^(\d{2,3})\/(\d{2,3})\s*(-|ZR|R|B)?\s*(\d{1,2}(?!\d))?/;
const INCH = /^(\d{1,2}\.\d{1,2})\s*(-|X|R|B)?\s*(\d{1,2}(?!\d))?/;
const SIZE_RIGHT = 'a size such as 150/70-17, 120/70 ZR 17, 3.00-21 or 4.00 R 18, as printed on the sidewall';
const WIDTH_MM = { min: 40, max: 400 };
const ASPECT_PCT = { min: 25, max: 110 };
const WIDTH_IN = { min: 1.5, max: 12 };

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

const within = (value: number, range: { min: number; max: number }, what: string) => {
  if (value < range.min || value > range.max)
    throw wrong(`${value} is no ${what}.`, `a ${what} from ${range.min} to ${range.max}`);
};

const constructionOf = (sign: string | undefined): Construction =>
  sign === 'R' || sign === 'ZR' ? 'radial' : sign === 'B' ? 'belted' : 'bias';

const SIGN: Record<Construction, string> = { bias: '-', belted: 'B', radial: 'R' };

const canonicalText = (m: Omit<Marking, 'canonical'>): string => {
  const size = m.notation === 'metric' ? `${m.width}/${m.aspectRatio}` : m.width.toFixed(2);
  const service = m.loadIndex === null ? '' : ` ${m.loadIndex}${m.speedSymbol}`;
  const tube = m.tubeless === null ? '' : m.tubeless ? ' TL' : ' TT';
  const end = m.position === null ? '' : m.position === 'front' ? ' Front' : ' Rear';
  return `${size}${SIGN[m.construction]}${m.rimDiameterIn}${service}${tube}${end}${m.reinforced ? ' Reinf' : ''}${m.notForHighway ? ' NHS' : ''}`;
};

/**
 * Takes a metric (150/70-17) or inch (3.00-21) marking apart, with what is printed after the size.
 * Throws `InputError` that says where the marking stopped making sense and what would be right.
 */
export const parseMarking = (printed: string): Marking => {
  const clean = printed.trim().toUpperCase().replace(/[×*]/g, 'X').replace(/[–—−]/g, '-').replace(/\s+/g, ' ');
  if (!clean) throw wrong('The size is empty.', SIZE_RIGHT);
  const metric = METRIC.exec(clean);
  const inch = metric ? null : INCH.exec(clean);
  const match = metric ?? inch;
  if (!match) throw wrong(`"${printed.slice(0, 20)}" does not start like a size this program reads.`, SIZE_RIGHT);
  const sign = metric ? match[3] : match[2];
  const rim = metric ? match[4] : match[3];
  if (!sign && !clean.slice(match[0].length).trim() && !rim)
    throw wrong(`"${match[0]}" stops before the rim diameter.`, `the rim diameter after a -, R or B, as in ${match[0].trim()}-17`);
  if (!sign || !rim) {
    const rest = clean.slice(match[0].length).trim().slice(0, 12);
    throw wrong(
      `It makes sense up to "${match[0].trim()}"; "${rest}" does not follow.`,
      `-, R, ZR or B and then the rim diameter in inches, as in ${match[1]}${metric ? `/${match[2]}` : ''}-17`,
    );
  }
  const width = Number(match[1]);
  const aspectRatio = metric ? Number(match[2]) : null;
  const rimDiameterIn = Number(rim);
  within(width, metric ? WIDTH_MM : WIDTH_IN, metric ? 'section width in mm' : 'section width in inches');
  if (aspectRatio !== null) within(aspectRatio, ASPECT_PCT, 'aspect ratio in percent');
  if (nominalRimMm(rimDiameterIn) === undefined)
    throw wrong(`${rimDiameterIn} is no rim diameter.`, 'a rim diameter of 4 to 23 inches');

  const marking: Marking = {
    notation: metric ? 'metric' : 'inch',
    width,
    aspectRatio,
    rimDiameterIn,
    construction: constructionOf(sign),
    loadIndex: null,
    speedSymbol: null,
    tubeless: null,
    position: null,
    reinforced: false,
    notForHighway: false,
    canonical: '',
  };
  let rest = clean.slice(match[0].length).trimStart();
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
