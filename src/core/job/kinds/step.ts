import { defineEntry, WHEEL_WORK } from '../define-entry';
import { id, ofServer } from '../entry-fields';
import { type StepsDone, withSteps } from '../steps-done';

/** One step of a station, checked off. */
interface StepData {
  stepId: string;
  of?: string;
}

export const stepEntry = defineEntry<StepData, { steps: StepsDone }>({
  ...WHEEL_WORK,
  schema: () => ({ stepId: id, of: ofServer }),
  text: ({ stepId, of }, { step }) =>
    `Done${of === undefined ? '' : ', at the other wheel'}: ${step(stepId)}`,
  initial: { steps: {} },
  apply: ({ steps }, entry) => ({ steps: withSteps(steps, [entry.data.stepId], entry) }),
});
