import {
  biteInputBy,
  fillWhile,
  planBites,
  wellFillMm,
  type BiteInput,
  type BitePlan,
  type RimProfile,
  type WellFill,
} from '../bench/beads';
import { ruleNumber } from '../base/rules';
import { tryReadTire } from '../fit/tires';
import { tryRimCode, type Wheel } from '../fit/wheels';
import type { JobState } from './job-state';

/** Diameter of the job's rim: as stamped, or as the tire has it. */
export const rimDiameterMm = (state: JobState): number | null => {
  const stamped = state.wheel && tryRimCode(state.wheel.rimCode)?.rimDiameterMm;
  if (stamped) return stamped;
  return (state.wheel && tryReadTire(state.wheel.tireMarking)?.rimDiameterMm) ?? null;
};

/** The measured rim of the job, if it fits the bead; null if it was not measured, or cannot be. */
export const rimProfileOf = (state: JobState): RimProfile | null => {
  const beadMm = rimDiameterMm(state);
  const { flangeMm = null, wellMm = null, wellToFlangeMm: axialMm = null } = state.wheel ?? {};
  if (beadMm === null || flangeMm === null || wellMm === null || axialMm === null) return null;
  return wellMm < beadMm && beadMm < flangeMm ? { flangeMm, wellMm, axialMm } : null;
};

/** The contents of the well of a job's rim while its tire comes off or goes on. */
const fillOf = (wheel: Wheel, { chosen, rules }: JobState, direction: 'off' | 'on'): WellFill => {
  const isTube = chosen?.tube ?? wheel.tube;
  return fillWhile(direction, {
    tubeWas: wheel.tube,
    tube: !isTube ? 'none' : chosen?.doubled ? 'doubled' : 'one',
    build: wheel.build,
    sealed: wheel.sealed,
    strips: wheel.strips ?? ruleNumber('strip.count', rules),
  });
};

/** Whether a rim has a strip, by its record: over bare nipples only. */
export const hasStrip = ({ build, sealed, strips }: Wheel): boolean =>
  build === 'spoked' && !sealed && (strips ?? 0) > 0;

/** The depth that those take from the well, mm; 0 if the wheel is not known. */
export const fillMmOf = (state: JobState, direction: 'off' | 'on'): number =>
  state.wheel ? wellFillMm(fillOf(state.wheel, state, direction)) : 0;

/** The input of this job's bite plan; null if the rim is not known. */
export const biteInputOf = (state: JobState, direction: 'off' | 'on'): BiteInput | null => {
  const diameterMm = rimDiameterMm(state);
  if (!state.wheel || diameterMm === null) return null;
  const rim = rimProfileOf(state);
  const wheel = {
    rimDiameterMm: diameterMm,
    lockDegs: state.wheel.rimLockDegs,
    ...(rim && { rim, fill: fillOf(state.wheel, state, direction) }),
  };
  return biteInputBy(wheel, direction, state.rules);
};

/** The bites of this job by its school; null where the rim is not known. */
export const bitesOf = (state: JobState, direction: 'off' | 'on'): BitePlan | null => {
  const input = biteInputOf(state, direction);
  return input && planBites(input);
};

/** The part of the bead that is on once so many bites are done, as an arc. */
export const fittedArc = (
  { way, startDeg, bites, kneelFromDeg, kneelToDeg }: BitePlan,
  done: number,
): { fromDeg: number; toDeg: number } => {
  if (bites.length === 0) return { fromDeg: kneelFromDeg, toDeg: kneelToDeg };
  const last = bites[Math.max(0, done - 1)]!;
  if (way === 'round') return { fromDeg: startDeg, toDeg: last.toDeg };
  // Both ways by turns: odd bites run clockwise, even ones the other way.
  const clockwise = bites[Math.max(0, done - (done % 2 === 1 ? 1 : 2))]!;
  const back = bites[Math.max(1, done - (done % 2 === 1 ? 2 : 1))]!;
  return { fromDeg: back.toDeg, toDeg: clockwise.toDeg };
};
