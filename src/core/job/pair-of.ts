import {
  beadCrush,
  rollout,
  rolloutMatch,
  type BeadCrush,
  type BeadMeasured,
  type Rollout,
  type RolloutMatch,
  type TapeReading,
} from '../bench/ring';
import { ruleNumber, type RuleValues } from '../base/rules';
import { wheelEnd, type Wheel } from '../fit/wheels';
import { attempt, type Attempt } from '../base/working';
import type { JobState } from './job-state';

/** Two wheels of a machine that have to match. */
export interface PairNow {
  left: Wheel;
  right: Wheel;
  rollouts: { left: Attempt<Rollout> | null; right: Attempt<Rollout> | null };
  /** At the measuring pressure; null until both were taped. */
  match: Attempt<RolloutMatch> | null;
  /**
   * As they were taped last, where that was at two pressures: the smaller one corrected with air.
   * Null otherwise.
   */
  aired: { match: Attempt<RolloutMatch>; leftKpa: number; rightKpa: number } | null;
}

/**
 * Two pressures of a gauge that differ by less are one. Basis: memory, a gauge for low pressures.
 */
const SAME_KPA = 1.5;

/**
 * On which side of the machine a wheel counts: a sidecar's rear wheel is the left one of the two
 * here.
 */
const isLeft = ({ position }: Wheel): boolean => position.startsWith('left') || position === 'rear';

/**
 * The other wheel that it makes a pair with; null for one alone. Of a driven axle, the one at the
 * same end.
 */
export const partnerOf = (wheel: Wheel, wheels: readonly Wheel[]): Wheel | null =>
  wheel.pair === null
    ? null
    : (wheels.find(
        (other) =>
          other.id !== wheel.id &&
          !other.archived &&
          other.machineId === wheel.machineId &&
          other.pair === wheel.pair &&
          (wheel.pair === 'rear and driven sidecar' ||
            wheelEnd(other.position) === wheelEnd(wheel.position)),
      ) ?? null);

const tapesOf = (wheel: Wheel): TapeReading[] =>
  wheel.rollouts.map(({ run, circumferenceMm, gaugeKpa }) => ({ run, circumferenceMm, gaugeKpa }));

/** The match of two wheels by what was taped of each; `one` and `other` in any order. */
export const pairNow = (one: Wheel, other: Wheel, rules: RuleValues): PairNow => {
  const [left, right] = isLeft(one) ? [one, other] : [other, one];
  const of = (wheel: Wheel): Attempt<Rollout> | null =>
    wheel.rollouts.length === 0 ? null : attempt(rollout, { readings: tapesOf(wheel), rules });
  const rollouts = { left: of(left), right: of(right) };
  if (!rollouts.left?.ok || !rollouts.right?.ok)
    return { left, right, rollouts, match: null, aired: null };
  const [a, b] = [rollouts.left.working.result, rollouts.right.working.result];
  const smaller =
    a.circumferenceMm <= b.circumferenceMm ? { wheel: left, told: a } : { wheel: right, told: b };
  const common = {
    ...(one.pair === null ? {} : { pair: one.pair }),
    ...(smaller.told.stretchMmPerKpa === null
      ? {}
      : { stretchMmPerKpa: smaller.told.stretchMmPerKpa }),
    ...(smaller.wheel.rimLimitKpa === null ? {} : { limitKpa: smaller.wheel.rimLimitKpa }),
    rules,
  };
  const matchOf = (leftMm: number, rightMm: number, measuringKpa: number) =>
    attempt(rolloutMatch, { leftMm, rightMm, measuringKpa, ...common });
  const [leftTape, rightTape] = [left.rollouts.at(-1)!, right.rollouts.at(-1)!];
  const isAired = Math.abs(leftTape.gaugeKpa - rightTape.gaugeKpa) > SAME_KPA;
  return {
    left,
    right,
    rollouts,
    match: matchOf(a.circumferenceMm, b.circumferenceMm, ruleNumber('rollout.measureKpa', rules)),
    aired: isAired
      ? {
          match: matchOf(
            leftTape.circumferenceMm,
            rightTape.circumferenceMm,
            (leftTape.circumferenceMm < rightTape.circumferenceMm ? leftTape : rightTape).gaugeKpa,
          ),
          leftKpa: leftTape.gaugeKpa,
          rightKpa: rightTape.gaugeKpa,
        }
      : null,
  };
};

/**
 * The crush of the beads of both wheels, beside each other; null until a bead of the left one was
 * measured.
 */
export const pairCrush = (
  pair: Pick<PairNow, 'left' | 'right'>,
  beads: { left: readonly BeadMeasured[]; right: readonly BeadMeasured[] },
  rules: RuleValues,
): Attempt<BeadCrush> | null =>
  beads.left.length === 0
    ? null
    : attempt(beadCrush, {
        beads: [...beads.left],
        ...(beads.right.length === 0 ? {} : { other: [...beads.right] }),
        rings: pair.left.rings ?? 1,
        rules,
      });

/**
 * The doubts about a job's wheel beside its partner: the pair does not match, or that cannot be
 * known. The new tire counts with what was taped in the job.
 */
export const pairDoubts = (state: JobState, wheels: readonly Wheel[]): string[] => {
  const { wheel, chosen, tapes, rules } = state;
  const partner = wheel && partnerOf(wheel, wheels);
  if (!wheel || !partner) return [];
  const taped = tapes.map(({ at, run, circumferenceMm, gaugeKpa }) => ({
    onDate: at.slice(0, 10),
    run,
    circumferenceMm,
    gaugeKpa,
  }));
  const now = { ...wheel, rollouts: [...(chosen ? [] : wheel.rollouts), ...taped] };
  const pair = pairNow(now, partner, rules);
  const match = pair.aired?.match ?? pair.match;
  if (!match) return ['This wheel or its partner was not taped, so the match is unknown.'];
  if (!match.ok) return [match.problem.message];
  return match.working.result.reasons
    .filter((r) => r.verdict !== 'good')
    .map((r) => r.says)
    .slice(0, 1);
};
