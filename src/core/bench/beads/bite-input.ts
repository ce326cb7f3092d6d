import { ruleNumber, ruleWord, type RuleValues } from '../../base/rules';
import type { RimProfile } from './bead-geometry';
import type { BiteInput, BiteSchool } from './bite-plan';
import type { WellFill } from './well-fill';

/**
 * The input of a bite plan by the rules: length of a bite, what goes over by hand, and the school
 * unless one is given.
 */
export const biteInputBy = (
  wheel: { rimDiameterMm: number; lockDegs: readonly number[]; rim?: RimProfile; fill?: WellFill },
  direction: 'off' | 'on',
  rules: RuleValues | undefined,
  school?: string,
): BiteInput => ({
  ...wheel,
  valveDeg: 0,
  direction,
  biteMm: ruleNumber('bite.lengthMm', rules),
  school: (school ?? ruleWord('bite.start', rules)) as BiteSchool,
  handFittedDeg: direction === 'on' ? ruleNumber('bite.handFittedDeg', rules) : 0,
});
