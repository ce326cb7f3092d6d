import { LIGHT_MARK_TO, type LightMarkTo } from '../bench/beads';
import { ruleChoice } from '../base/rules';
import type { JobState } from './job-state';

/** The facts of the tire that goes on that steps, dial and orientation need. */
interface NewTire {
  lightMark: boolean;
  arrows: boolean;
}

/**
 * The new tire; before one is chosen it is taken to have a light mark and an arrow, as
 * most do.
 */
export const newTireOf = ({ chosen }: Pick<JobState, 'chosen'>): NewTire => ({
  lightMark: chosen?.lightMark ?? true,
  arrows: chosen?.arrows !== 'none',
});

/**
 * The setting of the light mark in this job. Throws `InputError` for a method that does not exist.
 */
export const lightMarkTo = ({ rules }: Pick<JobState, 'rules'>): LightMarkTo =>
  ruleChoice('lightMark.to', LIGHT_MARK_TO, rules);
