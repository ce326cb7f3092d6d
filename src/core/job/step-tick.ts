import type { EntryData } from './entries';
import { LINE_STEP } from './steps-done';

type Tick = { [K in 'step' | 'seated']: { kind: K; data: EntryData[K] } }['step' | 'seated'];

/** The entries that checking off a step writes: the step, or the finding that checks it off. */
export const tickOf = (stepId: string): Tick[] =>
  stepId === LINE_STEP
    ? (['disc', 'other'] as const).map((side) => ({ kind: 'seated', data: { side, seated: true } }))
    : [{ kind: 'step', data: { stepId } }];
