import { DEFAULT_RULES } from './base/rules';
import { valueWord } from './base/value-words';
import { RENEWS } from './fit/wheels';
import { OLD_TIRES } from './job';
import { PRACTICE, PRACTICE_KINDS } from './practice';

/** Every list of stored choices that a screen offers by its words. */
const LISTS: readonly (readonly string[])[] = [
  ...DEFAULT_RULES.flatMap((rule) => (rule.choices ? [rule.choices] : [])),
  ...PRACTICE_KINDS.map((kind) => PRACTICE[kind].levels),
  RENEWS,
  OLD_TIRES,
];

test('no two choices of one list read alike', () => {
  for (const list of LISTS) expect(new Set(list.map(valueWord)).size).toBe(list.length);
});

test('what a choice is called fits a field of a phone', () => {
  for (const word of LISTS.flat().map(valueWord)) expect(word.length).toBeLessThanOrEqual(40);
});

test.each([
  ['light stand, full shelf', 'free stand, full stock'],
  ['crossing', 'crisscross'],
  ['lbf·ft', 'ft-lb'],
  ['deep rim', 'deep rim'],
])('%s is read as %s', (stored, shown) => expect(valueWord(stored)).toBe(shown));
