import { ruleValues } from '../../base/fields';
import { fittingRules, type RuleValues } from '../../base/rules';
import { defineEntry, WHEEL_WORK } from '../define-entry';

/** The shop’s rule values as they were when the job was opened. */
interface RulesData {
  values: RuleValues;
}

export const rulesEntry = defineEntry<RulesData, { rules: RuleValues }>({
  ...WHEEL_WORK,
  author: 'server',
  schema: () => ({ values: ruleValues().required() }),
  text: () => 'Shop rules copied to this job',
  initial: { rules: {} },
  apply: (_, { data }) => ({ rules: fittingRules(data.values) }),
});
