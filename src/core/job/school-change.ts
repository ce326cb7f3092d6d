import { ruleWord } from '../rules';
import { SCHOOLS, schoolChoices, schoolWhy, type School } from '../procedure';
import { clockText } from '../units';
import { bitesOf } from './bites-of';
import type { JobState } from './fold';
import { stepsOf } from './steps-of';

/** A school as this job has it, and what each other choice would change. */
export interface SchoolAtHand {
  school: School;
  value: string;
  /** Why this job's choice is made. */
  why: string;
  others: { value: string; why: string; changes: string[] }[];
}

/** What would be different in the steps and the bites, in words. */
const changesTo = (state: JobState, school: School, value: string): string[] => {
  const then: JobState = { ...state, rules: { ...state.rules, [school]: value } };
  const [before, after] = [stepsOf(state), stepsOf(then)].map((steps) => steps.map((s) => s.say)) as [string[], string[]];
  const starts = (['off', 'on'] as const).flatMap((direction) => {
    const [now, next] = [bitesOf(state, direction), bitesOf(then, direction)];
    if (!now || !next || Math.abs(now.startDeg - next.startDeg) < 1) return [];
    return [`levers ${direction}: start at ${clockText(next.startDeg)} in place of ${clockText(now.startDeg)}, ${next.way === 'both' ? 'both ways' : 'once round'}`];
  });
  return [...after.filter((s) => !before.includes(s)).map((s) => `in: ${s}`), ...before.filter((s) => !after.includes(s)).map((s) => `out: ${s}`), ...starts];
};

/** Every school of the job with what another choice would change. */
export const schoolsOf = (state: JobState): SchoolAtHand[] =>
  SCHOOLS.map((school) => {
    const value = ruleWord(school, state.rules);
    return { school, value, why: schoolWhy(school, value), others: schoolChoices(school).filter((c) => c !== value).map((other) => ({ value: other, why: schoolWhy(school, other), changes: changesTo(state, school, other) })) };
  });
