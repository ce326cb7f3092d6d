import type { Written } from './define-entry';

/** Step id to who checked it off and when, ISO 8601. */
export type StepsDone = Record<string, { who: string; at: string; entryId: string }>;

/** Both molded lines are even all around: both beads are seated. */
export const LINE_STEP = 'seat-line';

/** The steps after an entry checked some off. */
export const withSteps = (
  steps: StepsDone,
  stepIds: readonly string[],
  { who, at, id }: Written<unknown>,
): StepsDone => ({
  ...steps,
  ...Object.fromEntries(stepIds.map((stepId) => [stepId, { who, at, entryId: id }])),
});
