/** Rules: thresholds as data, with value, unit, basis and note. */
export { type Rule, type RuleValues, type ShopRule } from './rule';
export { DEFAULT_RULES } from './defaults';
export { findRule, ruleNumber, ruleWord, valuesOf, checkRuleValue } from './read';
export { letterRuleKey, rimWidthRuleKeys, RIM_WIDTH_SECTIONS_MM } from './size-rules';
