import { ruleWord } from '../base/rules';
import { SCHOOLS, schoolChoices, schoolWhy, type School } from './procedure';
import { clockText } from '../base/units';
import { bitesOf } from './bites-of';
import type { JobState } from './job-state';
import { stepsOf } from './steps-of';

/** A school as this job has it, and what each other choice would change. */
interface SchoolAtHand {
  school: School;
  value: string;
  /** Why this job's choice is made. */
  why: string;
  others: { value: string; why: string; changes: string[] }[];
}

/** The differences in the steps and the bites, in words. */
const changesTo = (state: JobState, school: School, value: string): string[] => {
  const then: JobState = { ...state, rules: { ...state.rules, [school]: value } };
  const [was, becomes] = [stepsOf(state), stepsOf(then)];
  const [before, after] = [was.map((s) => s.say), becomes.map((s) => s.say)];
  // Where a step stays as it is, its caution may not.
  const cautions = becomes
    .filter((s) => was.some((w) => w.say === s.say && w.id === s.id && w.caution !== s.caution))
    .map((s) => `caution: ${s.caution ?? 'none'}`);
  const weights =
    school === 'balance.sides'
      ? [`weights: ${value === 'both' ? 'split over both sides' : 'all on one side'}`]
      : [];
  const starts = (['off', 'on'] as const).flatMap((direction) => {
    const [now, next] = [bitesOf(state, direction), bitesOf(then, direction)];
    if (
      !was.some((s) => s.shows === `levers-${direction}`) ||
      !now ||
      !next ||
      Math.abs(now.startDeg - next.startDeg) < 1
    )
      return [];
    return [
      `levers ${direction}: start at ${clockText(next.startDeg)} in place of ${clockText(now.startDeg)}, ${next.way === 'both' ? 'both ways' : 'once round'}`,
    ];
  });
  // A step that stands in two places, such as the strap, is said once.
  return [
    ...new Set([
      ...after.filter((s) => !before.includes(s)).map((s) => `in: ${s}`),
      ...before.filter((s) => !after.includes(s)).map((s) => `out: ${s}`),
      ...cautions,
      ...starts,
      ...weights,
    ]),
  ];
};

/** Whether a wheel leaves the choice: on a ring wheel weights go on the inner face alone. */
const isOpen = (school: School, { wheel }: JobState): boolean =>
  school !== 'balance.sides' || wheel?.build !== 'beadlock';

/** Every school of the job with what another choice would change. */
export const schoolsOf = (state: JobState): SchoolAtHand[] =>
  SCHOOLS.filter((school) => isOpen(school, state)).map((school) => {
    const value = ruleWord(school, state.rules);
    return {
      school,
      value,
      why: schoolWhy(school, value),
      others: schoolChoices(school)
        .filter((c) => c !== value)
        .map((other) => ({
          value: other,
          why: schoolWhy(school, other),
          changes: changesTo(state, school, other),
        })),
    };
  });
