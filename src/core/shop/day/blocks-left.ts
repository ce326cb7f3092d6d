import type { RuleValues } from '../../base/rules';
import type { StationId } from '../../base/stations';
import type { DayWheel } from './day-plan';
import { BLOCKS, PLAN_STEP_MIN, type BlockName } from './plan-problem';
import { timeLeftOf, type StationLeft } from './time-left';

/**
 * The stations of each block; for those of the second half one wheel at a time has the stand and
 * the compressor.
 */
const BLOCK_STATIONS: Record<BlockName, readonly StationId[]> = {
  bare: ['intake', 'choose', 'wheel-off', 'tire-off', 'inspect'],
  tire: ['tire-on', 'seat', 'set', 'balance'],
  back: ['wheel-back', 'hand-over'],
};
const ON_STAND: readonly StationId[] = ['seat', 'set', 'balance'];

/** Minutes in the middle, to the nearest step of a plan. */
const minutesOf = (stations: readonly StationLeft[], rules: RuleValues | undefined): number =>
  PLAN_STEP_MIN * Math.round(timeLeftOf(stations, rules).medianS / 60 / PLAN_STEP_MIN);

/**
 * The work that is left on a wheel as blocks in steps of a plan, one at least, in their middle
 * time; none for a finished one.
 */
export const blocksLeft = (
  stations: readonly StationLeft[],
  rules?: RuleValues,
): Pick<DayWheel['blocks'][number], 'block' | 'minutes' | 'standMinutes'>[] =>
  BLOCKS.flatMap((block) => {
    const its = stations.filter((s) => BLOCK_STATIONS[block].includes(s.station) && s.leftPct > 0);
    if (its.length === 0) return [];
    const minutes = Math.max(PLAN_STEP_MIN, minutesOf(its, rules));
    const standMinutes = minutesOf(
      its.filter((s) => ON_STAND.includes(s.station)),
      rules,
    );
    return [{ block, minutes, standMinutes: Math.min(minutes, standMinutes) }];
  });
