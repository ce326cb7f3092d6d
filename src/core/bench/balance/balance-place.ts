import { InputError } from '../../base/errors';
import { angle, count, listOf, oneOf, quantity, record, ruleValues } from '../../base/fields';
import { ruleNumber, type RuleValues } from '../../base/rules';
import { counted, angleBetween, normalDeg } from '../../base/units';
import { KEEP_CLEAR_DEG } from '../../fit/wheels';
import { defineWorking } from '../../base/working';
import { sumVectors, toVector } from './mass-vector';
import type { PieceKind, Spot } from './place-layout';
import { searchPlaces } from './place-search';

/**
 * Weights of one mass in stock, and how long one is along the rim: 0 for one at a spoke, null if not
 * measured.
 */
export interface WeightStock {
  massG: number;
  count: number;
  lengthMm?: number | null;
}

/**
 * Both sides of the rim in equal pairs, all on the side away from the caliper, or all on the inner
 * face.
 */
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
  /** The imbalance left over, and where it is heavy. */
  residualG: number;
  residualDeg: number;
  /** The pieces come as near as was asked for; else they leave the least there is. */
  found: boolean;
  /**
   * At no more than the weight allowed, nothing with fewer pieces, nor as few and less mass, comes so
   * near; where nothing was found, nothing leaves less.
   */
  proved: boolean;
  /** The least that pieces within the limit can weigh; null where that is not known. */
  leastMassG: number | null;
  /** The number of places tried. */
  places: number;
  /** Fewer pieces than this were shown not to do. */
  piecesAtLeast: number;
  /**
   * Wobble that is left at worst, the heavy spot at one edge of the rim: mass times distance along
   * the axle; null where the width is not known.
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
  /**
   * Once round the rim where pieces are stuck; with it pieces have their length, and none lies over
   * another.
   */
  rimMm?: number;
  /** Angles that pieces keep clear of: valve, locks, cast spokes. */
  clearOf?: number[];
  /** Width of the rim, for the couple that pieces on its edges make. */
  rimWidthMm?: number;
  /** Made up finer than the shop's limit, which is for the whole wheel. */
  limitG?: number;
  /** Search steps after which it ends, proved or not. */
  mostSteps?: number;
  rules?: RuleValues;
}

/** As finely as a piece can be set by hand. Basis: memory. */
const SET_TO_MM = 5;
/** Once round a rim of 17 or 18 inches, where no one said. Basis: memory. */
export const USUAL_RIM_MM = 1400;
/** Places that are named at most. */
export const MAX_PLACES = 400;
/** Pieces that a fitter puts on at most, on a side. */
const MAX_PIECES = 12;
const PER_PLACE = 2;
/** Steps of a search that must answer at once; it says so when they did not do. */
const MAX_STEPS = 100_000;
const ASKED_EVERY = 4096;
/** Ways to pick out pieces that so many steps may look at, and that fit in memory. */
const STEPS_A_WAY = 5;
const MAX_WAYS = 1_500_000;

const SIDE_WORDS: Record<Sides, string> = {
  both: 'in equal pairs, one on each side of the rim',
  one: 'all on the side away from the caliper',
  inner: 'all on the inner face, under tape',
};

/** The length of a piece that was not measured. Basis: memory, of stick-on pieces. */
export const usualLengthMm = (massG: number): number => 8 + 1.2 * massG;

/** A kind of weight as input of a working. */
export const WEIGHT_KIND = record(
  {
    massG: quantity('g', 0.5, 200, 'Weight of a piece'),
    count: count(0, 10_000, 'Weights in stock'),
    lengthMm: quantity('mm', 0, 300, 'Length of a weight, 0 on a spoke').allow(null).optional(),
  },
  'A kind of weight',
);

/** Length of a piece that can be centered at a place without touching what it keeps clear of. */
const roomAt = (deg: number, clearOf: readonly number[], rimMm: number): number =>
  2 *
  (Math.min(180, ...clearOf.map((c) => Math.abs(angleBetween(c, deg)))) - KEEP_CLEAR_DEG) *
  (rimMm / 360);

/**
 * The places to look at, each once, with their room: those that were named, or all round the rim.
 */
const spotsFor = (
  positions: readonly number[] | undefined,
  counterDeg: number,
  clearOf: readonly number[],
  rimMm: number,
): Spot[] => {
  const many = Math.floor(rimMm / SET_TO_MM);
  const degs = positions ?? Array.from({ length: many }, (_, i) => counterDeg + (i * 360) / many);
  const spots = degs.map((deg) => ({ deg: normalDeg(deg), roomMm: roomAt(deg, clearOf, rimMm) }));
  return spots.filter(
    (spot, i) =>
      spot.roomMm >= 0 &&
      spots.findIndex((s) => Math.abs(angleBetween(s.deg, spot.deg)) < 1e-6) === i,
  );
};

/** Position of a piece along the axle, in half widths of the rim. */
const OFFSET: Record<Piece['side'], number> = { near: 1, far: -1, inner: 0 };

/**
 * The couple of pieces and heavy spot about the middle of the rim, wherever between its edges the
 * heavy spot lies.
 */
const worstCouple = (
  counter: readonly [number, number],
  pieces: readonly Piece[],
  widthMm: number,
): number => {
  const [px, py] = pieces.reduce<readonly [number, number]>(
    ([x, y], p) => {
      const [dx, dy] = toVector(p);
      return [x + OFFSET[p.side] * dx, y + OFFSET[p.side] * dy];
    },
    [0, 0],
  );
  return (
    (widthMm / 2) *
    Math.max(...[1, -1].map((edge) => Math.hypot(px - edge * counter[0], py - edge * counter[1])))
  );
};

/**
 * The counterweight made up from pieces in stock: within the shop's tolerance by the fewest pieces
 * that weigh no more than a factor of the least that does it, of these the lightest, of those a
 * small residual. Where nothing comes within it, what leaves least. Proved best by a search that
 * leaves nothing out, or says how far it got.
 *
 * `counterMassG` 0 to 1000 at the weight radius; `stock` at most 12 kinds; `positions` at most 400 in degrees,
 * anywhere without them; `perPlace` 1 to 6 pieces on a side; `rimMm` 300 to 3000 once round. Throws
 * `InputError` when there is nothing in stock. Source: geometry; exact search.
 */
export const balancePlace = defineWorking<Input, BalancePlacement>({
  name: 'balance-place',
  title: 'Balance weights from stock',
  input: () => ({
    counterMassG: quantity('g', 0, 1000, 'Counterweight wanted'),
    counterDeg: angle('Place of the counterweight'),
    stock: listOf(WEIGHT_KIND, 12, 'The weights in stock'),
    positions: listOf(angle('A place for a weight'), MAX_PLACES, 'Places for weights').optional(),
    sides: oneOf(SIDES, 'Which sides of the rim'),
    perPlace: count(1, 6, 'Weights at one place, per side').optional(),
    mostPieces: count(1, 24, 'Max weights per side').optional(),
    rimMm: quantity('mm', 300, 3000, 'Rim circumference').optional(),
    clearOf: listOf(angle('Keep weights clear of'), 60, 'Keep weights clear of').optional(),
    rimWidthMm: quantity('mm', 20, 400, 'Width of the rim').optional(),
    limitG: quantity('g', 0, 30, 'Within').optional(),
    mostSteps: count(1000, 1_000_000_000, 'Search steps').optional(),
    rules: ruleValues(),
  }),
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
      mostPieces = MAX_PIECES,
      rimMm = USUAL_RIM_MM,
      clearOf = [],
      rimWidthMm,
      limitG,
      mostSteps = MAX_STEPS,
      rules,
    },
    show,
  ) {
    const shopG = ruleNumber('balance.toleranceG', rules, show);
    const toleranceG = Math.min(limitG ?? shopG, shopG);
    if (limitG !== undefined)
      show.basis('memory', 'to within {0}, finer than the whole-wheel tolerance', [
        { value: limitG, unit: 'g', digits: 1 },
      ]);
    const together = sides === 'both' ? 2 : 1;
    if (!stock.some((s) => s.count >= together))
      throw new InputError(
        'stock',
        'There are no weights in stock to place.',
        'Add at least one kind of weight that is in stock',
      );
    if (positions?.length === 0)
      throw new InputError(
        'positions',
        'The list of places is empty.',
        'Enter at least one place, or leave the list out',
      );
    // Never on the valve, whatever else there is.
    const spots = spotsFor(positions, counterDeg, [0, ...clearOf], rimMm);
    if (spots.length === 0)
      throw new InputError(
        'positions',
        'Every place lies on the valve, a lock or a spoke.',
        `Choose a place ${KEEP_CLEAR_DEG}° or more from each of them`,
      );
    const kinds: PieceKind[] = stock.map(({ massG, count: n, lengthMm }) => ({
      massG: massG * together,
      count: Math.floor(n / together),
      lengthMm: lengthMm ?? usualLengthMm(massG),
    }));
    const massFactor = ruleNumber('balance.massFactor', rules, show);
    const target = toVector({ massG: counterMassG, deg: counterDeg });
    let asked = 0;
    const answer = searchPlaces({
      target,
      toleranceG,
      spots,
      kinds,
      // Anywhere on the rim each piece has a place of its own; named places take several, side by
      // side.
      perSpot: positions || kinds.every((k) => k.lengthMm === 0) ? perPlace : 1,
      mostPieces,
      massFactor,
      rimMm,
      mostWays: Math.min(MAX_WAYS, mostSteps / STEPS_A_WAY),
      stop: () => ++asked * ASKED_EVERY > mostSteps,
    });
    const pieces = answer.picks
      .map((p) => ({ massG: stock[p.kind]!.massG, deg: spots[p.spot]!.deg }))
      .sort(
        (a, b) =>
          angleBetween(counterDeg, a.deg) - angleBetween(counterDeg, b.deg) || b.massG - a.massG,
      )
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
    show.line(
      'weights',
      SIDE_WORDS[sides],
      pieces.map((p) => `${p.massG} g`).join(' + ') || 'none',
    );
    const residualG = show.line(
      'imbalance left',
      'heavy spot + weights, as vectors',
      residual.massG,
      'g',
    );
    const coupleGmm = rimWidthMm === undefined ? null : worstCouple(target, pieces, rimWidthMm);
    if (coupleGmm !== null)
      show.line(
        'worst couple left, g·mm',
        'mass × distance along the axle, heavy spot at one edge',
        Math.round(coupleGmm),
      );
    const { within, leastMassG } = answer;
    if (within && leastMassG !== null && pieces.length > 0) {
      show.line('least total weight', 'of all choices within tolerance', leastMassG, 'g');
      show.line(
        'weight allowed',
        `× ${massFactor}, to allow fewer weights`,
        massFactor * leastMassG,
        'g',
      );
    }
    show.line(
      'proof',
      `${counted(answer.nodes, 'choice')} at ${counted(spots.length, 'place')}`,
      within && answer.proved
        ? 'no choice up to that weight uses fewer weights or is lighter'
        : within
          ? 'search not finished'
          : answer.proved
            ? 'no choice of these weights is within tolerance; this leaves the least'
            : `at least ${counted(answer.piecesAtLeast, 'weight')}`,
    );
    show.basis('practice', SIDE_WORDS[sides]);
    show.line(
      'around the rim',
      'weights side by side, clear of valve, locks and spokes',
      rimMm,
      'mm',
    );
    if (rimMm === USUAL_RIM_MM)
      show.basis('memory', `a rim of ${USUAL_RIM_MM} mm around, since none was given`);
    if (stock.some((k) => k.lengthMm === undefined || k.lengthMm === null))
      show.basis(
        'memory',
        'a weight without a measured length counts as 8 mm long, plus 1.2 mm for each gram',
      );
    if (pieces.length > 0)
      show.caution('On a clean, dry face. Throw away a weight that does not stick at once.');
    show.basis('published', 'statics: masses add as vectors');
    show.verdict(residualG <= shopG + 1e-9 ? 'good' : 'check');
    if (residualG > shopG + 1e-9)
      show.caution('Stock cannot make this counterweight within the shop’s tolerance.');
    return {
      pieces,
      residualG,
      residualDeg: residual.deg,
      found: within,
      proved: answer.proved,
      leastMassG,
      places: spots.length,
      piecesAtLeast: answer.piecesAtLeast * together,
      coupleGmm,
    };
  },
});
