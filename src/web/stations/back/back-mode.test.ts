import type { Step } from '../../../core/job/procedure';
import { backModeOf, backWordsOf, TORQUE } from './back-mode';
import { together } from './use-torque-batch';
import { torqueSequence } from '../../../core/bench/torque';
import type { WalkRow } from './use-torque-walk';

const step = (id: string) => ({ id, say: `${id}.`, why: 'because' }) as Step;
const row = (name: string, torqueNm: number | null) =>
  ({ fastener: { name, torqueNm } }) as WalkRow;
const nut = row('axle nut', 98);
const lock = row('rim lock nut', null);
const walk = { rows: [nut, lock], next: nut, sure: [nut, lock], isSecondRound: false };
const open = { current: step(TORQUE), walk, batch: null, torques: null, isLoose: false };

test('the fasteners one by one, then the round, then the step itself', () => {
  expect(backModeOf(open)).toEqual({ is: 'fastener', row: nut, isSure: true });
  expect(backModeOf({ ...open, walk: { ...walk, sure: [lock] } })).toEqual({
    is: 'fastener',
    row: nut,
    isSure: false,
  });
  const tight = { rows: walk.rows, next: undefined, sure: [] };
  expect(backModeOf({ ...open, walk: { ...tight, isSecondRound: true } })).toEqual({ is: 'round' });
  expect(backModeOf({ ...open, walk: { ...tight, isSecondRound: false } }).is).toBe('step');
});

test('fasteners are asked at their own step alone, together where they may be', () => {
  const torques = {
    rows: [],
    left: new Set<string>(),
    toggle: jest.fn(),
    count: 2,
    isSeen: true,
    endRef: jest.fn(),
    wasShown: jest.fn(),
    write: jest.fn(),
  };
  expect(backModeOf({ ...open, torques }).is).toBe('fasteners');
  expect(backModeOf({ ...open, torques, current: step('back-chain') }).is).toBe('step');
  expect(backWordsOf(backModeOf({ ...open, torques })).now).toBe(
    'Tighten 2 fasteners, in this order.',
  );
});

test('a wheel that came in loose, and one that is back, ask for nothing', () => {
  expect(backModeOf({ ...open, isLoose: true }).is).toBe('loose');
  expect(backModeOf({ ...open, current: undefined }).is).toBe('done');
});

test('without figures the manual is asked for; a fastener without one is snug', () => {
  const none = backModeOf({
    ...open,
    walk: { rows: [], next: undefined, sure: [], isSecondRound: false },
  });
  expect(backWordsOf(none).now).toBe('No torque values are known.');
  expect(backWordsOf({ is: 'fastener', row: lock, isSure: true }).label).toBe('Snug');
  expect(backWordsOf({ is: 'fastener', row: nut, isSure: true }).label).toBe('Torqued');
});

test('an axle nut without a figure is not written as snug together with others; a rim lock’s nut is', () => {
  const fasteners = [
    { name: 'rear axle nut', torqueNm: null },
    { name: 'rim lock nut', torqueNm: null },
    { name: 'caliper bolts', torqueNm: 25 },
  ];
  const { turns } = torqueSequence.run({
    fasteners,
    wrenches: [{ name: 'click', minNm: 10, maxNm: 60 }],
  }).result;
  const rows = turns.map((turn) => ({ fastener: { name: turn.name }, turn }) as WalkRow);
  expect(together(rows).map((r) => r.fastener.name)).toEqual(['caliper bolts', 'rim lock nut']);
});
