import {
  beadCrush,
  clampForce,
  type ClampForce,
  rollout,
  type Rollout,
  type TapeReading,
  ringGap,
  ringMoves,
  splitRim,
  type BeadCrush,
  type RingGap,
  type RingSchool,
  type SplitRim,
} from '../bench/ring';
import type { Lubricant } from '../bench/torque';
import { ruleWord, type RuleValues } from '../base/rules';
import type { Wheel } from '../fit/wheels';
import { attempt, type Attempt } from '../base/working';
import type { RingName } from './ring-names';
import type { JobState } from './job-state';

/** One turn of the wrench that is still to come, or was. */
interface RingTurn {
  ring: RingName;
  pass: 1 | 2;
  bolt: number;
  /** Clockwise from the valve. */
  deg: number;
}

/** The bolts of a clamped wheel: what is done and which one is next. */
export interface RingNow {
  rings: readonly RingName[];
  bolts: number;
  /** By the maker; null where it is not known. */
  wantedNm: number | null;
  school: RingSchool;
  /** Every turn in its order, both passes round every ring. */
  turns: readonly RingTurn[];
  /** The number done. */
  done: number;
  next: RingTurn | null;
}

const PASSES = [1, 2] as const;

/**
 * The rings of the job's wheel: one on the outside, one on each side, or the bolts of a split rim.
 */
export const ringsOf = ({ wheel }: Pick<JobState, 'wheel'>): readonly RingName[] => {
  if (wheel?.build === 'split') return ['rim'];
  if (wheel?.build !== 'beadlock') return [];
  return wheel.rings === 2 ? ['outer', 'inner'] : ['outer'];
};

const boltsOf = ({ wheel }: Pick<JobState, 'wheel'>) =>
  wheel?.build === 'split'
    ? { bolts: wheel.rimBolts, wantedNm: wheel.rimBoltTorqueNm }
    : { bolts: wheel?.ringBolts ?? null, wantedNm: wheel?.ringTorqueNm ?? null };

/** The bolts at hand; null for a wheel that is not clamped, or whose bolts no one counted. */
export const ringOf = (state: JobState): RingNow | null => {
  const rings = ringsOf(state);
  const { bolts, wantedNm } = boltsOf(state);
  if (rings.length === 0 || bolts === null) return null;
  const school =
    state.wheel?.build === 'split'
      ? 'crossing'
      : (ruleWord('ring.order', state.rules) as RingSchool);
  const turns = rings.flatMap((ring) => {
    const moves = ringMoves(bolts, school, PASSES.map(String));
    return moves.map(({ stage, bolt, deg }): RingTurn => ({
      ring,
      pass: Number(stage) as 1 | 2,
      bolt,
      deg,
    }));
  });
  const isDone = ({ ring, pass, bolt }: RingTurn) =>
    state.ringBolts.some((b) => b.ring === ring && b.pass === pass && b.bolt === bolt);
  return {
    rings,
    bolts,
    wantedNm,
    school,
    turns,
    done: turns.filter(isDone).length,
    next: turns.find((t) => !isDone(t)) ?? null,
  };
};

/** The crush of the beads that were measured; null before one was. */
export const crushOf = ({ beads, wheel, rules }: JobState): Attempt<BeadCrush> | null => {
  const measured = Object.values(beads).map(({ side, bundleMm, gapMm }) => ({
    side,
    bundleMm,
    gapMm,
  }));
  return measured.length === 0
    ? null
    : attempt(beadCrush, { beads: measured, rings: Math.max(1, ringsOf({ wheel }).length), rules });
};

/**
 * A ring's bolt circle that no one measured, for the clamp of each millimetre alone. Basis: memory.
 */
const USUAL_CIRCLE_MM = 300;

/**
 * The clamp force of a ring at the maker's torque, by the record; null if bolts, size, grade or
 * torque are not known.
 */
export const clampOf = (wheel: Wheel, rules: RuleValues): Attempt<ClampForce> | null => {
  const {
    ringTorqueNm: torqueNm,
    ringBolts: bolts,
    ringBoltSize: bolt,
    ringBoltGrade: grade,
  } = wheel;
  if (torqueNm === null || bolts === null || bolt === null || grade === null) return null;
  return attempt(clampForce, {
    torqueNm,
    bolt,
    grade,
    lubricant: ruleWord('clamp.lubricant', rules) as Lubricant,
    bolts,
    ringDiameterMm: wheel.stepMm ?? USUAL_CIRCLE_MM,
    rules,
  });
};

/** The state of a ring by its last round of the feeler; null before one. */
export const gapOf = (state: JobState, ring: RingName): Attempt<RingGap> | null => {
  const last = state.ringGaps.filter((g) => g.ring === ring).at(-1);
  if (!last) return null;
  const { ringBolts: bolts, ringBoltSize: bolt } = state.wheel ?? {
    ringBolts: null,
    ringBoltSize: null,
  };
  return attempt(ringGap, {
    readings: last.readings,
    when: last.when,
    ...(bolts === null ? {} : { bolts }),
    ...(bolt === null ? {} : { bolt }),
    rules: state.rules,
  });
};

/** The rollout by the tapes of the tire that is on, with `more`; null before one. */
export const rolloutOf = (
  state: JobState,
  more: readonly TapeReading[] = [],
): Attempt<Rollout> | null => {
  const kept = state.chosen ? [] : (state.wheel?.rollouts ?? []);
  const readings = [...kept, ...state.tapes, ...more].map(({ run, circumferenceMm, gaugeKpa }) => ({
    run,
    circumferenceMm,
    gaugeKpa,
  }));
  return readings.length === 0 ? null : attempt(rollout, { readings, rules: state.rules });
};

/**
 * Whether a bolt of the clamped wheel may be touched, by what was noted of its air; null for other
 * wheels.
 */
export const airOutOf = (state: JobState): Attempt<SplitRim> | null => {
  const { wheel, airOut, chosen } = state;
  if (!wheel || ringsOf(state).length === 0) return null;
  const { bolts, wantedNm } = boltsOf(state);
  return attempt(splitRim, {
    silent: airOut?.silent ?? false,
    gaugeKpa: airOut?.gaugeKpa ?? null,
    coreOut: airOut?.coreOut ?? false,
    bolts: Math.min(16, Math.max(3, bolts ?? 4)),
    torqueNm: wantedNm,
    tube: chosen?.tube ?? wheel.tube,
    sealed: wheel.build === 'beadlock' || wheel.sealed,
    sealRenewed: true,
    ring: wheel.build === 'beadlock',
  });
};
