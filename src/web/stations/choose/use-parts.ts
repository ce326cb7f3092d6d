import { useMemo } from 'react';
import type { Materials, ToolList, Want } from '../../../core/bench/fitting';
import { materialsOf, partPicksOf, pressureStartOf, toolsOf, wantsOf } from '../../../core/job';
import type { TubeFit } from '../../../core/fit/tubes';
import { tryInput } from '../../../core/base/errors';
import type { Working } from '../../../core/base/working';
import { useJob } from '../../shared/job-context';
import { useShelf } from './use-shelf';
import { TYPED, type Draft } from './choice-draft';

/** Parts and tools that go with the tire; null where its size cannot be read. */
export interface PartsAtHand {
  /** Tube, rim lock, strip and stem. */
  picks: NonNullable<ReturnType<typeof partPicksOf>> | null;
  /** The tube that is picked, or the best of the shelf. */
  tubeFit: TubeFit | undefined;
  wants: Want[];
  /** The shortages and the cost. */
  list: Working<Materials> | null;
  /** The tools to lay out. */
  tools: Working<ToolList> | null;
}

/**
 * The parts that go on with the tire, their cost, and the tools; `known` once its size can be read.
 */
export const useParts = ({ marking, tube, tubeId, tireId }: Draft, known: boolean): PartsAtHand => {
  const { state } = useJob();
  const shop = useShelf();
  const choice = useMemo(() => {
    const start = pressureStartOf(state);
    const pressureKpa = start.ok ? start.working.result.pressureKpa : null;
    return {
      marking,
      tube,
      tubeId: tubeId || null,
      tireId: tireId === TYPED ? null : tireId,
      pressureKpa,
    };
  }, [state, marking, tube, tubeId, tireId]);
  const picked = useMemo(
    () => (known ? tryInput(() => partPicksOf(state, choice, shop)!) : null),
    [known, state, choice, shop],
  );
  const picks = picked?.ok ? picked.value : null;
  const wantedTube = tubeId || picks?.tubes?.bestId;
  const tubeFit = picks?.tubes?.fits.find((f) => f.id === wantedTube && f.fit !== 'no');
  const wants = useMemo(
    () => (picks ? wantsOf({ ...choice, tubeId: tubeFit?.id ?? null }, picks, shop) : []),
    [picks, choice, tubeFit, shop],
  );
  const list = useMemo(
    () => (wants.length > 0 ? materialsOf(wants, shop, state.rules) : null),
    [wants, shop, state.rules],
  );
  const laidOut = useMemo(
    () => (known ? tryInput(() => toolsOf(state, choice, shop)!) : null),
    [known, state, choice, shop],
  );
  return { picks, tubeFit, wants, list, tools: laidOut?.ok ? laidOut.value : null };
};
