import { tryInput, InputError } from '../errors';
import { DEFAULT_UNITS, quantityText, writeMoney } from '../units';
import type { BasisSink } from '../basis';
import { DEFAULT_RULES } from './default-rules';
import { isMoneyRule, type Rule, type RuleValues } from './rule';

const BY_KEY = new Map(DEFAULT_RULES.map((rule) => [rule.key, rule]));

/** The shipped rule. Throws for a key that does not exist, which is a defect of the caller. */
export const findRule = (key: string): Rule => {
  const rule = BY_KEY.get(key);
  if (!rule) throw new Error(`No rule is called ${key}`);
  return rule;
};

const valueText = (rule: Rule, value: number | string): string => {
  if (typeof value === 'string') return value;
  if (isMoneyRule(rule)) return writeMoney(value, 'USD');
  if (rule.unit === null) return String(value);
  return quantityText(value, rule.unit, DEFAULT_UNITS);
};

/** Small lengths are ruled to hundredths, and said so. */
const SMALL_MM = 20;
const digitsOf = ({ unit }: Rule, value: number): { digits?: number } =>
  unit === 'mm' && value < SMALL_MM && !Number.isInteger(value) ? { digits: 2 } : {};

const read = (key: string, given: RuleValues | undefined, show?: BasisSink): number | string => {
  const rule = findRule(key);
  const value = given?.[key] ?? rule.value;
  const kind = value === rule.value ? rule.basis : 'shop rule';
  if (typeof value === 'number' && rule.unit !== null)
    show?.basis(kind, `${rule.says}: {0}`, [{ value, unit: rule.unit, ...digitsOf(rule, value) }]);
  else show?.basis(kind, `${rule.says}: ${value}`);
  return value;
};

/**
 * A number rule: the given value, or the shipped default. Throws `InputError` if the given value is
 * not a number.
 */
export const ruleNumber = (
  key: string,
  given: RuleValues | undefined,
  show?: BasisSink,
): number => {
  const value = read(key, given, show);
  if (typeof value !== 'number')
    throw new InputError('rules', `The rule ${key} is not a number.`, 'Enter a number');
  return value;
};

/** A choice rule: the given word, or the shipped default. */
export const ruleWord = (key: string, given: RuleValues | undefined, show?: BasisSink): string =>
  String(read(key, given, show));

/**
 * A choice rule as one of the words that the caller knows. Throws `InputError` for any other: a
 * misspelled method never passes for the usual one.
 */
export const ruleChoice = <Word extends string>(
  key: string,
  words: readonly Word[],
  given: RuleValues | undefined,
): Word => {
  const value = ruleWord(key, given);
  const word = words.find((w) => w === value);
  if (word === undefined)
    throw new InputError(
      'rules',
      `${findRule(key).says}: ${value.slice(0, 40)} is not a choice.`,
      `Choose ${words.join(', ')}`,
    );
  return word;
};

/** Rules as values by key, the form that workings take and jobs keep. */
export const valuesOf = (rules: readonly Pick<Rule, 'key' | 'value'>[]): RuleValues =>
  Object.fromEntries(rules.map((r) => [r.key, r.value]));

/** Refuses a value that the rule cannot hold, with the sentence that says what it can. */
export const checkRuleValue = (rule: Rule, value: unknown, field = 'value'): void => {
  if (rule.choices) {
    if (typeof value !== 'string' || !rule.choices.includes(value))
      throw new InputError(
        field,
        `${rule.says}: ${String(value).slice(0, 20)} is not a choice here.`,
        `Choose ${rule.choices.join(', ')}`,
      );
    return;
  }
  const { min = 0, max = Number.MAX_SAFE_INTEGER, whole = false } = rule;
  if (
    typeof value !== 'number' ||
    !Number.isFinite(value) ||
    value < min ||
    value > max ||
    (whole && !Number.isInteger(value))
  ) {
    const number = whole && !isMoneyRule(rule) ? 'whole number' : 'number';
    throw new InputError(
      field,
      `${rule.says}: ${String(value).slice(0, 20)} is not valid.`,
      `Enter a ${number} from ${valueText(rule, min)} to ${valueText(rule, max)}`,
    );
  }
};

/** Refuses rule values of which one is no rule's, or does not fit its rule. */
export const checkRuleValues = (values: RuleValues): void => {
  for (const [key, value] of Object.entries(values)) {
    const rule = BY_KEY.get(key);
    if (!rule)
      throw new InputError(
        'rules',
        `No rule is called ${key}.`,
        'Use the keys that the shop lists',
      );
    checkRuleValue(rule, value, `rules.${key}`);
  }
};

/** Of rule values that an earlier program kept, those that a rule of today can hold. */
export const fittingRules = (values: RuleValues): RuleValues =>
  Object.fromEntries(
    Object.entries(values).filter(([key, value]) => {
      const rule = BY_KEY.get(key);
      return rule !== undefined && tryInput(() => checkRuleValue(rule, value)).ok;
    }),
  );
