import { InputError } from '../errors';
import { angle, count, listOf, oneOf, quantity, record, ruleValues } from '../fields';
import { ruleNumber, type RuleValues } from '../rules';
import { counted, angleBetween, normalDeg } from '../units';
import { KEEP_CLEAR_DEG } from '../wheels';
import { defineWorking } from '../working';
import { sumVectors, toVector } from './mass-vector';
import { liesOver, searchPlaces, type PieceKind, type PlaceAnswer, type Spot } from './place-search';

/** Pieces of one mass on the shelf; how long one is along the rim, null where that does not matter. */
export interface WeightStock {
  massG: number;
  count: number;
  lengthMm?: number | null;
}

/** Both sides of the rim in equal pairs, all on the side away from the caliper, or all on the inner face. */
export const SIDES = ['both', 'one', 'inner'] as const;
export type Sides = (typeof SIDES)[number];
export const PIECE_SIDES = ['near', 'far', 'inner'] as const;

/** One piece on the rim. */
export interface Piece {
  massG: number;
  deg: number;
  side: (typeof PIECE_SIDES)[number];
}

export interface BalancePlacement {
  pieces: Piece[];
  /** What is left over, and where it is heavy. */
  residualG: number;
  residualDeg: number;
  /** The pieces come as near as was asked for; else as near as they can one after the other. */
  found: boolean;
  /** Nothing with fewer pieces, nor as few and less mass, comes so near; where nothing was found, nothing does. */
  proved: boolean;
  /** Fewer pieces than this were shown not to do. */
  piecesAtLeast: number;
  /**
   * Wobble that is left at worst, the heavy spot at one edge of the rim: mass times distance along the axle; null where
   * the width is not known.
   */
  coupleGmm: number | null;
}

interface Input {
  counterMassG: number;
  counterDeg: number;
  stock: WeightStock[];
  /** Places a piece can go, such as spokes; anywhere when left out. */
  positions?: number[];
  sides: Sides;
  /** Pieces that one place takes, on a side. */
  perPlace?: number;
  mostPieces?: number;
  /** Once round the rim where pieces are stuck; with it pieces have their length, and none lies over another. */
  rimMm?: number;
  /** What pieces keep clear of: valve, locks, cast spokes. */
  clearOf?: number[];
  /** Width of the rim, for the couple that pieces on its edges make. */
  rimWidthMm?: number;
  /** Made up finer than the shop's limit, which is for the whole wheel. */
  limitG?: number;
  /** Steps of the search after which it ends, proved or not. */
  mostSteps?: number;
  rules?: RuleValues;
}

/** Places of a rim that takes a piece anywhere: as near to each other as a short piece is long. */
const ANYWHERE = 48;
/** Pieces that a fitter puts on at most, on a side. */
const MOST_PIECES = 12;
const PER_PLACE = 2;
/** Steps of a search that must answer at once; it says so when they did not do. */
const MOST_STEPS = 300_000;
const ASKED_EVERY = 4096;
/** Ways to pick out pieces that so many steps may look at, and that fit in memory. */
const STEPS_A_WAY = 5;
const MOST_WAYS = 1_500_000;

const SIDE_WORDS: Record<Sides, string> = {
  both: 'in equal pairs, one on each side of the rim',
  one: 'all on the side away from the caliper',
  inner: 'all on the inner face',
};

/** A kind of weight as input of a working. */
export const WEIGHT_KIND = record(
  {
    massG: quantity('g', 0.5, 200, 'Mass of a piece'),
    count: count(0, 10_000, 'Pieces in stock'),
    lengthMm: quantity('mm', 1, 200, 'Length of a piece').allow(null).optional(),
  },
  'A kind of weight',
);

/** Length of a piece that can be centered at a place without touching what it keeps clear of. */
const roomAt = (deg: number, clearOf: readonly number[], rimMm: number): number =>
  Math.max(0, 2 * (Math.min(180, ...clearOf.map((c) => Math.abs(angleBetween(c, deg)))) - KEEP_CLEAR_DEG)) *
  (rimMm / 360);

/** Where along the axle a piece sits, in half widths of the rim. */
const OFFSET: Record<Piece['side'], number> = { near: 1, far: -1, inner: 0 };

/**
 * The couple of pieces and heavy spot about the middle of the rim, wherever between its edges the heavy spot lies.
 */
const worstCouple = (counter: readonly [number, number], pieces: readonly Piece[], widthMm: number): number => {
  const [px, py] = pieces.reduce<readonly [number, number]>(
    ([x, y], p) => {
      const [dx, dy] = toVector(p);
      return [x + OFFSET[p.side] * dx, y + OFFSET[p.side] * dy];
    },
    [0, 0],
  );
  return (widthMm / 2) * Math.max(...[1, -1].map((edge) => Math.hypot(px - edge * counter[0], py - edge * counter[1])));
};

/** Pieces that come as near as one after the other can, where nothing comes within the limit. */
const asNearAsCan = (
  wanted: readonly [number, number],
  spots: readonly Spot[],
  kinds: readonly PieceKind[],
  perPlace: number,
  most: number,
  rimMm: number | undefined,
) => {
  let [x, y] = wanted;
  const left = kinds.map((k) => k.count);
  const used = spots.map(() => 0);
  const picks: { spot: number; kind: number }[] = [];
  const isFree = (spot: number, lengthMm: number): boolean =>
    (spots[spot]!.roomMm ?? Infinity) >= lengthMm &&
    (rimMm === undefined ||
      !picks.some((p) => liesOver(spots[p.spot]!.deg, kinds[p.kind]!.lengthMm, spots[spot]!.deg, lengthMm, rimMm)));
  for (; picks.length < most;) {
    let best: { spot: number; kind: number; to: number } | null = null;
    for (let kind = 0; kind < kinds.length; kind++)
      for (let spot = 0; spot < spots.length && left[kind]! > 0; spot++) {
        if (used[spot]! >= perPlace || !isFree(spot, kinds[kind]!.lengthMm)) continue;
        const [px, py] = toVector({ massG: kinds[kind]!.massG, deg: spots[spot]!.deg });
        const to = Math.hypot(x - px, y - py);
        if (to < (best?.to ?? Math.hypot(x, y) - 1e-9)) best = { spot, kind, to };
      }
    if (!best) break;
    const [px, py] = toVector({ massG: kinds[best.kind]!.massG, deg: spots[best.spot]!.deg });
    [x, y] = [x - px, y - py];
    left[best.kind]!--;
    used[best.spot]!++;
    picks.push(best);
  }
  return picks;
};

/**
 * The counterweight made up from pieces in stock: within the shop's tolerance by the fewest pieces, of these the
 * lightest,
 * of those a small residual. Proved best by a search that leaves nothing out, or says how far it got.
 *
 * `counterMassG` 0 to 1000 at the weight radius; `stock` at most 12 kinds; `positions` at most 80 in degrees;
 * `perPlace` 1 to 6
 * pieces on a side; `rimMm` 300 to 3000 once round. Throws `InputError` when there is nothing in stock. Source:
 * geometry; exact search.
 */
export const balancePlace = defineWorking<Input, BalancePlacement>({
  name: 'balance-place',
  says: 'Which weights from stock make up the counterweight, and where',
  input: {
    counterMassG: quantity('g', 0, 1000, 'Counterweight wanted'),
    counterDeg: angle('Place of the counterweight'),
    stock: listOf(WEIGHT_KIND, 12, 'The weights in stock'),
    positions: listOf(angle('A place for a piece'), 80, 'The places a piece can go').optional(),
    sides: oneOf(SIDES, 'Which sides of the rim'),
    perPlace: count(1, 6, 'Pieces at one place, on a side').optional(),
    mostPieces: count(1, 24, 'Pieces at most, on a side').optional(),
    rimMm: quantity('mm', 300, 3000, 'Once round the rim').optional(),
    clearOf: listOf(angle('What pieces keep clear of'), 60, 'What pieces keep clear of').optional(),
    rimWidthMm: quantity('mm', 20, 400, 'Width of the rim').optional(),
    limitG: quantity('g', 0, 30, 'How nearly').optional(),
    mostSteps: count(1000, 1_000_000_000, 'Steps of the search').optional(),
    rules: ruleValues(),
  },
  example: {
    counterMassG: 41,
    counterDeg: 32,
    stock: [
      { massG: 10, count: 8 },
      { massG: 5, count: 12 },
    ],
    sides: 'both',
  },
  work(
    {
      counterMassG,
      counterDeg,
      stock,
      positions,
      sides,
      perPlace = PER_PLACE,
      mostPieces = MOST_PIECES,
      rimMm,
      clearOf = [],
      rimWidthMm,
      limitG,
      mostSteps = MOST_STEPS,
      rules,
    },
    show,
  ) {
    const shopG = ruleNumber('balance.toleranceG', rules, show);
    const toleranceG = Math.min(limitG ?? shopG, shopG);
    if (limitG !== undefined)
      show.basis('memory', 'made up to {0}, finer than the limit for the whole wheel', [
        { value: limitG, unit: 'g', digits: 1 },
      ]);
    const together = sides === 'both' ? 2 : 1;
    if (!stock.some((s) => s.count >= together))
      throw new InputError(
        'stock',
        'There are no weights in stock to place.',
        'at least one kind of weight with pieces left',
      );
    const anywhere = Array.from({ length: ANYWHERE }, (_, i) => counterDeg + (i * 360) / ANYWHERE);
    const spots: Spot[] = (positions && positions.length > 0 ? positions : anywhere).map((deg) => ({
      deg: normalDeg(deg),
      roomMm: rimMm === undefined ? null : roomAt(deg, clearOf, rimMm),
    }));
    const kinds: PieceKind[] = stock.map(({ massG, count: n, lengthMm }) => ({
      massG: massG * together,
      count: Math.floor(n / together),
      lengthMm: rimMm === undefined ? 0 : (lengthMm ?? 0),
    }));
    const target = toVector({ massG: counterMassG, deg: counterDeg });
    let asked = 0;
    const answer: PlaceAnswer = searchPlaces({
      target,
      toleranceG,
      spots,
      kinds,
      perSpot: perPlace,
      mostPieces,
      ...(rimMm === undefined ? {} : { rimMm }),
      mostWays: Math.min(MOST_WAYS, mostSteps / STEPS_A_WAY),
      stop: () => ++asked * ASKED_EVERY > mostSteps,
    });
    const picks = answer.picks ?? asNearAsCan(target, spots, kinds, perPlace, mostPieces, rimMm);
    const pieces = picks
      .map((p) => ({ massG: stock[p.kind]!.massG, deg: spots[p.spot]!.deg }))
      .sort((a, b) => angleBetween(counterDeg, a.deg) - angleBetween(counterDeg, b.deg) || b.massG - a.massG)
      .flatMap((p): Piece[] =>
        sides === 'both'
          ? [
              { ...p, side: 'near' },
              { ...p, side: 'far' },
            ]
          : [{ ...p, side: sides === 'inner' ? 'inner' : 'near' }],
      );
    // What is heavy afterwards is the heavy spot plus the pieces.
    const residual = sumVectors([{ massG: counterMassG, deg: counterDeg + 180 }, ...pieces]);
    show.line('wanted', 'counterweight', counterMassG, 'g');
    show.line('pieces', SIDE_WORDS[sides], pieces.map((p) => `${p.massG} g`).join(' + ') || 'none');
    const residualG = show.line('left over', 'heavy spot + pieces, as vectors', residual.massG, 'g');
    const coupleGmm = rimWidthMm === undefined ? null : worstCouple(target, pieces, rimWidthMm);
    if (coupleGmm !== null)
      show.line(
        'couple left at worst, g·mm',
        'mass × distance along the axle, heavy spot at one edge',
        Math.round(coupleGmm),
      );
    const within = answer.picks !== null;
    show.line(
      'proof',
      `${answer.nodes} choices looked at`,
      within && answer.proved
        ? 'no fewer pieces do, nor as few and less mass'
        : within
          ? 'not searched to the end'
          : answer.proved
            ? 'no choice of these pieces comes within the limit'
            : `at least ${counted(answer.piecesAtLeast, 'piece')}`,
    );
    show.basis('practice', SIDE_WORDS[sides]);
    if (rimMm !== undefined)
      show.line('once round the rim', 'pieces side by side, clear of valve, locks and spokes', rimMm, 'mm');
    if (rimMm !== undefined && pieces.length > 0)
      show.caution('On a clean, dry face. A piece that does not stick at once is thrown away.');
    show.basis('published', 'statics: masses add as vectors');
    show.verdict(residualG <= shopG + 1e-9 ? 'good' : 'check');
    if (residualG > shopG + 1e-9)
      show.caution('The stock does not make up this counterweight within the shop’s limit.');
    return {
      pieces,
      residualG,
      residualDeg: residual.deg,
      found: within,
      proved: answer.proved,
      piecesAtLeast: answer.piecesAtLeast * together,
      coupleGmm,
    };
  },
});
