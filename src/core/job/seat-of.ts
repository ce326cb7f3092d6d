import { seatLadder, seatLimit, type OwnLimit } from '../bench/pressure';
import { ruleNumber } from '../base/rules';
import type { JobState } from './job-state';

/** The limit while seating, from what the log knows. */
export const seatLimitOf = (state: JobState) =>
  seatLimit.run({
    shopCeilingKpa: ruleNumber('seat.shopCeilingKpa', state.rules),
    ...(state.chosen?.seatLimitKpa != null ? { sidewallKpa: state.chosen.seatLimitKpa } : {}),
    ...(state.wheel?.rimLimitKpa != null ? { rimKpa: state.wheel.rimLimitKpa } : {}),
    ...(state.raised ? { raised: state.raised } : {}),
    ...(ownLimitOf(state) ? { own: ownLimitOf(state)! } : {}),
    rules: state.rules,
  });

/** A tire that the shop's ceiling is not made for. */
const ownLimitOf = ({ wheel, machine, chosen }: JobState): OwnLimit | null =>
  wheel?.build === 'beadlock'
    ? 'beadlock'
    : machine &&
        (machine.kind === 'quad' || machine.kind === 'side-by-side') &&
        chosen?.seatLimitKpa == null
      ? 'low-pressure tire'
      : null;

/**
 * The next step of seating, from the present try and those before it; `liveKpa` is what a gauge
 * shows and was not taken yet.
 */
export const seatLadderOf = (state: JobState, liveKpa: readonly number[] = []) =>
  seatLadder.run({
    limitKpa: seatLimitOf(state).result.limitKpa,
    readingsKpa: [
      ...state.seatReadings.slice(state.seatTries.from).map((r) => r.gaugeKpa),
      ...liveKpa,
    ].slice(-500),
    discSeated: state.seated.disc,
    otherSeated: state.seated.other,
    pops: state.pops.length,
    line: state.line,
    triesBefore: state.seatTries.ended,
    tube: state.chosen?.tube ?? state.wheel?.tube ?? false,
    rules: state.rules,
  });
