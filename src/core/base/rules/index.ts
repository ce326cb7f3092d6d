/** Rules: thresholds as data, with value, unit, basis and note. */
export { isMoneyRule, type Rule, type RuleValues, type ShopRule } from './rule';
export { DEFAULT_RULES } from './default-rules';
export { minutesRule } from './day-rules';
export {
  findRule,
  ruleChoice,
  ruleNumber,
  ruleWord,
  valuesOf,
  checkRuleValue,
  checkRuleValues,
  fittingRules,
} from './rule-value';
export { letterRuleKey, rimWidthRuleKeys, RIM_WIDTH_SECTIONS_MM } from './size-rules';
