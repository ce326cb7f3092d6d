import { bottomMm, hoopSlackMm, limpLoop } from '../bench/beads/bead-geometry';
import { effortOf, effortShare, type Effort } from '../bench/beads/lever-effort';
import { angleBetween, normalDeg } from '../base/units';
import type { HiddenBead } from './hidden-bead';

/**
 * One thing done with the second bead. `end` is where the lever works on: the clockwise end of what
 * is on, or the other.
 */
export type LeverAct =
  | { do: 'start'; deg: number }
  | { do: 'bite'; end: 'clockwise' | 'back'; mm: number }
  /** A knee on the part that is on: near its middle it climbs half as far. */
  | { do: 'kneel'; deg: number }
  | { do: 'push down' }
  | { do: 'press the lock' }
  | { do: 'feel' };

/** The result of an act. */
export type LeverSeen =
  | { is: 'done' }
  | { is: 'goes'; effort: Effort; spareMm: number }
  | { is: 'stuck'; shortMm: number; why: 'far side up' | 'bite too long' }
  | { is: 'on the lock'; deg: number }
  | { is: 'pinched'; deg: number; effort: Effort; spareMm: number }
  | { is: 'scratched'; deg: number; effort: Effort; spareMm: number }
  | { is: 'keeper lifts' };

/** The bead as it lies. */
export interface BeadState {
  /** Null before the first knee is down. */
  startDeg: number | null;
  /** The part that is on, from `fromDeg` clockwise; and how much of that lies up on its seat. */
  fromDeg: number;
  onDeg: number;
  upDeg: number;
  kneelDeg: number | null;
  lockPressed: boolean;
  tubeDegs: readonly number[];
  pinchedDegs: readonly number[];
  scratches: number;
  strokes: number;
  /** All of it is on. */
  over: boolean;
}

/** By hand and knees, before the first lever. Basis: memory, as the shop's rule has it. */
const BY_HAND_DEG = 90;
/**
 * A bite that is nowhere farther from the valve leaves the lever no place but the tube's neck.
 * Basis: memory.
 */
const VALVE_DEG = 7;
/** The bead of a lock, either way of its place. Basis: memory. */
const LOCK_HALF_DEG = 6;
/** Fitted bead that climbed so far takes the keeper with it. Basis: memory. */
const KEEPER_DEG = 150;
/** So much of what was levered comes out again with a keeper. Basis: memory. */
const LIFTED_DEG = 60;
/** A knee holds so much of the part that is on, either way. Basis: memory. */
const KNEE_DEG = 60;
/** The longest stroke that does no harm when it goes heavily, mm. Common practice. */
const HEAVY_BITE_MM = 70;

export const untouched = (bead: HiddenBead): BeadState => ({
  startDeg: null,
  fromDeg: 0,
  onDeg: 0,
  upDeg: 0,
  kneelDeg: null,
  lockPressed: false,
  tubeDegs: bead.tubeDegs,
  pinchedDegs: [],
  scratches: 0,
  strokes: 0,
  over: false,
});

/** Degrees of a bite along the flange. */
export const biteDegOf = ({ rim }: HiddenBead, mm: number): number =>
  (mm / (Math.PI * rim.flangeMm)) * 360;

/** Nowhere in the bite is a place for a lever clear of the valve. */
export const isAtValve = (fromDeg: number, spanDeg: number): boolean =>
  spanDeg <= 2 * VALVE_DEG &&
  [fromDeg, fromDeg + spanDeg].every((deg) => Math.abs(angleBetween(0, deg)) < VALVE_DEG);

/** The middle of the part that is on: there a knee holds it down. */
export const middleDeg = ({ fromDeg, onDeg }: BeadState): number => normalDeg(fromDeg + onDeg / 2);

/** The climb of the part that is on with a stroke: half as far under a knee. */
const climbOf = ({ climbDeg }: HiddenBead, state: BeadState): number =>
  state.kneelDeg !== null && Math.abs(angleBetween(middleDeg(state), state.kneelDeg)) <= KNEE_DEG
    ? climbDeg / 2
    : climbDeg;

/** With the next stroke the keeper lifts. */
export const keeperIsNext = (bead: HiddenBead, state: BeadState): boolean =>
  state.upDeg + climbOf(bead, state) >= KEEPER_DEG;

const within = (deg: number, fromDeg: number, spanDeg: number): boolean =>
  normalDeg(deg - fromDeg) <= spanDeg;

/** The slack of a bite as the bead lies; its length in degrees. */
export const spareOf = (bead: HiddenBead, state: BeadState, biteDeg: number): number => {
  const { rim, lockMm } = bead;
  const loop = limpLoop(rim, bottomMm(rim));
  const leftDeg = Math.min(360 - state.onDeg, 360 - 2 * loop.riseDeg);
  return (
    loop.slackMm(leftDeg, biteDeg) - lockMm - Math.min(state.upDeg, state.onDeg) * loop.perUpDegMm
  );
};

const bite = (
  bead: HiddenBead,
  state: BeadState,
  act: LeverAct & { do: 'bite' },
): { state: BeadState; seen: LeverSeen } => {
  const leftDeg = 360 - state.onDeg;
  const spanDeg = Math.min(biteDegOf(bead, act.mm), leftDeg);
  const struck = { ...state, strokes: state.strokes + 1, lockPressed: false };
  const [fromDeg, leverDeg] =
    act.end === 'clockwise'
      ? [state.fromDeg + state.onDeg, state.fromDeg + state.onDeg + spanDeg]
      : [state.fromDeg - spanDeg, state.fromDeg - spanDeg];
  const lock = bead.lockDegs.find(
    (deg) =>
      within(deg + LOCK_HALF_DEG, fromDeg, spanDeg + 2 * LOCK_HALF_DEG) && !state.lockPressed,
  );
  if (lock !== undefined) return { state: struck, seen: { is: 'on the lock', deg: lock } };
  const spareMm = spareOf(bead, state, spanDeg);
  if (spareMm <= 0) {
    const down = spareOf(bead, { ...state, upDeg: 0 }, spanDeg);
    return {
      state: struck,
      seen: { is: 'stuck', shortMm: -spareMm, why: down > 0 ? 'far side up' : 'bite too long' },
    };
  }
  const effort = effortOf(effortShare(hoopSlackMm(bead.rim, bottomMm(bead.rim)), spareMm));
  const on: BeadState = {
    ...struck,
    fromDeg: normalDeg(act.end === 'back' ? fromDeg : state.fromDeg),
    onDeg: state.onDeg + spanDeg,
    upDeg: Math.min(state.onDeg, state.upDeg + climbOf(bead, state)),
    over: leftDeg - spanDeg < 0.5,
  };
  const caught = state.tubeDegs.find((deg) => within(deg, fromDeg, spanDeg));
  if (caught !== undefined || isAtValve(fromDeg, spanDeg)) {
    const deg = caught ?? 0;
    const tubeDegs = state.tubeDegs.filter((d) => d !== caught);
    return {
      state: { ...on, tubeDegs, pinchedDegs: [...state.pinchedDegs, deg] },
      seen: { is: 'pinched', deg, effort, spareMm },
    };
  }
  if (effort === 'heavy' && act.mm > HEAVY_BITE_MM)
    return {
      state: { ...on, scratches: state.scratches + 1 },
      seen: { is: 'scratched', deg: normalDeg(leverDeg), effort, spareMm },
    };
  return { state: on, seen: { is: 'goes', effort, spareMm } };
};

/**
 * The bead after an act, and what was seen of it. What passes is geometry; how far the bead climbs,
 * where the tube lies, and when a keeper lifts or a rim is scratched is a model, from memory.
 */
export const leverAct = (
  bead: HiddenBead,
  state: BeadState,
  act: LeverAct,
): { state: BeadState; seen: LeverSeen } => {
  const done: LeverSeen = { is: 'done' };
  if (state.over) return { state, seen: done };
  if (act.do === 'start')
    return state.startDeg !== null
      ? { state, seen: done }
      : {
          state: {
            ...state,
            startDeg: normalDeg(act.deg),
            fromDeg: normalDeg(act.deg - BY_HAND_DEG / 2),
            onDeg: BY_HAND_DEG,
          },
          seen: done,
        };
  if (state.startDeg === null) return { state, seen: done };
  if (act.do === 'kneel') return { state: { ...state, kneelDeg: normalDeg(act.deg) }, seen: done };
  if (act.do === 'push down') return { state: { ...state, upDeg: 0 }, seen: done };
  if (act.do === 'press the lock') return { state: { ...state, lockPressed: true }, seen: done };
  if (act.do === 'feel') return { state: { ...state, tubeDegs: [] }, seen: done };
  const found = bite(bead, state, act);
  // The keeper sits where it began: what climbed takes it along, and the first bites come out
  // again.
  const went = found.state.onDeg > state.onDeg;
  if (went && !found.state.over && found.state.upDeg >= KEEPER_DEG)
    return {
      state: {
        ...found.state,
        onDeg: Math.max(BY_HAND_DEG, found.state.onDeg - LIFTED_DEG),
        upDeg: 0,
      },
      seen: { is: 'keeper lifts' },
    };
  return found;
};
