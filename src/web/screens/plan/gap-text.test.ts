import { gapText } from './gap-text';

const cost = { broken: 2, lateMin: 50, doneMin: 400 };

test.each([
  ['proved', cost, true, 'Best possible plan.'],
  [
    'a promise first',
    { broken: 1, lateMin: 0, doneMin: 300 },
    false,
    /Still possible: 1 promise more kept\.$/,
  ],
  ['then lateness', { broken: 2, lateMin: 20, doneMin: 300 }, false, /: 30 min less late\.$/],
  ['then the ends', { broken: 2, lateMin: 50, doneMin: 310 }, false, /together 1 h 30 sooner\.$/],
] as const)('what is not ruled out: %s', (_, bound, proven, says) => {
  expect(gapText({ cost, bound, proven })).toMatch(says);
});
