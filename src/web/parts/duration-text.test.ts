import { durationText } from './duration-text';

test.each([
  [0, '0 s'],
  [89, '89 s'],
  [90, '2 min'],
  [3540, '59 min'],
  [3570, '1 h 00'],
  [3900, '1 h 05'],
])('%d seconds are %s', (seconds, text) => expect(durationText(seconds)).toBe(text));
