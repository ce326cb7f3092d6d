import type { BalanceAdvice, BalancePlacement, Piece } from '../../../core/bench/balance';
import { BY_HAND } from './doing';
import { stepOf, type StepTold } from './step-of';

const reason = { verdict: 'good', says: '', pattern: '', quantities: [] } as const;
const OWN: Piece[] = [{ massG: 20, deg: 30, side: 'near' }];
const FOUND: Piece[] = [
  { massG: 10, deg: 25, side: 'near' },
  { massG: 10, deg: 25, side: 'far' },
];
const advice = (what: BalanceAdvice['do'], more: object = {}): BalanceAdvice =>
  ({ do: what, reason, place: OWN, limitG: 5, ...more }) as unknown as BalanceAdvice;
const BALANCED = { heavyMassG: 40, heavyDeg: 210, leftG: 2, leftDeg: 0, bandG: 2, chance: 0.97 };
const REST = { kind: 'settle', restDeg: 210, from: 'left', weights: [], entryId: 'e' } as const;

const step = (
  told: Partial<Omit<StepTold, 'balance'>> & { balance?: Partial<StepTold['balance']> } = {},
) =>
  stepOf({
    hand: null,
    advice: null,
    placed: null,
    busy: false,
    ...told,
    balance: { balanced: null, trial: false, seen: [], ...told.balance },
  });

test('before anything is known it settles; with something seen it waits for the advice', () => {
  expect(step()).toEqual({
    doing: 'settle',
    byHand: false,
    levelDeg: null,
    levelAt: null,
    turned: false,
    toPut: [],
    go: 'take the rest',
  });
  expect(step({ balance: { seen: [REST] }, busy: true })).toMatchObject({
    doing: 'wait',
    go: null,
  });
});

test.each([
  ['settle', 'settle', 'take the rest'],
  ['spin', 'machine', null],
  ['level', 'level', null],
  ['trial', 'put', 'put trial on'],
  ['final', 'put', 'put pieces on'],
  ['done', 'done', 'write the end'],
] as const)('an advice to %s is done as %s', (what, doing, go) => {
  expect(step({ advice: advice(what, { deg: 90 }) })).toMatchObject({ doing, go, byHand: false });
});

test('what the fitter chose goes before the advice, and before the end', () => {
  for (const hand of BY_HAND) {
    for (const more of [{ advice: advice('trial') }, { balance: { balanced: BALANCED } }])
      expect(step({ hand, ...more })).toMatchObject({ doing: hand, byHand: true });
  }
  expect(step({ hand: 'weights' }).go).toBe('keep own pieces');
  expect(step({ hand: 'swing' }).go).toBeNull();
});

test('while the answer is on its way nothing of the older advice is done, but a rest is still taken', () => {
  for (const what of ['trial', 'final', 'done'] as const)
    expect(step({ advice: advice(what), busy: true }).go).toBeNull();
  expect(step({ advice: advice('settle'), busy: true }).go).toBe('take the rest');
  expect(step({ hand: 'weights', advice: advice('trial'), busy: true }).go).toBe('keep own pieces');
});

test('the end is written once; a trial that balances is fixed first; after that it goes on to the machine', () => {
  expect(step({ advice: advice('done') }).go).toBe('write the end');
  expect(step({ advice: advice('done'), balance: { trial: true } }).go).toBe('fix the trial');
  expect(step({ advice: advice('done'), balance: { balanced: BALANCED } })).toMatchObject({
    doing: 'done',
    go: 'leave for the machine',
  });
  expect(step({ advice: advice('final'), balance: { balanced: BALANCED }, busy: true }).go).toBe(
    'leave for the machine',
  );
});

test("final pieces are those that were found; a trial's are its own", () => {
  const placed = { pieces: FOUND } as unknown as BalancePlacement;
  expect(step({ advice: advice('final'), placed }).toPut).toEqual(FOUND);
  expect(step({ advice: advice('final') }).toPut).toEqual(OWN);
  expect(step({ advice: advice('trial'), placed }).toPut).toEqual(OWN);
});

test('the place to hold level is a whole degree under 360, and only where it is advised', () => {
  expect(step({ advice: advice('level', { deg: 119.6 }) }).levelDeg).toBe(120);
  expect(step({ advice: advice('level', { deg: 359.7 }) }).levelDeg).toBe(0);
  expect(step({ advice: advice('level', { deg: 119.6 }), hand: 'level' }).levelDeg).toBeNull();
  expect(step({ advice: advice('trial', { deg: 119.6 }) }).levelDeg).toBeNull();
});
