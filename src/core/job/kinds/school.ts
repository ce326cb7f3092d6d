import { InputError } from '../../base/errors';
import { oneOf, text } from '../../base/fields';
import { type School, schoolChoices, SCHOOLS } from '../procedure/schools';
import { findRule, fittingRules, type RuleValues } from '../../base/rules';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** A method chosen for this job in place of the shop’s. */
interface SchoolData {
  school: School;
  value: string;
}

export const schoolEntry = defineEntry<SchoolData, object, { rules: RuleValues }>({
  ...WHEEL_WORK,
  schema: () => ({ school: oneOf(SCHOOLS, 'The method'), value: text(60, 'Method for this job') }),
  check: ({ school, value }) => {
    const choices = schoolChoices(school);
    if (!choices.includes(value))
      throw new InputError(
        'value',
        `${value.slice(0, 30)} is not a choice here.`,
        `Choose ${choices.join(', ')}`,
      );
  },
  text: ({ school, value }) => `${findRule(school).says}: ${value}, for this job`,
  initial: {},
  apply: ({ rules }, { data }) => ({
    rules: { ...rules, ...fittingRules({ [data.school]: data.value }) },
  }),
});
