import { angleBetween } from '../../base/units';
import {
  balanceAdvise,
  balanceEstimate,
  balancePlace,
  nextStep,
  type MassVector,
  type Observation,
} from '.';

const STOCK = [
  { massG: 5, count: 24 },
  { massG: 10, count: 24 },
  { massG: 20, count: 12 },
];
const SPOKES = Array.from({ length: 36 }, (_, i) => i * 10 + 5);
const settle = (restDeg: number, weights: MassVector[] = []): Observation => ({
  kind: 'settle',
  restDeg,
  from: null,
  weights,
});

describe('the belief', () => {
  test('two settles tell the direction and not the mass; a trial aside tells both', () => {
    const bare = balanceEstimate.run({ seen: [settle(209), settle(211)] }).result;
    expect(Math.abs(angleBetween(bare.heavyDeg, 210))).toBeLessThan(2);
    expect(bare.alongG).toBeGreaterThan(20);
    // 40 g at 210°, 40 g at 70° (140° aside): the sum lies at 140°, by the parallelogram.
    const on = [{ massG: 40, deg: 70 }];
    const told = balanceEstimate.run({
      seen: [settle(209), settle(211), settle(139, on), settle(141, on)],
    }).result;
    expect(told.heavyMassG).toBeCloseTo(40, -0.5);
    expect(told.alongG).toBeLessThan(5);
    expect(told.odd).toBeNull();
  });

  test('the same input gives the same belief, to the last digit', () => {
    const seen = [settle(30), settle(36), settle(120, [{ massG: 30, deg: 170 }])];
    expect(balanceEstimate.run({ seen })).toEqual(balanceEstimate.run({ seen }));
  });

  test('a reading that does not go with the others is named; without it all is well', () => {
    const on = [{ massG: 40, deg: 70 }];
    const good = [settle(209), settle(211), settle(139, on), settle(141, on), settle(140, on)];
    const { result, cautions, verdict } = balanceEstimate.run({
      seen: [...good.slice(0, 3), settle(320, on), ...good.slice(3)],
    });
    expect([result.consistent, result.odd, verdict]).toEqual([false, 3, 'check']);
    expect(cautions.join()).toMatch(/Reading 4 doesn’t agree/);
    expect(balanceEstimate.run({ seen: good }).result.consistent).toBe(true);
  });

  test('a machine, a level test and a swing each sharpen it', () => {
    const start: Observation[] = [settle(209), settle(211)];
    const along = (more: Observation[]) =>
      balanceEstimate.run({ seen: [...start, ...more] }).result;
    const none = along([]).alongG;
    expect(
      along([{ kind: 'machine', massG: 40, deg: 210, stepG: 5, stepDeg: 3, weights: [] }]),
    ).toMatchObject({ heavyMassG: expect.closeTo(40, -0.5) });
    expect(
      along([{ kind: 'level', deg: 210, moved: 'stays', weights: [{ massG: 40, deg: 30 }] }])
        .alongG,
    ).toBeLessThan(none / 4);
    // Half as heavy swings the square root of two more slowly.
    const swings: Observation[] = [
      { kind: 'swing', periodS: 2, weights: [] },
      { kind: 'swing', periodS: 2 * Math.SQRT2, weights: [{ massG: 20, deg: 30 }] },
    ];
    expect(along(swings).heavyMassG).toBeCloseTo(40, -1);
    expect(along(swings).alongG).toBeLessThan(none / 3);
  });

  test('forty readings that all contradict each other still give numbers, and the oddest is named', () => {
    const seen: Observation[] = Array.from({ length: 40 }, (_, i) => ({
      kind: 'machine',
      massG: 20 + (i % 7) * 300,
      deg: (i * 97) % 360,
      stepG: 0.5,
      stepDeg: 1,
      weights: [],
    }));
    const { result } = balanceEstimate.run({ seen });
    expect(result.consistent).toBe(false);
    for (const value of [
      result.heavyMassG,
      result.alongG,
      result.acrossG,
      result.bandG,
      result.chance,
      ...result.region.map((c) => c.massG),
    ])
      expect(Number.isFinite(value)).toBe(true);
  });

  test('an old answer is a hint: it helps where it fits, and gives way where it does not', () => {
    const prior = { massG: 60, deg: 210, spreadG: 8 };
    expect(balanceEstimate.run({ seen: [settle(209), settle(211)], prior }).result).toMatchObject({
      heavyMassG: expect.closeTo(60, -1),
    });
    const on = [{ massG: 40, deg: 70 }];
    expect(
      balanceEstimate.run({
        seen: [settle(209), settle(211), settle(139, on), settle(141, on), settle(140, on)],
        prior,
      }).result.heavyMassG,
    ).toBeLessThan(48);
  });
});

describe('what to do next', () => {
  const realize = ({ massG, deg }: MassVector) =>
    balancePlace.run({
      counterMassG: massG,
      counterDeg: deg,
      stock: STOCK,
      positions: SPOKES,
      sides: 'one',
      rules: { 'balance.toleranceG': 1.5 },
    }).result.pieces;

  test('a machine is asked again for what the weights left, not a stand', () => {
    const machine = (massG: number, deg: number, weights: readonly MassVector[]): Observation => ({
      kind: 'machine',
      massG,
      deg,
      stepG: 1,
      stepDeg: 3,
      weights,
    });
    const ask = { toleranceG: 5, trialsG: [10, 20], realize };
    const bare = machine(42, 200, []);
    const first = nextStep({ ...ask, seen: [bare], on: [] });
    const on = first.do === 'final' ? [...first.pieces] : [];
    expect(on.length).toBeGreaterThan(0);
    expect(nextStep({ ...ask, seen: [bare], on })).toMatchObject({ do: 'spin' });
    expect(nextStep({ ...ask, seen: [bare, machine(1, 90, on)], on }).do).toBe('done');
    // With nothing seen at all it is the stand that most shops have.
    expect(nextStep({ ...ask, seen: [], on: [] })).toMatchObject({ do: 'settle', from: null });
  });

  test('it begins with a settle from each side, and says in words what it wants', () => {
    const ask = (seen: Observation[], on: MassVector[] = []) =>
      balanceAdvise.run({ seen, on, stock: STOCK, sides: 'one', positions: SPOKES }).result;
    expect(ask([])).toMatchObject({ do: 'settle', from: null });
    expect(ask([{ kind: 'settle', restDeg: 210, from: 'left', weights: [] }])).toMatchObject({
      do: 'settle',
      from: 'right',
    });
    const trial = ask([settle(209), settle(211), settle(210), settle(210)]);
    expect(trial.do).toBe('trial');
    if (trial.do !== 'trial') return;
    // Off the counterweight's place on purpose.
    expect(Math.abs(angleBetween(trial.deg, 30))).toBeGreaterThan(10);
    const on = [{ massG: 40, deg: 70 }];
    const final = ask(
      [settle(209), settle(211), settle(139, on), settle(141, on), settle(140, on)],
      on,
    );
    expect(final.do).toBe('final');
    expect(final.place.reduce((t, p) => t + p.massG, 0)).toBeCloseTo(40, -1);
    const there = final.place.map(({ massG, deg }) => ({ massG, deg }));
    const level = (deg: number, at: 'left' | 'right' = 'right'): Observation => ({
      kind: 'level',
      deg,
      at,
      moved: 'stays',
      weights: there,
    });
    const done = ask(
      [
        settle(209),
        settle(211),
        settle(139, on),
        settle(141, on),
        settle(140, on),
        settle(10, there),
        settle(200, there),
        level(30),
        level(30, 'left'),
        level(120),
      ],
      there,
    );
    expect(done.do).toBe('done');
    expect(done.reason.says).toMatch(/^Balanced: 99% sure, on this stand\.$/);
  });

  test('the pieces of a trial make up its mass; something that lies there is kept clear of', () => {
    const bare = [settle(209), settle(211), settle(210), settle(210)];
    const trial = (clearOf: number[], stock = STOCK) =>
      balanceAdvise.run({ seen: bare, stock, sides: 'one', clearOf, rimMm: 1400 }).result;
    const free = trial([]);
    expect(free.do).toBe('trial');
    if (free.do !== 'trial') return;
    expect(free.place.reduce((t, p) => t + p.massG, 0)).toBeCloseTo(free.massG, 9);
    expect(new Set(free.place.map((p) => p.deg))).toEqual(new Set([free.deg]));
    // Of 25 g there are two pieces at least, and never more than the shelf has.
    const few = trial(
      [],
      [
        { massG: 10, count: 1 },
        { massG: 15, count: 1 },
      ],
    );
    if (few.do === 'trial')
      expect(few.place.map((p) => p.massG).sort()).toEqual([10, 15].slice(-few.place.length));
    // Something lies just there: it moves aside, clear of that.
    const aside = trial([free.deg]);
    if (aside.do === 'trial')
      expect(Math.abs(angleBetween(aside.deg, free.deg))).toBeGreaterThan(3);
    // All round something lies every 6°: nothing goes on.
    expect(() => trial(Array.from({ length: 60 }, (_, i) => i * 6))).toThrow(
      /lies on the valve, a lock or a spoke/,
    );
  });

  test('final pieces are made up no finer than they need to be, and finer where that is not sure enough', () => {
    // A stand that hides little and a wheel that is well known: a machine's two readings.
    const machine = (stepG: number): Observation => ({
      kind: 'machine',
      massG: 43,
      deg: 200,
      stepG,
      stepDeg: 1,
      weights: [],
    });
    const ask = (seen: Observation[]) =>
      balanceAdvise.run({
        seen,
        stock: STOCK,
        sides: 'one',
        positions: SPOKES,
        rules: { 'balance.toleranceG': 5 },
      }).result;
    const sharp = ask([machine(1), machine(1)]);
    expect(sharp).toMatchObject({ do: 'final', limitG: 4 });
    expect(sharp.do === 'final' && sharp.chance).toBeGreaterThan(0.95);
    const blunt = ask([machine(5)]);
    expect(blunt.do).toBe('final');
    expect(blunt.limitG).toBeLessThan(4);
  });

  test('a shop that calls nothing but nought balanced is still advised', () => {
    const { result } = balanceAdvise.run({
      seen: [{ kind: 'machine', massG: 40, deg: 200, stepG: 1, stepDeg: 1, weights: [] }],
      stock: STOCK,
      sides: 'one',
      positions: SPOKES,
      rules: { 'balance.toleranceG': 0 },
    });
    expect(['final', 'trial']).toContain(result.do);
    expect(result.place.length).toBeGreaterThan(0);
  });

  test('nothing in stock is said', () =>
    expect(() =>
      balanceAdvise.run({
        seen: [settle(209), settle(211), settle(210), settle(210)],
        stock: [],
        sides: 'one',
      }),
    ).toThrow(/no weights in stock/));
});
