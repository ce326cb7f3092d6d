import { READINGS, type Step } from './step';

/** Steps whose tick proves a safety point. */
export const PROOF_STEPS = {
  arrow: 'on-arrow',
  cap: 'set-cap',
  pin: 'back-pin',
  axle: 'back-ends',
  brake: 'back-pump',
  pedal: 'back-pedal',
} as const;

const PROOFS: readonly string[] = Object.values(PROOF_STEPS);

/**
 * Whether a step is ticked by a tap of its own at every pace: it carries a hazard to someone, a
 * reading or a judgement, or it proves a safety point. The others may be written all at once, their
 * cautions in sight.
 */
export const needsOwnTick = (
  step: Pick<Step, 'id' | 'guards' | 'confirm' | 'reads' | 'wants'>,
): boolean =>
  step.guards === 'person' ||
  step.confirm !== null ||
  step.wants !== null ||
  (step.reads !== null && READINGS[step.reads].isAsked) ||
  PROOFS.includes(step.id);
