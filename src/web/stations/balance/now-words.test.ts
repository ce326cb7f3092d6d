import {
  balanceAdvise,
  balanceEstimate,
  type BalanceAdvice,
  type BalanceEstimate,
  type Observation,
  type Piece,
  type Sides,
} from '../../../core/bench/balance';
import type { BalanceLog } from '../../../core/job';
import { nowWords } from './now-words';
import { stepOf } from './step-of';

const BALANCE: BalanceLog = {
  hint: null,
  seen: [],
  on: [],
  trial: false,
  placements: 0,
  weights: null,
  balanced: null,
};
const STOCK = [
  { massG: 5, count: 20 },
  { massG: 10, count: 20 },
  { massG: 20, count: 10 },
];
const settle = (
  restDeg: number,
  from: 'left' | 'right',
  weights: readonly Piece[] = [],
): Observation => ({ kind: 'settle', restDeg, from, weights });
const say = {
  mass: (g: number) => `${Math.round(g)} g`,
  clock: (deg: number) => `${deg}°`,
  side: (from: 'left' | 'right') => from,
  pieces: (list: readonly Piece[]) => list.map((p) => `${p.massG} g`).join(' + '),
};

const told = (
  advice: BalanceAdvice,
  sides: Sides,
  estimate: BalanceEstimate | null,
  balance: BalanceLog,
) =>
  nowWords({
    step: stepOf({ hand: null, balance, advice, placed: null, busy: false }),
    broken: false,
    balance,
    advice,
    sides,
    toleranceG: 5,
    estimate,
    problem: null,
    say,
  });

const wordsOf = (seen: Observation[], balance: Partial<BalanceLog> = {}) => {
  const on = balance.on ?? [];
  const advice = balanceAdvise.run({ seen, on, stock: STOCK, sides: 'one' }).result;
  const estimate = seen.length > 0 ? balanceEstimate.run({ seen, on }).result : null;
  return { advice, ...told(advice, 'one', estimate, { ...BALANCE, ...balance }) };
};
const RESTS = [
  settle(212, 'left'),
  settle(208, 'right'),
  settle(211, 'left'),
  settle(209, 'right'),
];

test('from the first rest to the trial, each in one line, with what it is expected to teach', () => {
  expect(wordsOf([]).now).toBe('Let it settle. Where is the bottom?');
  expect(wordsOf(RESTS.slice(0, 1)).now).toBe('Let it settle again, from the right.');
  const trial = wordsOf(RESTS);
  expect(trial.now).toMatch(/^Tape (\d+ g \+ )*\d+ g on at \d+°\.$/);
  const [, nowG, thenG] = /from ±(\d+) g to about ±(\d+) g/.exec(trial.why)!;
  expect(Number(thenG)).toBeLessThan(Number(nowG) / 3);
});

test('final pieces, the end, and a trial that is to stay', () => {
  const final: BalanceAdvice = {
    do: 'final',
    massG: 40,
    deg: 30,
    pieces: [],
    chance: 0.97,
    limitG: 4,
    doubt: null,
    place: [{ massG: 20, deg: 30, side: 'near' }],
    reason: { verdict: 'good', says: '' },
  };
  const words = (advice: BalanceAdvice, balance: Partial<BalanceLog> = {}) =>
    told(advice, 'both', null, { ...BALANCE, ...balance });
  expect(words(final, { trial: true })).toEqual({
    now: 'Trial weight off. Put on 20 g.',
    why: 'In pairs, one on each side of the rim. 97% chance this balances it.',
  });
  const done: BalanceAdvice = {
    do: 'done',
    chance: 0.96,
    limitG: 5,
    place: [],
    doubt: null,
    reason: { verdict: 'good', says: '' },
  };
  expect(words(done).now).toBe('Balanced.');
  expect(words(done, { trial: true }).now).toBe(
    'Balanced with the trial weight. Make it permanent.',
  );
  expect(
    words(done, {
      balanced: { heavyMassG: 40, heavyDeg: 210, leftG: 2, leftDeg: 0, bandG: 2, chance: 0.97 },
    }).why,
  ).toMatch(/^2 g left/);
});

test('what contradicts itself is said as it is, and a shelf that has nothing better', () => {
  const look = (
    why: 'contradiction' | 'unproved' | 'shelf',
    doubt: BalanceAdvice['doubt'],
  ): BalanceAdvice => ({
    do: 'look',
    why,
    leftG: 12.4,
    limitG: 5,
    place: [],
    doubt,
    reason: { verdict: 'check', says: '' },
  });
  const slip = {
    reading: 2,
    story: null,
    says: 'Reading 3 does not go with the others: take it again.',
  };
  expect(told(look('contradiction', slip), 'one', null, BALANCE)).toEqual({
    now: 'Stop: these readings don’t agree.',
    why: slip.says,
  });
  expect(told(look('shelf', null), 'one', null, BALANCE).now).toBe('About 12 g of imbalance left.');
  expect(told(look('unproved', null), 'one', null, BALANCE).now).toBe('Not shown to be balanced.');
});

test('by hand, without a shelf, and when the arithmetic broke', () => {
  const atFirst = { doing: 'settle' as const, byHand: false, toPut: [] };
  const all = {
    step: atFirst,
    balance: BALANCE,
    advice: null,
    sides: 'one' as const,
    toleranceG: 5,
    estimate: null,
    broken: false,
    problem: null,
    say,
  };
  expect(nowWords({ ...all, step: { ...atFirst, doing: 'weights', byHand: true } }).now).toBe(
    'What is on the wheel?',
  );
  expect(
    nowWords({
      ...all,
      problem: {
        field: 'stock',
        message: 'There are no weights in stock to place.',
        expected: 'pieces',
      },
    }).why,
  ).toContain('Pieces.');
  expect(nowWords({ ...all, broken: true }).now).toBe('The calculation failed.');
});
