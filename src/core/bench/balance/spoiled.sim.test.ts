import { standFor } from '../../../../tests/hidden-wheels';
import {
  SERIES_SPOKES,
  SERIES_STOCK,
  SPOILERS,
  spoiledSeries,
  type Spoiler,
} from '../../../../tests/spoiled-series';
import { howMany } from '../../../../tests/case-count';
import { seeded } from '../../base/statistics';
import { normalDeg } from '../../base/units';
import { balanceAdvise, balanceEstimate, type MassVector, type Observation } from '.';

/**
 * Wheels on a stand, advised to the end by someone who makes one kind of mistake throughout.
 * Simulated, so that what is really left is known; `npm run bench -- spoiled` follows forty wheels
 * of each kind.
 */
const STOCK = SERIES_STOCK;
const SPOKES = SERIES_SPOKES;
const mirrored = (weights: readonly MassVector[]): MassVector[] =>
  weights.map((w) => ({ ...w, deg: normalDeg(-w.deg) }));

const series = (spoiler: Spoiler, many: number, from = 70_000) =>
  Array.from({ length: many }, (_, i) => spoiledSeries(from + i, spoiler));
/** Twice the tolerance: with more left a wheel is never called balanced. */
const TOO_MUCH_G = 10;

test('without a slip wheels are balanced in two placements, three for nearly all, and hardly one is doubted', () => {
  const many = howMany(2, 24);
  const ended = series({}, many);
  for (const it of ended) expect(it.leftG).toBeLessThanOrEqual(TOO_MUCH_G);
  expect(ended.filter((e) => e.end === 'done').length).toBeGreaterThanOrEqual(many - 1);
  const counts = ended.map((e) => e.placements).sort((a, b) => a - b);
  expect(counts[many / 2]).toBeLessThanOrEqual(2);
  expect(counts[many - 2]).toBeLessThanOrEqual(3);
  expect(ended.filter((e) => e.noticedAt !== null).length).toBeLessThanOrEqual(2);
}, 120_000);

/** Slips that a fitter has to be told of: all but the odd wheel. */
const NOTICED = [
  'first weights mirrored',
  'all weights mirrored',
  'weights on the opposite side of the wheel',
  'ounces written as grams',
  'grams written as ounces',
  'tire creeps 60° after the first weights',
  'stand out of level, 12 g',
  'rises and sinks swapped',
  'every level test sinks',
];
/** The short run follows the kinds that deceive most; the long run all of them. */
const KINDS = howMany(
  [
    'all weights mirrored',
    'ounces written as grams',
    'tire creeps 60° after the first weights',
    'stand out of level, 12 g',
    'every level test sinks',
  ],
  Object.keys(SPOILERS),
);

test.each(KINDS)(
  'never called balanced with more than 10 g left: %s',
  (kind) => {
    const ended = series(SPOILERS[kind]!, howMany(1, 12), 71_000);
    for (const it of ended) if (it.end === 'done') expect(it.leftG).toBeLessThanOrEqual(TOO_MUCH_G);
    const noticed = ended.filter((e) => e.noticedAt !== null || e.end === 'look').length;
    // A slip that happens to do no harm may go unseen: such a wheel is balanced.
    if (NOTICED.includes(kind))
      expect(noticed + ended.filter((e) => e.end === 'done' && e.leftG <= TOO_MUCH_G).length).toBe(
        ended.length,
      );
    if (NOTICED.includes(kind) && ended.length > 1)
      expect(noticed).toBeGreaterThanOrEqual(ended.length * 0.8);
  },
  120_000,
);

/** The series that were called balanced once, as they were entered. */
describe('readings that contradict a balanced wheel by themselves', () => {
  const settle = (restDeg: number, weights: MassVector[]): Observation => ({
    kind: 'settle',
    restDeg,
    from: null,
    weights,
  });
  const level = (deg: number, moved: 'rises' | 'sinks', weights: MassVector[]): Observation => ({
    kind: 'level',
    deg,
    at: 'right',
    moved,
    weights,
  });
  const bare = [settle(209, []), settle(211, [])];
  const trial = [{ massG: 40, deg: 70 }];
  const told = [...bare, settle(139, trial), settle(141, trial)];
  const on = [{ massG: 40, deg: 30 }];
  test.each<[string, Observation[]]>([
    [
      'a tire that crept: one bottom again and again, and it sinks from level in both tests',
      [
        ...told,
        ...[93, 89, 90].map((deg) => settle(deg, on)),
        level(23, 'sinks', on),
        level(113, 'sinks', on),
      ],
    ],
    [
      'weights entered mirrored: two rests alike, and it rises from level in both tests',
      [
        ...told,
        ...[98, 96].map((deg) => settle(deg, on)),
        level(273, 'rises', on),
        level(3, 'rises', on),
      ],
    ],
  ])('%s', (_name, seen) => {
    const { result, verdict } = balanceAdvise.run({
      seen,
      on,
      stock: STOCK,
      positions: SPOKES,
      sides: 'one',
    });
    expect(result.do).not.toBe('done');
    if ('chance' in result && result.do !== 'final') expect(result.chance).toBeLessThan(0.5);
    if (result.do === 'look') expect(verdict).toBe('check');
  });
});

test('a slip is named by estimate and advice alike, with the reading it began with', () => {
  const heavy = { massG: 50, deg: 200 };
  const stand = standFor({ heavy, bandG: 1.5 }, 5);
  const said = [{ massG: 40, deg: 60 }];
  const seen: Observation[] = [
    stand.settle([], 'left'),
    stand.settle([], 'right'),
    { ...stand.settle(mirrored(said), 'left'), weights: said },
    { ...stand.settle(mirrored(said), 'right'), weights: said },
    { ...stand.settle(mirrored(said), 'left'), weights: said },
  ];
  const advice = balanceAdvise.run({
    seen,
    on: said,
    stock: STOCK,
    positions: SPOKES,
    sides: 'one',
  });
  const estimate = balanceEstimate.run({ seen, on: said });
  expect(advice.result.doubt).toMatchObject({ reading: 2, story: 'weights mirrored' });
  expect(advice.result.do).toBe('look');
  expect(advice.verdict).toBe('check');
  expect(advice.result.reason.says).toMatch(
    /^The weights look as if they were entered from the other side/,
  );
  expect(estimate.result).toMatchObject({ consistent: false, odd: 2 });
  expect(estimate.cautions.join()).toMatch(/entered from the other side/);
  // The same without the slip goes together.
  const right = seen.map((o) => (o.weights.length > 0 ? { ...o, weights: mirrored(said) } : o));
  expect(balanceEstimate.run({ seen: right, on: mirrored(said) }).result.consistent).toBe(true);
});

test('balanced is never said on a belief alone: it takes level tests at 3, at 9 and across, or a machine, with these weights', () => {
  const on = [{ massG: 40, deg: 20 }];
  const settle = (restDeg: number, weights: MassVector[] = []): Observation => ({
    kind: 'settle',
    restDeg,
    from: null,
    weights,
  });
  const level = (deg: number, at: 'left' | 'right' = 'right', weights = on): Observation => ({
    kind: 'level',
    deg,
    at,
    moved: 'stays',
    weights,
  });
  const base = [
    { kind: 'machine', massG: 40, deg: 200, stepG: 1, stepDeg: 1, weights: [] } as Observation,
    settle(200),
    settle(201),
    settle(30, on),
    settle(300, on),
  ];
  const does = (more: Observation[]) =>
    balanceAdvise.run({
      seen: [...base, ...more],
      on,
      stock: STOCK,
      positions: SPOKES,
      sides: 'one',
    }).result.do;
  expect(does([])).toBe('level');
  expect(does([level(20)])).toBe('level');
  expect(does([level(20), level(200)])).toBe('level');
  expect(does([level(20), level(110)])).toBe('level');
  expect(does([level(20), level(20, 'left'), level(110)])).toBe('done');
  expect(does([{ kind: 'machine', massG: 1, deg: 10, stepG: 1, stepDeg: 3, weights: on }])).toBe(
    'done',
  );
  // Tests of other weights are none of these.
  expect(does([level(20, 'right', []), level(20, 'left', []), level(110, 'right', [])])).not.toBe(
    'done',
  );
});

test('a chance stays a chance: random readings never break the advice', () => {
  const chance = seeded(3);
  for (let i = 0; i < 12; i++) {
    const weights =
      chance() < 0.5 ? [] : [{ massG: Math.round(5 + 50 * chance()), deg: 360 * chance() }];
    const seen = Array.from({ length: 1 + Math.floor(chance() * 6) }, (): Observation =>
      chance() < 0.6
        ? { kind: 'settle', restDeg: 360 * chance(), from: null, weights }
        : { kind: 'level', deg: 360 * chance(), moved: 'stays', weights },
    );
    const { result } = balanceAdvise.run({
      seen,
      on: weights,
      stock: STOCK,
      positions: SPOKES,
      sides: 'one',
    });
    if ('chance' in result) expect(result.chance >= 0 && result.chance <= 1).toBe(true);
  }
});
