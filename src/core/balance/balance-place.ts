import { InputError } from '../errors';
import { angle, count, listOf, oneOf, quantity, record, ruleValues } from '../fields';
import { ruleNumber, type RuleValues } from '../rules';
import { angleBetween } from '../units';
import { defineWorking } from '../working';
import { fromVector, sumVectors, toVector } from './mass-vector';

/** Pieces of one mass on the shelf. */
export interface WeightStock {
  massG: number;
  count: number;
}

/** One piece on the rim. */
export interface Piece {
  massG: number;
  deg: number;
  side: 'near' | 'far';
}

export interface BalancePlacement {
  pieces: Piece[];
  /** What is left over, and where it is heavy. */
  residualG: number;
  residualDeg: number;
}

interface Input {
  counterMassG: number;
  counterDeg: number;
  stock: WeightStock[];
  /** Places a piece can go, such as spokes; anywhere when left out. */
  positions?: number[];
  /** `both`: pieces in equal pairs, one on each side of the rim; `one`: all on the side that is up. */
  sides: 'both' | 'one';
  rules?: RuleValues;
}

const NEAREST_PLACES = 4;
const SEARCHED_PIECES = 4;

interface Option {
  massG: number;
  deg: number;
  stockIndex: number;
  vector: readonly [number, number];
}

type Left = readonly [number, number];

const minus = ([x, y]: Left, [dx, dy]: Left): Left => [x - dx, y - dy];

/**
 * The counterweight made up from pieces in stock: every combination of up to four pieces (pairs when both sides)
 * at the nearest places, after the bulk of a larger mass has gone on as the largest pieces.
 *
 * `counterMassG` 0 to 1000 at the weight radius; `stock` at most 12 kinds; `positions` at most 80 in degrees.
 * Throws `InputError` when there is nothing in stock. A wide search, not proved to be the best there is.
 */
export const balancePlace = defineWorking<Input, BalancePlacement>({
  name: 'balance-place',
  says: 'Which weights from stock make up the counterweight, and where',
  input: {
    counterMassG: quantity('g', 0, 1000, 'Counterweight wanted'),
    counterDeg: angle('Place of the counterweight'),
    stock: listOf(
      record({ massG: quantity('g', 0.5, 200, 'Mass of a piece'), count: count(0, 10_000, 'Pieces in stock') }, 'A kind of weight'),
      12,
      'The weights in stock',
    ),
    positions: listOf(angle('A place for a piece'), 80, 'The places a piece can go').optional(),
    sides: oneOf(['both', 'one'], 'Which sides of the rim'),
    rules: ruleValues(),
  },
  example: { counterMassG: 41, counterDeg: 32, stock: [{ massG: 10, count: 8 }, { massG: 5, count: 12 }], sides: 'both' },
  work({ counterMassG, counterDeg, stock, positions, sides, rules }, show) {
    const toleranceG = ruleNumber('balance.toleranceG', rules, show);
    const perPlace = sides === 'both' ? 2 : 1;
    if (!stock.some((s) => s.count >= perPlace))
      throw new InputError('stock', 'There are no weights in stock to place.', 'at least one kind of weight with pieces left');
    const places = nearest(positions && positions.length > 0 ? positions : [counterDeg], counterDeg);
    const left = stock.map((s) => Math.floor(s.count / perPlace));
    const options: Option[] = stock.flatMap(({ massG }, stockIndex) =>
      places.map((deg) => ({ massG, deg, stockIndex, vector: toVector({ massG: massG * perPlace, deg }) })),
    );
    const bulk = placeBulk(counterMassG, counterDeg, options, left, perPlace);
    const searched = searchRest(bulk.rest, options, left);
    const placed = [...bulk.placed, ...searched.placed];
    const pieces = placed.flatMap((o): Piece[] =>
      sides === 'both'
        ? [{ massG: o.massG, deg: o.deg, side: 'near' }, { massG: o.massG, deg: o.deg, side: 'far' }]
        : [{ massG: o.massG, deg: o.deg, side: 'near' }],
    );
    // What is heavy afterwards is the heavy spot plus the pieces.
    const residual = sumVectors([{ massG: counterMassG, deg: counterDeg + 180 }, ...pieces]);
    show.line('wanted', 'counterweight', counterMassG, 'g');
    show.line('pieces', sides === 'both' ? 'in pairs, both sides' : 'one side', pieces.map((p) => `${p.massG} g`).join(' + ') || 'none');
    const residualG = show.line('left over', 'heavy spot + pieces, as vectors', residual.massG, 'g');
    show.basis('practice', sides === 'both' ? 'split over both sides of the rim' : 'all on one side');
    show.verdict(residualG <= toleranceG ? 'good' : 'check');
    if (residualG > toleranceG) show.caution('The stock does not make up this counterweight within the shop\u2019s limit.');
    return { pieces, residualG, residualDeg: residual.deg };
  },
});

const nearest = (positions: number[], deg: number): number[] =>
  [...positions].sort((a, b) => Math.abs(angleBetween(deg, a)) - Math.abs(angleBetween(deg, b))).slice(0, NEAREST_PLACES);

/** Puts the largest pieces on until the search can make up what is left; takes them out of `left`. */
const placeBulk = (massG: number, deg: number, options: Option[], left: number[], perPlace: number) => {
  const placed: Option[] = [];
  let rest: Left = toVector({ massG, deg });
  const reachG = (): number => {
    const kinds = [...new Map(options.map((o) => [o.stockIndex, o.massG]))].sort((a, b) => b[1] - a[1]);
    const pieces = kinds.flatMap(([i, mass]) => Array<number>(Math.min(left[i]!, SEARCHED_PIECES)).fill(mass * perPlace));
    return pieces.slice(0, SEARCHED_PIECES).reduce((t, m) => t + m, 0);
  };
  for (;;) {
    const largest = options
      .filter((o) => left[o.stockIndex]! > 0)
      .sort((a, b) => b.massG - a.massG || Math.hypot(...minus(rest, a.vector)) - Math.hypot(...minus(rest, b.vector)))[0];
    if (!largest || fromVector(rest).massG <= reachG()) return { placed, rest };
    left[largest.stockIndex]!--;
    placed.push(largest);
    rest = minus(rest, largest.vector);
  }
};

/** A residual this much larger is no reason for one more piece. */
const ALIKE_G = 0.1;

/** The fewest of up to four options, by every combination, that leave as little as any combination does. */
const searchRest = (target: Left, options: Option[], left: number[]) => {
  const bestOf: { placed: Option[]; residualG: number }[] = [{ placed: [], residualG: Math.hypot(...target) }];
  const used = left.map(() => 0);
  const walk = (from: number, rest: Left, placed: Option[]) => {
    if (placed.length === SEARCHED_PIECES) return;
    for (let i = from; i < options.length; i++) {
      const option = options[i]!;
      if (used[option.stockIndex]! >= left[option.stockIndex]!) continue;
      const next = minus(rest, option.vector);
      const residualG = Math.hypot(...next);
      placed.push(option);
      used[option.stockIndex]!++;
      if (residualG < (bestOf[placed.length]?.residualG ?? Infinity)) bestOf[placed.length] = { placed: [...placed], residualG };
      walk(i, next, placed);
      placed.pop();
      used[option.stockIndex]!--;
    }
  };
  walk(0, target, []);
  const leastG = Math.min(...bestOf.map((b) => b.residualG));
  return bestOf.find((b) => b.residualG <= leastG + ALIKE_G)!;
};
