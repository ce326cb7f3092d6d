import type { AdviceInput } from './advice';
import { believe, withinChance, type Belief } from './belief';
import { bestChange, type Change } from './best-change';
import { deceivesTests } from './doubt';
import { lastFit } from './last-readings';
import { isLevel, movesEvenly, seenNear, triedNear } from './level-check';
import { fromVector, sumParts, type MassVector } from './mass-vector';

/** The last readings may fit a balanced wheel no worse than this. Basis: memory. */
const FITS = 0.2;
/** So sure by the readings with these weights, and with a known piece more or less, alone. */
const SURE_ALONE = 0.9;

const sameWeights = (a: readonly MassVector[], b: readonly MassVector[]): boolean => {
  const [p, q] = [sumParts(a), sumParts(b)];
  return Math.hypot(p[0] - q[0], p[1] - q[1]) < 0.05;
};

/** The readings with the weights that are on now, which need no belief yet. */
export const readingsNow = ({ seen, on }: Pick<AdviceInput, 'seen' | 'on'>) => {
  const now = seen.slice(seen.findLastIndex((o) => !sameWeights(o.weights, on)) + 1);
  const rests = now.filter((o) => o.kind === 'settle');
  return {
    now,
    rests,
    settles: rests.filter((o) => !o.turned),
    tests: now.filter((o) => o.kind === 'level'),
    /** A machine read it, which does not hide behind bearings. */
    isFast: now.some((o) => o.kind === 'machine'),
    /** A machine was used from the start. */
    isByMachine: seen.some((o) => o.kind === 'machine') && !seen.some((o) => o.kind === 'settle'),
  };
};
export type ReadingsNow = ReturnType<typeof readingsNow>;

/**
 * On fine bearings the least that is left moves the wheel. A known piece more that turns it around
 * bounds what is left, by the readings with and without the piece alone; null when they do not.
 */
const bracketedBy = ({ seen, known, on, toleranceG }: AdviceInput, settles: number) => {
  const near = seenNear(seen, on, toleranceG);
  if (settles < 2 || triedNear(seen, on, toleranceG) === 0 || !movesEvenly(near)) return null;
  const alone = believe(near, known?.bandG === undefined ? {} : { bandG: known.bandG });
  const sure = withinChance(alone, on, toleranceG, true);
  return sure >= SURE_ALONE ? sure : null;
};

/**
 * Everything the rules look at: the belief, what is left by it, and what the last readings bear out
 * on their own.
 */
export const situationOf = (input: AdviceInput, readings: ReadingsNow, given?: Belief) => {
  const { seen, known, on, doubt = null, toleranceG } = input;
  const { now, settles, isFast } = readings;
  const belief = given ?? believe(seen, known);
  const [ox, oy] = sumParts(on);
  const last = lastFit(now, toleranceG, known?.bandG);
  const believed = withinChance(belief, on, toleranceG, !isFast);
  const proofOf = (): number | null => {
    if (deceivesTests(doubt)) return null;
    if (isFast || isLevel(now)) return last.fit >= FITS ? last.fit : null;
    return bracketedBy(input, settles.length);
  };
  const proof = proofOf();
  let change: Change | null = null;
  return {
    ...readings,
    input,
    belief,
    /** The imbalance left with the weights on, by the belief. */
    left: fromVector([belief.meanX + ox, belief.meanY + oy]),
    /** The chance that it is balanced, by the belief. */
    believed,
    /**
     * The fit that the readings with these weights bear out by themselves; null when they do not
     * call it balanced.
     */
    proof,
    /** Never above what the last readings bear out. */
    chance: Math.min(believed, proof ?? last.fit),
    /** A doubt that the other readings have not settled. */
    doubts: doubt?.settled === false ? doubt : null,
    /** The last rests lie closer together than rests of a balanced wheel do. */
    isCrowded: last.crowded,
    /** The weights to put on next; worked out when first asked for. */
    change: (): Change => (change ??= bestChange(input, belief)),
  };
};
export type Situation = ReturnType<typeof situationOf>;
