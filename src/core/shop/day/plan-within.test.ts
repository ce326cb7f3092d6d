import fc from 'fast-check';
import { howMany } from '../../../../tests/case-count';
import { randomDay } from '../../../../tests/plan-days';
import { canEndBy, canStand } from './plan-deadlines';
import { layerThinning } from './layer-thinning';
import { limitsFor } from './plan-limits';
import type { BlockName, PlanBlock, PlanProblem } from './plan-problem';
import { bestPlan } from './plan-search';
import { emptyState, placedNext, placedOf, type PlanState } from './plan-state';
import { planWithin } from './plan-within';
import { stateRows } from './state-rows';

const ENOUGH = 100_000;

/** All states on the way to a plan, the empty one first. */
const wayTo = (
  day: PlanProblem,
  turns: readonly { wheel: number; person: number }[],
): PlanState[] => {
  const way = [emptyState(day)];
  for (const { wheel, person } of turns) way.push(placedNext(day, way.at(-1)!, wheel, person)!);
  return way;
};

const aDay = fc.record({ seed: fc.nat(100_000), wheels: fc.integer({ min: 1, max: 5 }) });

const block = (
  minutes: number,
  more: Partial<PlanBlock> & { block?: BlockName } = {},
): PlanBlock => ({
  block: 'back',
  minutes,
  standMinutes: 0,
  notBeforeMin: 0,
  fixed: null,
  ...more,
});

/** A wheel for each list of blocks, each on a visit of its own. */
const dayOf = (people: number, ...wheels: PlanBlock[][]): PlanProblem => ({
  people,
  benches: people,
  visits: wheels.map(() => ({ dueMin: null })),
  wheels: wheels.map((blocks, visit) => ({ id: `w${visit}`, visit, blocks })),
});

describe('whether all can still end in time', () => {
  test('a plan that does is never said to be impossible, at no point on its way', () => {
    fc.assert(
      fc.property(aDay, ({ seed, wheels }) => {
        const day = randomDay(seed, wheels, 1, 3);
        const { placed } = bestPlan(day, 1000)!;
        const ends = day.visits.map((_, v) =>
          Math.max(
            0,
            ...placed.filter((p) => day.wheels[p.wheel]!.visit === v).map((p) => p.endMin),
          ),
        );
        const some = ends.map((end, v) => ((seed + v) % 4 === 0 ? Infinity : end));
        for (const limits of [ends, some])
          for (const state of wayTo(day, placed)) expect(canEndBy(day, limits)(state)).toBe(true);
      }),
      { numRuns: howMany(100, 1000) },
    );
  });

  const isOpen = (day: PlanProblem, ...ends: number[]) => canEndBy(day, ends)(emptyState(day));

  test('a wheel by itself: its work, and what it waits for', () => {
    const waits = dayOf(2, [block(5), block(4, { notBeforeMin: 8 })]);
    expect([isOpen(waits, 12), isOpen(waits, 11)]).toEqual([true, false]);
  });

  test('all hands: also the part of a later wheel that would not fit in afterwards', () => {
    const two = dayOf(1, [block(5)], [block(5)]);
    expect([isOpen(two, 5, 10), isOpen(two, 9, 9), isOpen(two, 5, 9)]).toEqual([
      true,
      false,
      false,
    ]);
    // Of ten minutes until 12 four fit in after 8: six of them come before it.
    const long = dayOf(2, [block(8)], [block(8)], [block(10)]);
    expect([isOpen(long, 13, 13, 13), isOpen(long, 12, 12, 13), isOpen(long, 8, 8, 14)]).toEqual([
      true,
      false,
      false,
    ]);
  });

  test('the stand: what follows it is taken off', () => {
    const onStand = [block(6, { block: 'tire', standMinutes: 4 }), block(3)];
    const two = dayOf(2, onStand, onStand);
    expect([isOpen(two, 11, 11), isOpen(two, 10, 10)]).toEqual([true, false]);
  });
});

test('what is fixed by hand can stand as long as its person is free and what comes before it fits', () => {
  const fixed = { person: 0, startMin: 10 };
  const day = dayOf(2, [block(6), block(3, { fixed })], [block(5)]);
  const after = (...turns: [number, number][]) =>
    canStand(day)(
      wayTo(
        day,
        turns.map(([wheel, person]) => ({ wheel, person })),
      ).at(-1)!,
    );
  expect([after(), after([1, 0]), after([1, 0], [0, 1])]).toEqual([true, true, true]);
  // Its person has eleven minutes before it; or the wheel, after them, ends at eleven.
  expect([after([1, 0], [0, 0])]).toEqual([false]);
  expect(after([0, 1], [0, 0])).toBe(true);
});

describe('plans within limits', () => {
  test('there is one where all promises can be kept, and only there; it keeps them', () => {
    const seen = { kept: 0, out: 0 };
    fc.assert(
      fc.property(aDay, ({ seed, wheels }) => {
        const day = randomDay(seed, Math.min(4, wheels), 1, 3);
        const best = bestPlan(day, 3000)!;
        if (!best.proven) return;
        const { plan, isOut } = planWithin(day, limitsFor(day, [], 0), ENOUGH);
        expect(isOut).toBe(best.cost.broken > 0);
        if (isOut) seen.out++;
        else seen.kept++;
        if (plan)
          expect([plan.cost.broken, placedOf(plan).length]).toEqual([0, best.placed.length]);
        else expect(best.cost.broken).toBeGreaterThan(0);
      }),
      { numRuns: howMany(100, 1000) },
    );
    expect(Math.min(seen.kept, seen.out)).toBeGreaterThan(10);
  });

  test('several late ones share what they may be late by: no less than the least', () => {
    let found = 0;
    for (let seed = 0; found < 5; seed++) {
      const day = randomDay(seed, 4);
      const { cost, placed, proven } = bestPlan(day, 3000)!;
      if (cost.broken < 2 || !proven) continue;
      found++;
      const late = day.visits.flatMap(({ dueMin }, v) =>
        dueMin !== null && placed.some((p) => day.wheels[p.wheel]!.visit === v && p.endMin > dueMin)
          ? [v]
          : [],
      );
      const at = (lateMin: number) => planWithin(day, limitsFor(day, late, lateMin), ENOUGH);
      expect([seed, at(cost.lateMin - 1).isOut]).toEqual([seed, true]);
      expect(at(cost.lateMin).plan!.cost).toMatchObject({
        broken: cost.broken,
        lateMin: cost.lateMin,
      });
    }
  });

  test('a look that ends before it knows says neither', () => {
    const day = randomDay(12, 5, 5);
    expect(planWithin(day, limitsFor(day, [], 0), 1)).toMatchObject({ plan: null, isOut: false });
  });
});

test('states side by side are read as they were added, however many', () => {
  const day = { ...randomDay(8, 6, 5, 3), people: 3, benches: 2 };
  const way = wayTo(day, bestPlan(day, 1000)!.placed);
  const rows = stateRows(day);
  const many = Array.from({ length: 1000 }, (_, i) => way[i % way.length]!);
  expect(many.map(rows.add)).toEqual([...many.keys()]);
  const read = emptyState(day);
  many.forEach((state, i) => {
    rows.read(i, read);
    expect({ ...read, last: state.last }).toEqual(state);
  });
});

describe('layers made thinner', () => {
  const like = (stand: number): PlanState => ({ ...emptyState(dayOf(1, [block(1)])), stand });
  const many = Array.from({ length: 2000 }, (_, i) => i);
  const read = (at: number, into: PlanState) => {
    into.stand = at;
  };

  test('only what a sample rules out is left out, and is ruled out of the next depth as well', () => {
    // Samples say of odd ones that they are not wanted.
    const thinning = layerThinning(() => (state) => state.stand % 2 === 0, like(0), like(0));
    expect(thinning.isOut(like(1))).toBe(false);
    const { layer, samples } = thinning.thinned(many, read);
    expect(layer).toEqual(many.filter((i) => i % 2 === 0));
    expect(samples).toBeGreaterThan(0);
    expect([1, 2, 3].map((i) => thinning.isOut(like(i)))).toEqual([true, false, true]);
    // What was found out two depths ago counts no more.
    thinning.thinned([1, 2], read);
    expect(thinning.isOut(like(1))).toBe(false);
  });

  test('samples end where little is ruled out, and small layers have none', () => {
    let asked = 0;
    const thinning = layerThinning(() => (asked++, () => true), like(0), like(0));
    expect(thinning.thinned(many, read)).toEqual({ layer: many, samples: asked });
    expect(asked).toBeLessThan(20);
    expect(thinning.thinned(many.slice(0, 400), read).samples).toBe(0);
  });
});
