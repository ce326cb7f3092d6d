import Joi from 'joi';
import { count, oneOf, ruleValues } from '../base/fields';
import type { RuleValues } from '../base/rules';
import type { Sentence } from '../base/units';
import type { Reason } from '../base/working';

/**
 * A round as every kind of practice takes it: which wheel is hidden, how hard, and what was done.
 */
export interface RoundInput<Level extends string, Act> {
  seed: number;
  level: Level;
  acts: readonly Act[];
  rules?: RuleValues;
}

/** The common part of a round's score. */
export interface Played {
  /** It ended as the work should. */
  good: boolean;
  /** In what the kind counts: placements, strokes, nipples. */
  cost: number;
  advisedCost: number;
  /** The mistakes, with their cost. */
  debrief: Reason[];
  /** Advised moves with the same wheel, step by step. */
  advice: Sentence[];
  reason: Reason;
}

/** Acts of a round at most. */
export const MAX_ACTS = 200;

export const MAX_SEED = 1_000_000_000;

/** The fields of a round of a kind. */
export const roundFields = (levels: readonly string[], acts: Joi.Schema) => ({
  seed: count(0, MAX_SEED, 'Number of the hidden wheel'),
  level: oneOf(levels, 'Level'),
  acts,
  rules: ruleValues(),
});
