import { LIGHT_MARK_TO, type LightMarkTo } from '../bench/beads';
import { ruleChoice } from '../base/rules';
import type { JobState } from './job-state';

/** What steps, dial and orientation need to know of the tire that goes on. */
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

/** What this job sets the light mark to. Throws `InputError` for a method that does not exist. */
export const lightMarkTo = ({ rules }: Pick<JobState, 'rules'>): LightMarkTo =>
  ruleChoice('lightMark.to', LIGHT_MARK_TO, rules);
