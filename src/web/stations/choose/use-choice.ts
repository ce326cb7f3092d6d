import { useMemo } from 'react';
import type { FitContext } from '../../../core/bench/fitting';
import { fitContextOf } from '../../../core/job';
import { withChosen } from '../../../core/shop/visit';
import { useJob } from '../../shared/job-context';
import { useShelf } from './use-shelf';
import { today } from '../../store';
import { useVisitOfJobQuery } from '../../store/visits-api';
import { useChoiceDraft, type ChoiceDraft } from './use-choice-draft';
import { useFit, type FitAtHand } from './use-fit';
import { useParts, type PartsAtHand } from './use-parts';

/** The choice at hand, as every tab of Choose sees it. */
export interface ChoiceAtHand {
  /** The needs of the tire. */
  context: FitContext;
  drafting: ChoiceDraft;
  fits: FitAtHand;
  parts: PartsAtHand;
}

/** The choices, their answers from the workings, and the parts and tools that go with them. */
export const useChoice = (): ChoiceAtHand => {
  const { state, job, machineWheels } = useJob();
  const shop = useShelf();
  const onDate = today();
  const { data: visit } = useVisitOfJobQuery(job.id);
  const wheels = useMemo(
    () => withChosen(machineWheels, visit?.wheels ?? []),
    [machineWheels, visit],
  );
  const context = useMemo(() => fitContextOf(state, onDate, wheels)!, [state, onDate, wheels]);
  const drafting = useChoiceDraft(context);
  const fits = useFit(context, shop.tires, drafting.draft);
  const parts = useParts(drafting.draft, fits.compared.ok);
  return { context, drafting, fits, parts };
};
