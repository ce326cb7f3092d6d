import {
  sumVectors,
  type MassVector,
  type Observation,
  type Prior,
  type Sides,
  type WeightStock,
} from '../bench/balance';
import { ruleNumber, ruleWord, type RuleValues } from '../base/rules';
import type { WeightItem } from '../shop/records';
import { tireSize } from '../fit/tires';
import { meanDeg, normalDeg } from '../base/units';
import { keepClearDegs, takesCrimpOn, tryRimCode, weightPlaces, type Wheel } from '../fit/wheels';
import { attempt } from '../base/working';
import type { BalanceLog } from './balance-log';
import type { JobState } from './job-state';

/** Everything that the workings of balancing need to know of a job. */
export interface BalanceQuestion {
  seen: Observation[];
  on: MassVector[];
  /** The kinds of weight that hold on this wheel. */
  stock: WeightStock[];
  /** The spokes where pieces are crimped on; anywhere on the rim without them. */
  positions?: number[];
  sides: Sides;
  rimMm?: number;
  /** The places no piece lies on: valve, locks, and on a cast face the spokes. */
  clearOf: number[];
  rimWidthMm?: number;
  prior?: Prior;
  rules: RuleValues;
}

/** Kinds of weight that a placement looks at, and readings that a belief rests on. */
const MAX_KINDS = 12;
const MAX_SEEN = 40;

/**
 * Once round the rim at the bead seat, where stuck pieces lie; undefined where the rim's diameter
 * is not known.
 */
const rimRoundMm = (wheel: Wheel, marking: string): number | undefined => {
  const tire = attempt(tireSize, { marking });
  const acrossMm =
    tryRimCode(wheel.rimCode)?.rimDiameterMm ??
    (tire.ok ? tire.working.result.rimDiameterMm : undefined);
  return acrossMm === undefined ? undefined : Math.PI * acrossMm;
};

/**
 * The places for weights on a wheel: by the shop's rule; of a ring wheel on the inner face alone,
 * clear of the ring.
 */
export const sidesOf = ({ build }: Pick<Wheel, 'build'>, rules: RuleValues): Sides =>
  build === 'beadlock' ? 'inner' : (ruleWord('balance.sides', rules) as Sides);

/**
 * Weights of this shop that hold on this wheel: crimp-on at spokes, stuck ones on a cast face, an
 * inner face, or where no crimp-on is left.
 */
export const weightsFor = (
  wheel: Wheel,
  sides: Sides,
  weights: readonly WeightItem[],
): { stuck: boolean; stock: WeightStock[] } => {
  const left = weights.filter((w) => w.count > 0);
  const stuck = sides === 'inner' || !takesCrimpOn(wheel) || !left.some((w) => w.kind === 'spoke');
  const stock = left
    .filter((w) => w.kind === (stuck ? 'adhesive' : 'spoke'))
    .slice(0, MAX_KINDS)
    // A piece that is crimped on a spoke takes up none of the rim.
    .map(({ massG, count, lengthMm }) => ({ massG, count, lengthMm: stuck ? lengthMm : 0 }));
  return { stuck, stock };
};

/**
 * The question to the workings of balancing, from a job's log and the weights in stock; null before
 * the wheel is known.
 */
export const balanceQuestion = (
  { wheel, rules, balance, chosen }: JobState,
  weights: readonly WeightItem[],
): BalanceQuestion | null => {
  if (!wheel) return null;
  const sides = sidesOf(wheel, rules);
  const { stuck, stock } = weightsFor(wheel, sides, weights);
  const widthMm = tryRimCode(wheel.rimCode)?.widthMm;
  const rimMm = rimRoundMm(wheel, chosen?.marking ?? wheel.tireMarking);
  return {
    seen: balance.seen.slice(-MAX_SEEN).map(({ entryId: _, ...seen }) => seen),
    on: balance.on,
    stock,
    ...(stuck ? {} : { positions: weightPlaces(wheel) }),
    sides,
    ...(widthMm === undefined ? {} : { rimWidthMm: widthMm }),
    ...(rimMm === undefined ? {} : { rimMm }),
    clearOf: keepClearDegs(wheel, sides === 'inner'),
    ...(balance.hint
      ? {
          prior: {
            massG: balance.hint.massG,
            deg: balance.hint.deg,
            spreadG: ruleNumber('balance.hintG', rules),
          },
        }
      : {}),
    rules,
  };
};

/** The heavy spot that weights were put on against. */
export const heavyAgainst = (pieces: readonly MassVector[]): MassVector => {
  const { massG, deg } = sumVectors(pieces);
  return { massG, deg: normalDeg(deg + 180) };
};

/**
 * The heavy spot of the wheel with its tire: as believed at the end, or the middle of its rests
 * with nothing on; null before either.
 */
export const heavyOf = ({
  balanced,
  seen,
}: BalanceLog): { deg: number; massG: number | null } | null => {
  if (balanced) return { deg: balanced.heavyDeg, massG: balanced.heavyMassG };
  const rests = seen.flatMap((o) =>
    o.kind === 'settle' && o.weights.length === 0 ? [o.restDeg] : [],
  );
  return rests.length === 0 ? null : { deg: meanDeg(rests), massG: null };
};
