import { adjustText, turnsText } from './turns-text';

test.each([
  [0, '0 turns'],
  [0.5, '½ turn'],
  [-0.25, '¼ turn'],
  [0.68, '⅔ turn'],
  [1, '1 turn'],
  [1.25, '1¼ turns'],
  [0.99, '1 turn'],
  [1.96, '2 turns'],
  [7 / 8, '⅞ turn'],
])('%d is %s', (turns, text) => expect(turnsText(turns)).toBe(text));

test('both adjusters go the same way, or stay', () => {
  expect(adjustText(2 / 3)).toBe('⅔ turn back, both adjusters the same.');
  expect(adjustText(-0.5)).toBe('½ turn forward, both adjusters the same.');
  expect(adjustText(0)).toBe('Leave the adjusters alone.');
});
