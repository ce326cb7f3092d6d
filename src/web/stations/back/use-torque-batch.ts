import { useUnits } from '../../shared/quantity';
import { useApp } from '../../store';
import { paceOf } from '../../store/shop-slice';
import type { BatchRow } from '../BatchList';
import { useExcludedItems, type ExcludedItems } from '../use-excluded-items';
import { useSeenEnd, type SeenEnd } from '../use-seen-end';
import type { TorqueWalk, WalkRow } from './use-torque-walk';

/**
 * The fasteners that may be saved together: all but one that needs a torque and has none in the
 * record.
 */
export const together = (sure: readonly WalkRow[]): WalkRow[] =>
  sure.filter(({ turn }) => turn.verdict !== 'stop');

/**
 * The fasteners that are written as tightened all at once; those that were tapped out come one by
 * one.
 */
export interface TorqueBatch extends ExcludedItems, SeenEnd {
  rows: readonly BatchRow[];
  /** The number of entries to write. */
  count: number;
  /** Writes each with its wrench, once all were in view; true once confirmed. */
  write(): Promise<boolean>;
}

/**
 * The open fasteners that have one way to be right, at the pace by station; null at the other, or
 * where they are few.
 */
export const useTorqueBatch = (walk: TorqueWalk): TorqueBatch | null => {
  const { say } = useUnits();
  const pace = useApp(paceOf);
  const { left, toggle } = useExcludedItems();
  const all = together(walk.sure);
  const seen = useSeenEnd(all.map(({ fastener }) => fastener.name).join());
  const kept = all.filter(({ fastener }) => !left.has(fastener.name));
  if (pace !== 'by station' || kept.length < 2) return null;
  const rows = all.map(({ fastener: { name }, turn: { torqueNm, settingNm, wrench, says } }) => ({
    id: name,
    say:
      torqueNm === null
        ? `${name}: snug`
        : `${name}: ${say(settingNm ?? torqueNm, 'Nm')} on the ${wrench}`,
    mind: says.join(' ') || null,
  }));
  return {
    rows,
    left,
    toggle,
    ...seen,
    count: kept.length,
    write: async () => {
      if (!seen.wasShown()) return false;
      return walk.keepAll(kept);
    },
  };
};
