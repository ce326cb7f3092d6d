import { InputError, tryInput } from '../errors';
import {
  checkRuleValue,
  DEFAULT_RULES,
  findRule,
  isMoneyRule,
  ruleNumber,
  ruleWord,
  valuesOf,
} from '.';

test('every rule can hold its own value, has a basis and a note, and its key is its own', () => {
  for (const rule of DEFAULT_RULES) {
    expect(() => checkRuleValue(rule, rule.value)).not.toThrow();
    expect(rule.note.length).toBeGreaterThan(5);
    expect(rule.says.length).toBeGreaterThan(5);
    if (typeof rule.value === 'string') expect(rule.choices).toContain(rule.value);
  }
  expect(new Set(DEFAULT_RULES.map((r) => r.key)).size).toBe(DEFAULT_RULES.length);
});

test('the unit stands at the end of the key of a rule that has one', () => {
  const ends: Record<string, string> = {
    kPa: 'Kpa',
    mm: 'Mm',
    tread: 'Mm',
    g: 'G',
    deg: 'Deg',
    years: 'Years',
    days: 'Days',
    pct: 'Pct',
    in: 'In',
    kg: 'Kg',
    m: 'M',
    km: 'Km',
    Nm: 'Nm',
  };
  for (const rule of DEFAULT_RULES)
    if (rule.unit) expect(rule.key.endsWith(ends[rule.unit]!)).toBe(true);
});

test('a ceiling for seating is never above 50 psi', () => {
  expect(findRule('seat.shopCeilingKpa').max).toBeCloseTo(344.74, 1);
  expect(findRule('seat.shopCeilingKpa').value).toBeCloseTo(275.79, 1);
});

test('the given value wins, and its basis becomes the shop’s', () => {
  const seen: string[] = [];
  const show = { basis: (kind: string) => void seen.push(kind) };
  expect(ruleNumber('balance.toleranceG', undefined, show)).toBe(5);
  expect(ruleNumber('balance.toleranceG', { 'balance.toleranceG': 3 }, show)).toBe(3);
  expect(ruleWord('balance.sides', { 'balance.sides': 'one' }, show)).toBe('one');
  expect(seen).toEqual(['practice', 'shop rule', 'shop rule']);
});

test('values by key', () => {
  expect(valuesOf(DEFAULT_RULES)['seat.tries']).toBe(3);
});

test('an unknown rule is a defect, a word in place of a number is bad input', () => {
  expect(() => findRule('no.such')).toThrow(/No rule/);
  expect(() => ruleNumber('seat.tries', { 'seat.tries': 'three' })).toThrow(InputError);
});

test.each([
  ['seat.shopCeilingKpa', 500, /is not valid/, 'Enter a number from 5.0 psi to 50.0 psi'],
  ['seat.shopCeilingKpa', Number.NaN, /is not valid/, 'Enter a number from 5.0 psi to 50.0 psi'],
  ['seat.shopCeilingKpa', '200', /is not valid/, 'Enter a number from 5.0 psi to 50.0 psi'],
  ['balance.sides', 'three', /is not a choice/, 'Choose both, one, inner'],
  ['balance.sides', 2, /is not a choice/, 'Choose both, one, inner'],
])('%s does not take %p', (key, value, said, expected) => {
  try {
    checkRuleValue(findRule(key), value);
  } catch (error) {
    expect((error as InputError).message).toMatch(said);
    expect((error as InputError).expected).toBe(expected);
  }
  expect.assertions(2);
});

test('an amount is refused in money, other numbers as they are', () => {
  const hour = findRule('labour.hourMinor');
  expect(() => checkRuleValue(hour, -1)).toThrow(/^Labor per hour: -1 is not valid\.$/);
  expect(tryInput(() => checkRuleValue(hour, -1))).toMatchObject({
    ok: false,
    problem: { expected: 'Enter a number from 0.00 to 100000.00' },
  });
  expect(isMoneyRule(hour)).toBe(true);
  expect(isMoneyRule(findRule('tread.minimumMm'))).toBe(false);
});
