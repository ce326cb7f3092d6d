import { listOf } from '../../base/fields';
import { defineEntry, WHEEL_WORK } from '../define-entry';
import { id, ofServer } from '../entry-fields';
import { type StepsDone, withSteps } from '../steps-done';

/** Several steps of a station, checked off together. */
interface StepsData {
  stepIds: string[];
  of?: string;
}

export const stepsEntry = defineEntry<StepsData, object, { steps: StepsDone }>({
  ...WHEEL_WORK,
  schema: () => ({
    stepIds: listOf(id, 40, 'Steps that were done').custom((ids: unknown[], helpers) =>
      ids.length > 0 ? ids : helpers.error('any.invalid'),
    ),
    of: ofServer,
  }),
  text: ({ stepIds, of }, { step }) =>
    `Done as shown${of === undefined ? '' : ', at the other wheel'}: ${stepIds.map(step).join(' ')}`,
  initial: {},
  apply: ({ steps }, entry) => ({ steps: withSteps(steps, entry.data.stepIds, entry) }),
});
