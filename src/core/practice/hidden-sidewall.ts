import {
  fitTire,
  prepareFit,
  type FitContext,
  type TireFacts,
  type TireFit,
  type Topic,
} from '../bench/fitting';
import { seeded } from '../base/statistics';
import { SPEED_SYMBOL_KMH } from '../fit/tires';

/** Sidewalls to choose from: faults that are plain; that are one step apart; and more of them. */
export const SIDEWALL_LEVELS = ['plain', 'one step apart', 'a full rack'] as const;
export type SidewallLevel = (typeof SIDEWALL_LEVELS)[number];

/** A wheel that wants a tire, and the tires that lie there: one suits, one must be refused. */
export interface HiddenSidewall {
  wheel: FitContext;
  tires: readonly TireFacts[];
  fits: readonly TireFit[];
  /** The tire that suits, the one that must not go on, and what is wrong with that one; from 0. */
  suits: number;
  refused: number;
  why: Topic;
}

/** Ages are counted to this day, so that a number hides the same wheel in every year. */
const ON_DATE = '2026-06-01';

interface Kind {
  wheel: Omit<FitContext, 'onDate'>;
  size: readonly [string, number];
  type: 'TL' | 'TT';
  tread: TireFacts['tread'];
  /** A tread for another use. */
  otherTread: TireFacts['tread'];
}

/** Invented wheels of a road machine, a dirt bike and a scooter. */
const KINDS: readonly Kind[] = [
  {
    wheel: {
      from: '170/60-17',
      end: 'rear',
      kind: 'road',
      use: 'road',
      build: 'cast',
      rimCode: 'MT4.50x17',
      tubelessMarked: true,
      sealed: true,
      discSide: 'right',
      tube: false,
      minLoadIndex: 72,
      minSpeedSymbol: 'V',
    },
    size: ['170/60', 17],
    type: 'TL',
    tread: 'road',
    otherTread: 'soft',
  },
  {
    wheel: {
      from: '110/90-19',
      end: 'rear',
      kind: 'dirt',
      use: 'dirt',
      build: 'spoked',
      rimCode: '2.15x19',
      tubelessMarked: false,
      sealed: false,
      discSide: 'right',
      tube: true,
      minLoadIndex: 62,
      minSpeedSymbol: 'M',
    },
    size: ['110/90', 19],
    type: 'TT',
    tread: 'soft',
    otherTread: 'road',
  },
  {
    wheel: {
      from: '120/70-12',
      end: 'front',
      kind: 'scooter',
      use: 'scooter-front',
      build: 'cast',
      rimCode: 'MT3.50x12',
      tubelessMarked: true,
      sealed: true,
      discSide: 'left',
      tube: false,
      minLoadIndex: 51,
      minSpeedSymbol: 'L',
    },
    size: ['120/70', 12],
    type: 'TL',
    tread: 'road',
    otherTread: 'soft',
  },
];

/** The parts of a sidewall's print, before it is put together. */
interface Printed {
  rimIn: number;
  loadIndex: number;
  symbol: string;
  type: 'TL' | 'TT';
  tread: TireFacts['tread'];
  otherTread: TireFacts['tread'];
  dateCode: string;
}
type Fault = (printed: Printed, chance: () => number) => Printed;

const SYMBOLS = Object.entries(SPEED_SYMBOL_KMH)
  .sort((a, b) => a[1] - b[1])
  .map(([symbol]) => symbol);
const slower = (symbol: string, steps: number): string =>
  SYMBOLS[Math.max(0, SYMBOLS.indexOf(symbol) - steps)]!;
const code = (week: number, year: number): string =>
  `${String(week).padStart(2, '0')}${String(year).padStart(2, '0')}`;

/** Faults that anyone sees, and those one step below what is asked for. */
const PLAIN: readonly Fault[] = [
  (p, chance) => ({ ...p, rimIn: p.rimIn + (chance() < 0.5 ? -1 : 1) }),
  (p, chance) => ({ ...p, loadIndex: p.loadIndex - 6 - Math.floor(6 * chance()) }),
  (p) => ({ ...p, symbol: slower(p.symbol, 4) }),
];
const FINE: readonly Fault[] = [
  (p) => ({ ...p, loadIndex: p.loadIndex - 1 }),
  (p) => ({ ...p, symbol: slower(p.symbol, 1) }),
  (p) => (p.type === 'TL' ? { ...p, type: 'TT' } : { ...p, rimIn: p.rimIn - 1 }),
];
/** The tires that may still go on, and are not the ones to choose. */
const WORSE: readonly Fault[] = [
  (p) => ({ ...p, tread: p.otherTread }),
  (p, chance) => ({
    ...p,
    dateCode: code(1 + Math.floor(50 * chance()), 17 + Math.floor(2 * chance())),
  }),
  (p, chance) => ({
    ...p,
    tread: p.otherTread,
    loadIndex: p.loadIndex + 3 + Math.floor(3 * chance()),
  }),
];

const LEVELS: Record<SidewallLevel, { worse: number; stops: readonly Fault[] }> = {
  plain: { worse: 1, stops: PLAIN },
  'one step apart': { worse: 2, stops: FINE },
  'a full rack': { worse: 3, stops: [...FINE, ...PLAIN] },
};

const shuffled = <T>(items: readonly T[], chance: () => number): T[] =>
  items
    .map((it) => ({ it, at: chance() }))
    .sort((a, b) => a.at - b.at)
    .map(({ it }) => it);

/** The sidewalls that a number hides. */
export const hiddenSidewall = (seed: number, level: SidewallLevel): HiddenSidewall => {
  const chance = seeded(seed * 7559 + 41);
  const { worse, stops } = LEVELS[level];
  const kind = KINDS[Math.floor(chance() * KINDS.length)]!;
  const wheel: FitContext = { ...kind.wheel, onDate: ON_DATE };
  const asked: Printed = {
    rimIn: kind.size[1],
    loadIndex: kind.wheel.minLoadIndex!,
    symbol: kind.wheel.minSpeedSymbol!,
    type: kind.type,
    tread: kind.tread,
    otherTread: kind.otherTread,
    dateCode: code(1 + Math.floor(20 * chance()), 26),
  };
  const more = (p: Printed): Printed => ({
    ...p,
    loadIndex: p.loadIndex + Math.floor(3 * chance()),
  });
  const stop = stops[Math.floor(chance() * stops.length)]!;
  const printed = shuffled(
    [
      more(asked),
      stop(asked, chance),
      ...shuffled(WORSE, chance)
        .slice(0, worse)
        .map((fault) => fault(asked, chance)),
    ],
    chance,
  );
  const tires = printed.map((p): TireFacts => ({
    marking: `${kind.size[0]}-${p.rimIn} ${p.loadIndex}${p.symbol} ${p.type}`,
    tread: p.tread,
    arrows: 'one',
    dateCode: p.dateCode,
    takeOff: false,
    treadMm: null,
  }));
  const prepared = prepareFit(wheel);
  const fits = tires.map((tire) => fitTire(tire, prepared));
  const refused = fits.findIndex((fit) => fit.verdict === 'stop');
  return {
    wheel,
    tires,
    fits,
    suits: fits.findIndex((fit) => fit.verdict === 'good'),
    refused,
    why: fits[refused]!.reasons.find((r) => r.verdict === 'stop')!.topic,
  };
};
